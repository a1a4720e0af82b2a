import type { Figure } from '../record/definitions.js';
import type { CultureForm } from './form.js';

const figure = (low: number, value: number, high: number, source: string): Figure => ({
  value,
  low,
  high,
  source,
});
const PRACTICE = 'common practice, no source';
const MEMORY = 'from memory';

/** Where a culture is kept, as far as that decides how long. */
export type Keeping = 'cold' | 'room';

/**
 * Days for which a culture is as good as new (`value`); by `low` a careful keeper renews it, after `high` it is a gamble.
 */
const DAYS: Readonly<Record<CultureForm, Readonly<Record<Keeping, Figure>>>> = {
  print: { cold: figure(365, 730, 1825, MEMORY), room: figure(180, 365, 730, MEMORY) },
  spores: { cold: figure(240, 300, 365, PRACTICE), room: figure(30, 60, 120, MEMORY) },
  tissue: { cold: figure(1, 3, 7, MEMORY), room: figure(0.5, 1, 2, MEMORY) },
  plate: { cold: figure(21, 42, 90, PRACTICE), room: figure(14, 21, 35, MEMORY) },
  slant: { cold: figure(180, 270, 365, MEMORY), room: figure(30, 60, 120, MEMORY) },
  broth: { cold: figure(120, 180, 365, PRACTICE), room: figure(21, 30, 60, MEMORY) },
  grain: { cold: figure(30, 90, 180, PRACTICE), room: figure(21, 30, 45, MEMORY) },
  bulk: { cold: figure(60, 90, 180, MEMORY), room: figure(30, 60, 120, MEMORY) },
};
/** A vented plate that nobody wrapped dries out. Common practice, no source. */
const UNWRAPPED_PLATE = figure(5, 7, 10, PRACTICE);

/** How long such a culture keeps, days. */
export function keepsDays(form: CultureForm, keeping: Keeping, isWrapped = true): Figure {
  return form === 'plate' && !isWrapped ? UNWRAPPED_PLATE : DAYS[form][keeping];
}
