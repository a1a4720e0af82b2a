import type { Figure } from '../record/definitions.js';
import { hydrationSteps } from './hydration.js';

/** Of the water of an extract that simmers for half an hour with its lid ajar. */
export const BOILED_AWAY: Figure = {
  value: 0.2,
  low: 0.15,
  high: 0.25,
  source: 'common practice, no source',
};

/** Water to begin an extract with, ml, so that so much is left when it is strained. */
export function startOfExtractMl(leftMl: number): number {
  return leftMl / (1 - BOILED_AWAY.value);
}

/** For how long it then simmers, min. */
export function minutesOfExtract(): number {
  return hydrationSteps('extract').find((s) => s.step === 'extract')?.minutes?.usual ?? 0;
}
