import type { CookPlan } from '../cook/programme.js';
import { stepsOf, takesUpWater } from '../formula/hydration.js';
import type { HydrationPlan } from '../formula/hydration-plan.js';
import { adviseTreatment } from '../formula/treatment.js';
import type { BatchView } from '../house/derive/house.js';
import { kitchenOf } from '../material/kitchen-of.js';
import type { FigureWords } from '../quantity/figure-words.js';
import { durationWords, formatNumber } from '../quantity/format.js';
import { isDissolved } from '../record/definitions.js';

/** One line to weigh, with its box to tick and room for what the scale showed. */
export interface SheetAmount {
  readonly what: string;
  readonly mass: string;
  readonly kitchen: string;
  readonly note: string;
}

export interface SheetStep {
  readonly deed: string;
  readonly time: string;
  readonly hint: string;
  readonly caution: string;
}

/** A page for the kitchen wall: amounts, steps with boxes, room for what was measured, cautions. Plain text only. */
export interface BatchSheet {
  readonly code: string;
  readonly title: string;
  readonly made: string;
  readonly facts: readonly { readonly what: string; readonly value: string }[];
  readonly amounts: readonly SheetAmount[];
  readonly steps: readonly SheetStep[];
  /** What to write down by hand while working. */
  readonly measure: readonly string[];
  readonly cautions: readonly string[];
}

/**
 * @param options.cook the cook that is planned for it; absent when it is pasteurized or no cooker leads
 * @param options.formatDate turns an ISO instant into a local date
 */
export function batchSheet(
  view: BatchView,
  options: {
    readonly cook?: Pick<CookPlan, 'holdMinutes' | 'chamberC' | 'ventMinutes' | 'water'>;
    readonly pressure?: string;
    readonly words: FigureWords;
    /** Of the scale, behind the point of a gram. */
    readonly decimals: number;
    /** A shipped sentence in the degrees that this household reads. */
    readonly sentence: (words: string) => string;
    readonly formatDate: (iso: string) => string;
  },
): BatchSheet {
  const { batch } = view;
  const { plan, formula } = batch;
  if (plan === undefined || formula === undefined) {
    return {
      code: view.code,
      title: batch.vessel.name,
      made: options.formatDate(batch.madeAt),
      facts: [],
      amounts: [],
      steps: [],
      measure: [],
      cautions: [],
    };
  }
  const { words } = options;
  const partOf = new Map(formula.parts.map((p) => [p.material.id, p]));
  const steps = stepsOf({ ...batch, weighedOut: view.weighedOut });
  const isCooked = plan.treatment !== 'pasteurize';
  return {
    code: view.code,
    title: formula.name,
    made: options.formatDate(batch.madeAt),
    facts: facts(view, words),
    amounts: [
      ...plan.parts.map((part) => {
        const { material, note = '' } = partOf.get(part.materialId) ?? {};
        return {
          what: part.name,
          mass: words.mass(part.massG, options.decimals),
          kitchen: kitchenOf(material, part.massG),
          note,
        };
      }),
      {
        what: takesUpWater(formula.hydration) ? 'Water taken up' : 'Water',
        mass: words.mass(plan.waterG, options.decimals),
        kitchen: words.volume(plan.waterG),
        note:
          formula.hydration === 'extract' && plan.volumeMl !== undefined
            ? `to begin with; about ${words.volume(plan.volumeMl)} are left`
            : '',
      },
    ],
    steps: [
      ...steps.map((s) => ({
        deed: options.sentence(s.deed),
        time: s.minutes === undefined ? '' : durationWords(s.minutes.usual),
        hint: options.sentence(s.hint),
        caution: s.caution ?? '',
      })),
      ...(isCooked && options.cook ? [cookStep(options.cook, options.pressure ?? '', words)] : []),
    ],
    measure: measureLines(view, steps, isCooked, words),
    cautions: cautions(view, steps, isCooked),
  };
}

function facts({ batch, vessels }: BatchView, words: FigureWords): BatchSheet['facts'] {
  const { plan, formula } = batch;
  if (plan === undefined || formula === undefined) {
    return [];
  }
  const each =
    plan.vesselMl === undefined
      ? words.mass(plan.vesselWetG)
      : words.volume(plan.vesselMl, plan.vesselMl < 50 ? 1 : 0);
  const advice = adviseTreatment(
    formula.stage,
    formula.parts.map((p) => ({ material: p.material, massG: p.share })),
  );
  return [
    {
      what: 'Vessels',
      value: `${vessels.length} × ${vessels.length === 1 ? batch.vessel.name : batch.vessel.plural}, ${each} each`,
    },
    ...(plan.cookedIn
      ? [
          {
            what: 'Cooked in',
            value: `${plan.cookedIn.count} × ${plan.cookedIn.vessel.name}, ${words.volume(plan.cookedIn.eachMl)} each`,
          },
        ]
      : []),
    ...(plan.volumeMl === undefined
      ? [{ what: 'Moisture', value: `${formatNumber(plan.targetMoisture * 100, 1)} %, wet basis` }]
      : [{ what: 'In all', value: words.volume(plan.volumeMl) }]),
    { what: 'To spare', value: `${formatNumber(plan.spare * 100)} %` },
    {
      what: (plan.treatment ?? advice.treatment) === 'sterilize' ? 'Sterilize' : 'Pasteurize',
      value: advice.reason,
    },
  ];
}

function cookStep(
  cook: Pick<CookPlan, 'holdMinutes' | 'chamberC' | 'ventMinutes' | 'water'>,
  pressure: string,
  words: FigureWords,
): SheetStep {
  return {
    deed: 'Cook',
    time: `${cook.holdMinutes} min`,
    hint: `${words.water(cook.water.startMl)} of water; ${cook.ventMinutes} min of full steam, then ${cook.holdMinutes} min at ${pressure} (${words.temperature(cook.chamberC, 1)} here). The clock starts at pressure.`,
    caution: 'As the manual of the cooker says; never above its rating, never quick release.',
  };
}

function measureLines(
  { batch }: BatchView,
  steps: readonly HydrationPlan[],
  isCooked: boolean,
  words: FigureWords,
): readonly string[] {
  const hydration = batch.formula?.hydration;
  const isSoaked = hydration !== undefined && takesUpWater(hydration);
  return [
    ...(batch.formula?.basis === 'perLiter' ? [`Left after boiling, ${words.volumeSign}`, 'pH'] : []),
    ...(batch.stage === 'grain' && isSoaked ? ['Tissue test'] : []),
    ...(isSoaked ? [`All of it, drained, ${words.massSign}`] : []),
    ...(batch.stage === 'bulk' ? ['Squeeze test', `Added afterwards, ${words.massSign}`] : []),
    ...(isCooked
      ? ['At pressure, time', 'Heat off, time']
      : [
          ...(steps.some((s) => s.step === 'pasteurize') ? [`Middle at ${words.temperature(65)}, time`] : []),
          'Cool, time',
        ]),
    'Notes',
  ];
}

function cautions(
  { batch }: BatchView,
  steps: readonly HydrationPlan[],
  isCooked: boolean,
): readonly string[] {
  return [
    ...new Set([
      ...steps.flatMap((s) => s.caution ?? []),
      ...(isCooked
        ? [
            'Pressure: vent clear, never dry, never above the rating; let it fall by itself, open away from the face.',
          ]
        : []),
      ...(isDissolved(batch.stage)
        ? ['Superheated liquid erupts: wait 10 min after the pressure is gone, then move it gently.']
        : []),
      'Media are not food: never taste them. Local rules and the appliance’s manual come first.',
    ]),
  ];
}
