import { requireWithin } from '../../base/errors.js';

/** Cold lime: pH above 12 for 12 to 18 hours. Common practice, no source. */
export const LIME = { leastPh: 12, leastHours: 12, mostHours: 18 } as const;

/** Whether a lime bath has done its work, in words that say what lacks. */
export function limeBath(ph: number, hours: number): { readonly enough: boolean; readonly words: string } {
  requireWithin(ph, { field: 'ph', min: 0, max: 14 });
  requireWithin(hours, { field: 'timeInBath', min: 0, max: 240, unit: ' h' });
  if (ph < LIME.leastPh) {
    return { enough: false, words: `pH ${ph} is too low: stir in more hydrated lime until it is above 12.` };
  }
  if (hours < LIME.leastHours) {
    const left = Math.ceil(LIME.leastHours - hours);
    return { enough: false, words: `${left} h more: it wants 12 to 18 h above pH 12.` };
  }
  return hours <= LIME.mostHours
    ? { enough: true, words: 'Long enough. Drain until it drips no more, then fill.' }
    : { enough: true, words: 'Long enough; beyond 18 h it only softens. Drain and fill.' };
}
