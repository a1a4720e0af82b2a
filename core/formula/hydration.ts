import { tellAdditives } from './additives.js';
import type { BatchPlan } from '../record/batch.js';
import type { HydrationMethod, Material, Stage, VesselType } from '../record/definitions.js';
import type { HydrationStep } from '../record/entry.js';
import { MINUTE_MS } from '../base/time.js';
import { HOT, minutes, type HydrationPlan } from './hydration-plan.js';
import { warmedSteps } from './warmed-steps.js';
import { warmingOf } from './warming.js';

const HOUR = 60;

const BOTTLES =
  'Liquids boil over above half full. Bottles made for heat, lids loose, no cold glass into hot water.';
const DUST = 'Dust of straw, gypsum and vermiculite harms lungs: damp it, wear a mask.';

const soak = (usualHours: number, hint: string): HydrationPlan => ({
  step: 'soak',
  deed: 'Start soak',
  during: 'soaking',
  minutes: minutes(usualHours * HOUR, 12 * HOUR, 24 * HOUR),
  hint,
});
const SOAK = soak(
  14,
  'Rinse until clear, skim what floats, cover with two to three volumes of water. Over 24 h in a warm room it ferments.',
);
const simmer = (usual: number, least: number, most: number, hint: string): HydrationPlan => ({
  step: 'simmer',
  deed: 'Start simmer',
  during: 'simmering',
  minutes: minutes(usual, least, most),
  hint,
  caution: HOT,
});
const hotRest = (usual: number, least: number, most: number, hint: string): HydrationPlan => ({
  step: 'hotRest',
  deed: 'Hot water on',
  during: 'resting in hot water',
  minutes: minutes(usual, least, most),
  hint,
  caution: HOT,
});
const drain = (usual: number, least: number, most: number, hint: string): HydrationPlan => ({
  step: 'drain',
  deed: 'Drain',
  during: 'drying',
  minutes: minutes(usual, least, most),
  hint,
});
const DRY_ENOUGH: HydrationPlan = {
  step: 'dryEnough',
  deed: 'Dry enough',
  task: 'Let it dry',
  hint: 'A handful on tissue for 5 seconds: no wet spot, plump, few burst.',
};
const IN_JARS: HydrationPlan = {
  step: 'fill',
  deed: 'In the jars',
  task: 'Fill the jars',
  hint: 'Fill, wipe the rims, lids on.',
};
const SIEVE = 'Spread it in the sieve and let the steam dry it. Toss now and then.';

/** One way of hydrating grain: its steps, and why some choose it and what it costs. Common practice, no source. */
export interface School {
  readonly method: HydrationMethod;
  readonly words: string;
  readonly reason: string;
  readonly cost: string;
}

export const SCHOOLS: readonly School[] = [
  {
    method: 'soak-simmer',
    words: 'soak and simmer',
    reason: 'Wet to the middle and dry outside; the soak wakes spores, so that the cook kills them.',
    cost: 'Two sittings, half a day apart.',
  },
  {
    method: 'soak-gypsum-coffee',
    words: 'soak with gypsum and coffee',
    reason: 'Kernels stay apart, and it never quite boils, so few burst.',
    cost: 'Half a day, and a thermometer.',
  },
  {
    method: 'soak-hot-rest',
    words: 'soak, then hot water',
    reason: 'No flame to watch: hot water off the heat finishes what the soak began.',
    cost: 'A flat surface and half an hour to dry on.',
  },
  {
    method: 'simmer-only',
    words: 'simmer only',
    reason: 'Ready in an evening; a full cook kills spores that were not woken, say its friends.',
    cost: 'Husks burst sooner, so it wants watching and an hour on a towel.',
  },
  {
    method: 'hot-soak',
    words: 'hot soak',
    reason: 'One kettle and an hour, or a cold day or two.',
    cost: 'Less even: large kernels keep a dry core.',
  },
  {
    method: 'cold-soak',
    words: 'cold soak',
    reason: 'No heat at all.',
    cost: 'Much drier, about 40 to 44 %: slow to run, and to shake at once.',
  },
  {
    method: 'measured-jar',
    words: 'measured water in the jar',
    reason: 'No pot, no sieve: each jar gets its grain and its water.',
    cost: 'Drier on top, wetter below: shake after the cook, and cook longer.',
  },
];

