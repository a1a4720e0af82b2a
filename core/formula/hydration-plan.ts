import type { HydrationMethod } from '../record/definitions.js';
import type { HydrationStep } from '../record/entry.js';

/** A step of getting a medium ready. Pressing its deed starts the step and, by that, ends the one before. */
export interface HydrationPlan {
  readonly step: HydrationStep;
  /** The word on the button, pressed when it is so. */
  readonly deed: string;
  /** What is to be done before that, where the button says that it was done. */
  readonly task?: string;
  /** What goes on until the next step, for the clock. Absent for steps that take no waiting. */
  readonly during?: string;
  readonly minutes?: { readonly usual: number; readonly least: number; readonly most: number };
  readonly hint: string;
  /** A hazard of this step; shown where it is met. */
  readonly caution?: string;
}

/** How long a step takes as a rule, and the least and the most that work. */
export function minutes(usual: number, least: number, most: number): HydrationPlan['minutes'] {
  return { usual, least, most };
}

export const HOT =
  'Steam and simmering water burn. Long sleeves, lid away from the face, no child near the pot.';

/** The school whose gypsum and coffee go into the soak: neither is stirred in once more. */
export const SOAKS_ADDITIVES: HydrationMethod = 'soak-gypsum-coffee';
