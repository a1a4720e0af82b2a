import type { Batch } from '../record/batch.js';
import type { CultureUnit } from '../record/culture.js';
import type { VesselType } from '../record/definitions.js';
import { formOf, type CultureForm } from './form.js';

/** Inner diameter of the usual dish of 90 mm, from memory. */
const USUAL_DISH_MM = 86;
/** A dish of 90 mm gives some forty wedges of a square centimeter; the rim is left. Common practice, no source. */
const WEDGES_OF_USUAL_DISH = 40;
/** So many scrapes of a slant before little is left. From memory. */
const WEDGES_OF_SLANT = 6;
/** So many scrapes of a print of the size of a cap. From memory. */
const SCRAPES_OF_PRINT = 20;

const UNIT_OF: Readonly<Record<CultureForm, CultureUnit>> = {
  print: 'scrape',
  spores: 'ml',
  tissue: 'piece',
  plate: 'wedge',
  slant: 'wedge',
  broth: 'ml',
  grain: 'g',
  bulk: 'g',
};

/** In what the content of such a vessel is counted. */
export function unitOf(form: CultureForm): CultureUnit {
  return UNIT_OF[form];
}

/** Wedges of a square centimeter that a dish gives, or scrapes of a slant. Whole. */
export function wedgesOf(vessel: Pick<VesselType, 'kind' | 'diameterMm'>): number {
  return vessel.kind === 'slant'
    ? WEDGES_OF_SLANT
    : Math.max(
        1,
        Math.round(WEDGES_OF_USUAL_DISH * ((vessel.diameterMm ?? USUAL_DISH_MM) / USUAL_DISH_MM) ** 2),
      );
}

/** What such a vessel holds when it comes full: the figure that is offered at receiving. */
export function usualContent(form: CultureForm, vessel: VesselType): number {
  switch (form) {
    case 'plate':
    case 'slant':
      return wedgesOf(vessel);
    case 'print':
      return SCRAPES_OF_PRINT;
    case 'tissue':
      return 1;
    case 'grain':
    case 'bulk':
      return vessel.finishedG ?? Math.round(vessel.capacityMl * vessel.usualFill * (GRAIN_G_PER_L / 1000));
    default:
      return vessel.usualMl ?? vessel.capacityMl * vessel.usualFill;
  }
}

/** Wet grain in a jar weighs 650 to 710 g a liter. Common practice, no source. */
export const GRAIN_G_PER_L = 680;

/** What each vessel of a batch held at first, in the unit of its form; 0 where nothing is known. */
export function heldAtFirst(batch: Pick<Batch, 'stage' | 'vessel' | 'plan' | 'holds'>): {
  readonly amount: number;
  readonly unit: CultureUnit;
} {
  if (batch.holds !== undefined) {
    return batch.holds;
  }
  const unit = unitOf(formOf(batch));
  const { plan } = batch;
  const amount =
    plan === undefined
      ? 0
      : unit === 'wedge'
        ? wedgesOf(batch.vessel)
        : unit === 'ml'
          ? (plan.vesselMl ?? 0)
          : plan.vesselWetG;
  return { amount, unit };
}

/** What the medium in each vessel of a batch weighs as it was made or came, g; 0 where that is not known. */
export function wetMassG({ plan, holds }: Pick<Batch, 'plan' | 'holds'>): number {
  return plan?.vesselWetG ?? (holds?.unit === 'g' ? holds.amount : 0);
}