const BULK_MIX: HydrationPlan = {
  step: 'mix',
  deed: 'Mixed',
  task: 'Mix it',
  during: 'taking up water',
  minutes: minutes(30, 15, 120),
  hint: 'What is thirsty and water first; when it has fallen apart, the supplement last and in stages.',
  caution: DUST,
};
const IN_BAGS: HydrationPlan = {
  step: 'fill',
  deed: 'In the bags',
  task: 'Fill the bags',
  hint: 'Squeeze hard: a few drops. Fill, wipe the neck, filter out of the wet, fold loosely.',
};
const IN_BOTTLES: HydrationPlan = {
  step: 'fill',
  deed: 'In the bottles',
  task: 'Fill the bottles',
  hint: 'Half full at most, lids loose or foil crimped loosely.',
  caution: BOTTLES,
};
const DISSOLVE: HydrationPlan = {
  step: 'dissolve',
  deed: 'Dissolve',
  during: 'coming to the boil',
  minutes: minutes(15, 5, 40),
  hint: 'Malt and sugar into warm water, stirring; agar at the boil, until no grain is seen. Undissolved, it pours thin on top and stiff below.',
  caution:
    'Powder into hot liquid makes it erupt: take the pot off the heat, sprinkle, stir at arm’s length.',
};

const STEPS: Readonly<Record<HydrationMethod, readonly HydrationPlan[]>> = {
  'soak-simmer': [
    SOAK,
    simmer(12, 10, 20, 'Change the water, bring it to a simmer, then press.'),
    drain(20, 10, 40, SIEVE),
    DRY_ENOUGH,
    IN_JARS,
  ],
  'soak-gypsum-coffee': [
    soak(12, 'Rinse first, skim what floats.'),
    simmer(15, 10, 25, 'In its own water, to just under the boil, 90 to 95 °C: no rolling boil.'),
    drain(35, 30, 40, SIEVE),
    DRY_ENOUGH,
    IN_JARS,
  ],
  'soak-hot-rest': [
    soak(14, SOAK.hint),
    hotRest(20, 15, 30, 'Drain, pour boiling water over it, lid on, off the heat.'),
    drain(30, 20, 45, 'On a flat surface, a hand deep at most, stirred once or twice.'),
    DRY_ENOUGH,
    IN_JARS,
  ],
  'simmer-only': [
    simmer(
      25,
      20,
      30,
      'Rinse, cover well, bring to a simmer, then press. Look for burst husks from minute 20.',
    ),
    drain(60, 40, 90, 'On a towel, one kernel deep.'),
    DRY_ENOUGH,
    IN_JARS,
  ],
  'hot-soak': [
    hotRest(60, 45, 90, 'Rinse, pour boiling water over it, lid on, off the heat.'),
    drain(10, 10, 20, 'Let it drip.'),
    DRY_ENOUGH,
    IN_JARS,
  ],
  'cold-soak': [
    soak(16, 'Rinse, cover with three volumes of cold water; change it once if the room is warm.'),
    drain(20, 15, 40, 'Drain well and toss.'),
    DRY_ENOUGH,
    IN_JARS,
  ],
  'measured-jar': [
    {
      step: 'fill',
      deed: 'In the jars',
      task: 'Fill the jars',
      hint: 'Rinse if it is dusty and drain dry. Grain, then the measured water into each jar; lids on. Shake when it has cooled.',
    },
  ],
  mix: [BULK_MIX, IN_BAGS],
  'soak-drain': [
    {
      step: 'soak',
      deed: 'Start soak',
      during: 'soaking',
      minutes: minutes(2 * HOUR, HOUR, 12 * HOUR),
      hint: 'Under water to the last stalk, weighed down.',
      caution: DUST,
    },
    drain(60, 30, 180, 'Heaped on a rack, until it drips no more than a drop now and then.'),
    IN_BAGS,
  ],
  dissolve: [DISSOLVE, IN_BOTTLES],
  extract: [
    {
      step: 'extract',
      deed: 'Start simmer',
      during: 'simmering',
      minutes: minutes(30, 10, 60),
      hint: 'Diced potato in the measured water, lid ajar. Then strain and measure what is left: all else is dosed on that.',
      caution: HOT,
    },
    {
      step: 'strain',
      deed: 'Strained',
      task: 'Strain it',
      hint: 'Measure it and say how much is left: the amounts follow.',
      caution: HOT,
    },
    DISSOLVE,
    IN_BOTTLES,
  ],
};

/** The steps of a method that is cooked afterwards. */
export function hydrationSteps(method: HydrationMethod): readonly HydrationPlan[] {
  return STEPS[method];
}

