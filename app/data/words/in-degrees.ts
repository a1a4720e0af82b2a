import type { HydrationPlan } from '../../../core/index';
import { temperatureRange, temperatureWords } from './measure-words';

/** Sentences that ship say °C: "at 65 to 80 °C", "below 30 °C". */
const CELSIUS = /(\d+)(?: to (\d+))? °C/gi;

/** A shipped sentence in the degrees that this household reads. */
export function inDegrees(sentence: string): string {
  return sentence.replace(CELSIUS, (_, from: string, to?: string) =>
    to === undefined ? temperatureWords(Number(from)) : temperatureRange(Number(from), Number(to)),
  );
}

/** A step of hydrating, said so. */
export function stepInDegrees(step: HydrationPlan): HydrationPlan {
  const { deed, during, hint } = step;
  return {
    ...step,
    deed: inDegrees(deed),
    ...(during !== undefined && { during: inDegrees(during) }),
    hint: inDegrees(hint),
  };
}
