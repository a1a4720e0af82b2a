import type { HydrationMethod } from '../record/definitions.js';
import type { HydrationStep } from '../record/entry.js';

/** A step of getting a medium ready. Pressing its deed starts the step and, by that, ends the one before. */
export interface HydrationPlan {
  readonly step: HydrationStep;
  /** The word on the button. */
  readonly deed: string;
  /** What goes on until the next step, for the clock. Absent for steps that take no waiting. */
  readonly during?: string;
  readonly minutes?: { readonly usual: number; readonly least: number; readonly most: number };
  readonly hint: string;
}

// Common practice, no source: the first of the seven schools, soak 12–24 h, simmer 10–20 min, steam-dry 10–40 min.
const SOAK_SIMMER: readonly HydrationPlan[] = [
  {
    step: 'soak',
    deed: 'Start soak',
    during: 'soaking',
    minutes: { usual: 14 * 60, least: 12 * 60, most: 24 * 60 },
    hint: 'Rinse until clear, skim what floats, cover with two to three volumes of water. Over 24 h in a warm room it ferments.',
  },
  {
    step: 'simmer',
    deed: 'Start simmer',
    during: 'simmering',
    minutes: { usual: 12, least: 10, most: 20 },
    hint: 'Change the water, bring it to a simmer, then press. Steam and hot water burn: lid away from the face.',
  },
  {
    step: 'drain',
    deed: 'Drain',
    during: 'drying',
    minutes: { usual: 20, least: 10, most: 40 },
    hint: 'Spread it in the sieve and let the steam dry it. Toss now and then.',
  },
  {
    step: 'dryEnough',
    deed: 'Dry enough',
    hint: 'A handful on tissue for 5 seconds: no wet spot, plump, few burst.',
  },
  { step: 'fill', deed: 'In the jars', hint: 'Stir in the gypsum, fill, wipe the rims, lids on.' },
];

const MIX: readonly HydrationPlan[] = [
  {
    step: 'mix',
    deed: 'Mixed',
    during: 'taking up water',
    minutes: { usual: 30, least: 15, most: 120 },
    hint: 'Pellets and water first; when they have fallen apart, the supplement last and in stages. Damp the dust, wear a mask.',
  },
  {
    step: 'fill',
    deed: 'In the bags',
    hint: 'Squeeze hard: a few drops. Fill, wipe the neck, filter out of the wet, fold loosely.',
  },
];

export function hydrationSteps(method: HydrationMethod): readonly HydrationPlan[] {
  return method === 'mix' ? MIX : SOAK_SIMMER;
}

export interface HydrationProgress {
  readonly steps: readonly HydrationPlan[];
  /** What goes on now; absent before the first step. */
  readonly current?: HydrationPlan;
  /** The next deed; absent when all is done. */
  readonly following?: HydrationPlan;
  /** When the next deed is due, ms since 1970; absent where nothing is waited for. */
  readonly dueMs?: number;
}

const MINUTE_MS = 60_000;

/** Where a batch stands between the sack and its vessels, by its last step and when that was done. */
export function hydrationProgress(
  method: HydrationMethod,
  lastStep: HydrationStep | undefined,
  lastStepMs: number | undefined,
): HydrationProgress {
  const steps = hydrationSteps(method);
  const index = steps.findIndex((s) => s.step === lastStep);
  const minutes = steps[index]?.minutes?.usual;
  return {
    steps,
    current: steps[index],
    following: steps[index + 1],
    dueMs: minutes === undefined || lastStepMs === undefined ? undefined : lastStepMs + minutes * MINUTE_MS,
  };
}
