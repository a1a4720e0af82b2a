import type { VesselType } from '../record/definitions.js';
import { usualContent } from './amounts.js';
import type { CultureForm } from './form.js';

/** How people tell what a vessel holds: in the unit of its form, as a share of a full one, or by swabs. */
export type Counting = 'unit' | 'share' | 'swab';

/** A swab that was drawn over a print streaks some four plates. From memory. */
const SCRAPES_OF_SWAB = 4;

const COUNTINGS: Readonly<Partial<Record<CultureForm, readonly Counting[]>>> = {
  print: ['unit', 'swab'],
  plate: ['unit', 'share'],
  grain: ['unit', 'share'],
  bulk: ['unit', 'share'],
};

/** The ways in which such a culture is counted, the usual first. */
export function countingsOf(form: CultureForm): readonly Counting[] {
  return COUNTINGS[form] ?? ['unit'];
}

/** What one of a counting is in the unit of the form: a whole dish some forty wedges, a swab some scrapes. */
export function unitsEach(counting: Counting, form: CultureForm, vessel: VesselType): number {
  switch (counting) {
    case 'unit':
      return 1;
    case 'share':
      return usualContent(form, vessel);
    case 'swab':
      return SCRAPES_OF_SWAB;
  }
}