export interface HydrationProgress {
  readonly steps: readonly HydrationPlan[];
  /** What goes on now; absent before the first step. */
  readonly current?: HydrationPlan;
  /** The next deed; absent when all is done. */
  readonly following?: HydrationPlan;
  /** When what goes on now began, ms since 1970. */
  readonly sinceMs?: number;
  /** When the next deed is due, ms since 1970; absent where nothing is waited for. */
  readonly dueMs?: number;
}

/** What a handful of grain on tissue showed, and when. */
export interface TissueTest {
  readonly result: 'dry' | 'right' | 'wet';
  readonly atMs: number;
}

/** After a wet spot it steams on, and a dry core goes back into hot water, for so long until it is tested again. Common practice, no source. */
const AGAIN_MINUTES: Readonly<Record<'wet' | 'dry', number>> = { wet: 10, dry: 5 };
const AGAIN_DURING = {
  wet: 'drying on, after a wet spot',
  dry: 'heat for the dry core',
} as const;

/**
 * Where a batch stands between the sack and its vessels, by its last step and when that was done. A test of its drying that was
 * not clean opens the next span.
 */
export function hydrationProgress(
  steps: readonly HydrationPlan[],
  lastStep: HydrationStep | undefined,
  lastStepMs: number | undefined,
  test?: TissueTest,
): HydrationProgress {
  const index = steps.findIndex((s) => s.step === lastStep);
  const [current, following] = [steps[index], steps[index + 1]];
  const isDrying = current?.step === 'drain' || current?.step === 'dryEnough';
  if (test !== undefined && test.result !== 'right' && isDrying && test.atMs >= (lastStepMs ?? Infinity)) {
    const usual = AGAIN_MINUTES[test.result];
    const again = {
      ...current,
      during: AGAIN_DURING[test.result],
      minutes: { usual, least: usual, most: 2 * usual },
    };
    return { steps, current: again, following, sinceMs: test.atMs, dueMs: test.atMs + usual * MINUTE_MS };
  }
  const usual = current?.minutes?.usual;
  return {
    steps,
    current,
    following,
    sinceMs: lastStepMs,
    dueMs: usual === undefined || lastStepMs === undefined ? undefined : lastStepMs + usual * MINUTE_MS,
  };
}

const MEASURED_IN: ReadonlySet<HydrationMethod> = new Set(['measured-jar', 'mix', 'dissolve', 'extract']);

/** Whether the water is taken up from a soak; elsewhere it is measured and put in. */
export function takesUpWater(method: HydrationMethod): boolean {
  return !MEASURED_IN.has(method);
}

/** The words of a school, for names and sentences; undefined for methods that are no school of grain. */
export function schoolOf(method: HydrationMethod): School | undefined {
  return SCHOOLS.find((s) => s.method === method);
}

/** Where a medium goes at its last step; plates are cooked in bottles. */
const FILLED: Readonly<Record<VesselType['kind'], string>> = {
  jar: 'jars',
  bag: 'bags',
  bottle: 'bottles',
  dish: 'bottles',
  slant: 'tubes',
  syringe: 'syringes',
  tray: 'trays',
  tub: 'tubs',
  print: 'prints',
  mushroom: 'mushrooms',
};

/** The steps of a batch: how its formula is hydrated, how it is made safe, and what was planned otherwise than usual. */
export function stepsOf(batch: {
  readonly formula?: {
    readonly stage?: Stage;
    readonly hydration: HydrationMethod;
    readonly parts?: readonly { readonly material: Material; readonly inSoak?: true | undefined }[];
  };
  readonly plan?: Pick<BatchPlan, 'treatment' | 'stepMinutes' | 'leftOut'>;
  readonly vessel?: Pick<VesselType, 'kind'>;
  /** What was really weighed out, g by key of the material: what weighed nothing is told at no step. */
  readonly weighedOut?: ReadonlyMap<string, number>;
}): readonly HydrationPlan[] {
  const { formula, plan, vessel } = batch;
  const steps =
    formula === undefined
      ? []
      : plan?.treatment === 'pasteurize'
        ? warmedSteps(hydrationSteps(formula.hydration), warmingOf(formula.parts ?? []))
        : hydrationSteps(formula.hydration);
  return steps.map((plain) => {
    const step = formula?.stage === 'grain' ? tellAdditives(plain, batch) : plain;
    if (step.step === 'fill' && vessel !== undefined) {
      return { ...step, deed: `In the ${FILLED[vessel.kind]}`, task: `Fill the ${FILLED[vessel.kind]}` };
    }
    const usual = plan?.stepMinutes?.[step.step];
    return usual === undefined || step.minutes === undefined
      ? step
      : { ...step, minutes: { ...step.minutes, usual } };
  });
}
