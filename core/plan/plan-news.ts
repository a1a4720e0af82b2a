import { DAY_MS } from '../base/time.js';
import { unlessRefused } from '../base/errors.js';
import { seededRandom } from '../record/new-id.js';
import type { AgreedPlan, AgreedStep } from '../record/wish.js';
import type { House, VesselView } from '../house/derive/house.js';
import { alignedSteps } from './agreed.js';
import { blocksOf, likelyGramsOf, type BlocksOpened } from './openings.js';
import { SEED, openingsWishOf, type StepInPlan, type SupperPlan } from './plan-suppers.js';
import { readyByMs } from './what-is-there.js';

/** Why a plan is another than the one that was agreed to. */
export type NewsCause =
  /** It is not there any more, or in doubt. */
  | { readonly kind: 'lost'; readonly view: VesselView }
  /** It is likely ready so many days later than it was to be. */
  | { readonly kind: 'slow'; readonly view: VesselView; readonly days: number }
  /** A cooker cannot be used for some time. */
  | { readonly kind: 'out'; readonly name: string; readonly untilMs: number }
  /** It was to be done by now. */
  | { readonly kind: 'missed'; readonly step: AgreedStep };

/** What is to be done that was not agreed to, on another day, or in another cooker. */
export interface NewsEffect {
  readonly kind: 'more' | 'moved' | 'elsewhere';
  readonly step: StepInPlan;
}

/** What has changed of a plan since it was agreed to, as far as it matters. */
export interface PlanNews {
  readonly plan: SupperPlan;
  readonly causes: readonly NewsCause[];
  /** In order of time. */
  readonly effects: readonly NewsEffect[];
  /** Infinite where no time was found. */
  readonly lateDaysBefore: number;
  /** What is likely there in time without any new block, g; only where it is later than was agreed and some would be there. */
  readonly inTimeG?: number;
}

/** A step that moves by less is the same evening or the next that is as good. Our choice. */
const MOVED_MS = 0.75 * DAY_MS;

/** @returns undefined where nothing changed that matters */
export function newsOf(
  agreed: AgreedPlan,
  plan: SupperPlan,
  house: House,
  nowMs: number,
): PlanNews | undefined {
  const lost = lostOf(agreed, house);
  const aligned = alignedSteps(agreed, plan);
  const missed: AgreedStep[] = [];
  const effects = plan.steps.flatMap((step): NewsEffect[] => {
    const was = aligned.get(step);
    if (was === undefined) {
      return [{ kind: 'more', step }];
    }
    const wasMs = Date.parse(was.at);
    if (step.count > was.count) {
      return [{ kind: 'more', step }];
    }
    if (Math.abs(step.slot.startMs - wasMs) < MOVED_MS) {
      const isElsewhere = was.applianceId !== undefined && was.applianceId !== step.load?.appliance.id;
      return isElsewhere ? [{ kind: 'elsewhere', step }] : [];
    }
    // What was done, and must be done once more, is work that nobody agreed to.
    const isDone = wasMs < nowMs && (step.count < was.count || lost.length > 0);
    if (!isDone && wasMs < nowMs) {
      missed.push(was);
    }
    return [{ kind: isDone ? 'more' : 'moved', step }];
  });
  const lateDaysBefore = agreed.lateDays ?? Infinity;
  if (effects.length === 0 && plan.lateDays === lateDaysBefore) {
    return undefined;
  }
  const inTimeG = plan.lateDays > lateDaysBefore ? inTimeGramsOf(plan, house) : 0;
  return {
    plan,
    causes: [
      ...lost.map((view) => ({ kind: 'lost', view }) as const),
      ...slowOf(agreed, house),
      ...outOf(agreed, plan, house, nowMs),
      ...missed.map((step) => ({ kind: 'missed', step }) as const),
    ],
    effects,
    lateDaysBefore,
    ...(inTimeG > 0 && { inTimeG }),
  };
}

function countedOf({ counted }: AgreedPlan, house: House) {
  return counted.flatMap(({ vesselId, readyAt }) => {
    const view = house.vesselById.get(vesselId);
    return view === undefined ? [] : [{ view, readyMs: readyAt === undefined ? 0 : Date.parse(readyAt) }];
  });
}

/** What left for such a reason has done what it was for. */
const DONE: ReadonlySet<string | undefined> = new Set(['putAway', 'spent', 'repotted']);

function lostOf(agreed: AgreedPlan, house: House): readonly VesselView[] {
  return countedOf(agreed, house)
    .map(({ view }) => view)
    .filter(({ state }) =>
      state.phase === 'gone' ? !DONE.has(state.goneBecause) : state.suspect !== undefined,
    );
}

function slowOf(agreed: AgreedPlan, house: House): readonly NewsCause[] {
  return countedOf(agreed, house).flatMap(({ view, readyMs }): NewsCause[] => {
    const isRunning = view.state.phase === 'running' && view.state.suspect === undefined;
    const days = isRunning && readyMs > 0 ? Math.round((readyByMs(view, house) - readyMs) / DAY_MS) : 0;
    return days >= 1 ? [{ kind: 'slow', view, days }] : [];
  });
}

function outOf(
  agreed: AgreedPlan,
  { steps, supper }: SupperPlan,
  { records }: House,
  nowMs: number,
): readonly NewsCause[] {
  // What cannot wait for it is cooked in another.
  const used = new Set([
    ...steps.flatMap((s) => (s.load === undefined ? [] : [s.load.appliance.id])),
    ...(supper.notIn ?? []),
    ...agreed.steps.flatMap((s) => s.applianceId ?? []),
  ]);
  return records.appliances.flatMap(({ id, name, outOfOrder }): NewsCause[] => {
    const untilMs = Date.parse(outOfOrder?.until ?? '');
    return used.has(id) && untilMs > nowMs ? [{ kind: 'out', name, untilMs }] : [];
  });
}

/** So much is likely there in time, of the blocks alone that run already. */
function inTimeGramsOf(plan: SupperPlan, house: House): number {
  const blocks = new Set(
    plan.steps
      .filter((s) => s.kind === 'open')
      .flatMap((s) => s.from.filter((f) => f.view.batch.stage === 'bulk').map((f) => f.view.vessel.id)),
  );
  const all = blocksOf(plan.openings);
  let left = blocks.size;
  // As many of each opening as there are, the first ones first.
  const openings: readonly BlocksOpened[] = plan.openings.openings.map((o, i, { length }) => {
    const share = Math.min(o.blocks, Math.ceil((blocks.size * o.blocks) / all), left);
    left -= i === length - 1 ? 0 : share;
    return { ...o, blocks: i === length - 1 ? Math.min(o.blocks, left) : share };
  });
  return blocks.size === 0
    ? 0
    : unlessRefused(() => likelyGramsOf(openingsWishOf(plan.supper, house), openings, seededRandom(SEED)), 0);
}
