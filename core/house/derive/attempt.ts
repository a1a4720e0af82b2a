import type { Trouble, TroublePart } from './house.js';

/** Works a part out; where its figures do not allow that, the part is missing and the house says why. */
export type Attempt = <T>(part: TroublePart, act: () => T) => T | undefined;

export function attemptFor(whose: Pick<Trouble, 'of' | 'code'>, troubles: Trouble[]): Attempt {
  return (part, act) => {
    try {
      return act();
    } catch (cause) {
      troubles.push({ ...whose, part, cause });
      return undefined;
    }
  };
}
