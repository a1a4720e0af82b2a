import type { Trouble } from './house.js';

/** Works a part out; where its figures do not allow that, the part is missing and the house says why. */
export type Attempt = <T>(part: string, act: () => T) => T | undefined;

export function attemptFor(code: string, troubles: Trouble[]): Attempt {
  return (part, act) => {
    try {
      return act();
    } catch (error) {
      troubles.push({ code, part, reason: error instanceof Error ? error.message : String(error) });
      return undefined;
    }
  };
}
