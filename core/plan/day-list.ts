import { MINUTE_MS } from '../base/time.js';
import { compareText } from '../record/order.js';
import { afterMove } from '../schedule/by-hand.js';
import { partSlots, type Slot } from '../schedule/task.js';
import type { PlaceName } from './due.js';
import type { StepInPlan, SupperDrafts, SupperPlan, SuppersPlan } from './plan-suppers.js';
import { handMinutesOf } from './plan-sums.js';
import type { StepKind } from './steps-of-supper.js';
import { HANDS_OF } from './work-times.js';

/** What somebody does meanwhile: hands are at it, it is watched, or it goes on by itself. */
export type Attention = 'hands' | 'watched' | 'alone';

/** A stretch of a step, and what of one it takes. */
export interface Stretch extends Slot {
  readonly attention: Attention;
}

/** A step of a day, at its place. */
export interface StepOfDay {
  readonly step: StepInPlan;
  readonly plan: SupperPlan;
  readonly place: PlaceName;
  readonly stretches: readonly Stretch[];
}

/** All steps of a day, and when hands are free between them. */
export interface DayList {
  /** In order of time. */
  readonly steps: readonly StepOfDay[];
  /** Between the first and the last work of hands. */
  readonly gaps: readonly Slot[];
}

const PLACE_OF: Readonly<Record<StepKind, PlaceName>> = {
  getCulture: 'desk',
  soak: 'stove',
  mixBroth: 'stove',
  cookBroth: 'stove',
  fillGrain: 'stove',
  cookGrain: 'stove',
  mixBlocks: 'stove',
  cookBlocks: 'stove',
  pasteurizeBlocks: 'stove',
  sowBroth: 'box',
  sowGrain: 'box',
  spawnBlocks: 'box',
  open: 'tent',
  cut: 'tent',
};
/** What is shorter is no gap. Our choice. */
const LEAST_GAP_MS = 10 * MINUTE_MS;

/** What plans ask for from one moment to another; steps that share a cook are one. */
export function dayList(plans: readonly SupperPlan[], fromMs: number, toMs: number): DayList {
  const steps = plans
    .flatMap((plan) => plan.steps.map((step) => ({ plan, step })))
    .filter(({ step }) => step.with === undefined && step.slot.startMs < toMs && step.slot.endMs > fromMs)
    .map(({ plan, step }) => ({ step, plan, place: PLACE_OF[step.kind], stretches: stretchesOf(step) }))
    .sort((a, b) => a.step.slot.startMs - b.step.slot.startMs || compareText(a.step.key, b.step.key));
  return { steps, gaps: gapsIn(steps, fromMs, toMs) };
}

function stretchesOf({ task, slot }: StepInPlan): readonly Stretch[] {
  return partSlots(task, slot.startMs).map(({ part, startMs, endMs }) => ({
    startMs,
    endMs,
    attention: part.uses.some((u) => u.of === HANDS_OF)
      ? 'hands'
      : part.within === undefined
        ? 'alone'
        : 'watched',
  }));
}

function gapsIn(steps: readonly StepOfDay[], fromMs: number, toMs: number): readonly Slot[] {
  const work = steps
    .flatMap((s) => s.stretches.filter((t) => t.attention === 'hands'))
    .filter((t) => t.startMs < toMs && t.endMs > fromMs)
    .sort((a, b) => a.startMs - b.startMs);
  let untilMs = work[0]?.endMs ?? toMs;
  const gaps: Slot[] = [];
  for (const { startMs, endMs } of work) {
    if (startMs - untilMs >= LEAST_GAP_MS) {
      gaps.push({ startMs: untilMs, endMs: startMs });
    }
    untilMs = Math.max(untilMs, endMs);
  }
  return gaps;
}

/** A step that could be begun at once. */
export interface DoableNow {
  readonly step: StepInPlan;
  readonly plan: SupperPlan;
  /** For so long hands are at it. */
  readonly handMinutes: number;
}

/**
 * Steps that could be done right now by somebody who has so many minutes: all that they wait for is there, and nothing is
 * broken or later for it. What is wanted first comes first.
 */
export function doableNow(
  made: SuppersPlan & { readonly drafts: Pick<SupperDrafts, 'tasks'> },
  minutes: number,
): readonly DoableNow[] {
  const { suppers, schedule, limits, drafts } = made;
  const untilMs = limits.nowMs + minutes * MINUTE_MS;
  // Whoever asks has time now, whatever the week says.
  const now = { startMs: limits.nowMs, endMs: untilMs, date: '', isDayOff: false };
  const withNow = (spans: typeof limits.spans.free) => [now, ...spans.filter((s) => s.startMs >= untilMs)];
  const asked = {
    ...limits,
    spans: { free: withNow(limits.spans.free), awake: withAwake(now, limits.spans.awake) },
  };
  return suppers.flatMap((plan) =>
    plan.steps.flatMap((step): DoableNow[] => {
      const handMinutes = handMinutesOf(step);
      const waits = step.task.after.length > 0 || step.with !== undefined;
      if (waits || handMinutes > minutes || (step.task.fromMs ?? 0) > limits.nowMs) {
        return [];
      }
      const after = afterMove(drafts.tasks, asked, schedule, step.key, limits.nowMs);
      const isNow = after?.schedule.slots.get(step.key)?.startMs;
      const isFine =
        after !== undefined &&
        isNow !== undefined &&
        isNow < untilMs &&
        after.schedule.broken.length <= schedule.broken.length &&
        [...after.schedule.lateMs].every(([goal, ms]) => ms <= (schedule.lateMs.get(goal) ?? 0));
      return isFine ? [{ step, plan, handMinutes }] : [];
    }),
  );
}

/** A cooker that is begun now is watched as long as it takes: somebody is there who asks. */
function withAwake(
  now: {
    readonly startMs: number;
    readonly endMs: number;
    readonly date: string;
    readonly isDayOff: boolean;
  },
  spans: SuppersPlan['limits']['spans']['awake'],
) {
  const touching = spans.find((s) => s.startMs <= now.endMs && s.endMs >= now.endMs);
  const span = { ...now, endMs: Math.max(now.endMs, touching?.endMs ?? 0) };
  return [span, ...spans.filter((s) => s.startMs >= span.endMs)];
}
