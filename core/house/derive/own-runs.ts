import { isForetold, marksByClock, priorFor } from './forecast.js';
import { checkedPrior, type ColonizationPrior } from '../../growth/forecast.js';
import { narrowed, ownRunOf, type OwnRun } from '../../growth/own-runs.js';
import type { Species } from '../../record/definitions.js';
import { FULL } from '../../growth/curve.js';
import type { BatchId } from '../../record/ids.js';
import { compareText } from '../../record/order.js';
import type { BatchView, House } from './house.js';
import type { HouseRun, RunsOfKind } from './runs-of-kind.js';
import type { Warmth } from './warmth.js';

/** More of them are as good as no more, and the oldest may be of another house. Our choice. */
const MOST_RUNS = 8;

/** What a new batch of a species is likely to take in this house, days: what is usual, leaned on its last runs. */
export function runDaysHere(
  { workings }: Pick<House, 'workings'>,
  species: Species,
  stage: 'grain' | 'bulk',
): ColonizationPrior {
  const runs = workings.runs.get(`${species.id} ${stage}`) ?? [];
  return narrowed(checkedPrior(priorFor({ stage }, species)), runs.slice(-MOST_RUNS));
}

/** Species and stage of what can be foretold; runs of one kind tell of each other. */
export function kindOfRun({ batch, species }: Pick<BatchView, 'batch' | 'species'>): string | undefined {
  return species === undefined || !isForetold(batch) ? undefined : `${species.id} ${batch.stage}`;
}

/** The last runs of its kind that were begun before it. */
export function runsBefore(
  view: Pick<BatchView, 'batch' | 'species' | 'inoculatedAtMs'>,
  runs: RunsOfKind,
): readonly HouseRun[] {
  const [kind, startMs] = [kindOfRun(view), view.inoculatedAtMs];
  return kind === undefined || startMs === undefined
    ? []
    : (runs.get(kind) ?? []).filter((r) => r.startMs < startMs).slice(-MOST_RUNS);
}

/** Runs with some batches told anew; the very same where they say no more. @param batches told anew, as they are now */
export function runsWith(
  before: RunsOfKind,
  batches: ReadonlyMap<BatchId, BatchView | undefined>,
  warmth: Warmth,
): RunsOfKind {
  const told = new Map<string, HouseRun[]>();
  for (const [batchId, view] of batches) {
    const kind = view && kindOfRun(view);
    const run = view && kind !== undefined ? runOf(view, warmth) : undefined;
    if (kind !== undefined && run !== undefined && view?.inoculatedAtMs !== undefined) {
      const list = told.get(kind) ?? [];
      list.push({ ...run, batchId, startMs: view.inoculatedAtMs });
      told.set(kind, list);
    }
  }
  const had = [...before].filter(([, runs]) => runs.some((r) => batches.has(r.batchId)));
  if (told.size === 0 && had.length === 0) {
    return before;
  }
  const after = new Map(before);
  let isNews = false;
  for (const kind of new Set([...told.keys(), ...had.map(([k]) => k)])) {
    const list = before.get(kind) ?? [];
    const now = [...list.filter((r) => !batches.has(r.batchId)), ...(told.get(kind) ?? [])].sort(
      (a, b) => a.startMs - b.startMs || compareText(a.batchId, b.batchId),
    );
    isNews ||= !sameRuns(list, now);
    after.set(kind, now);
  }
  return isNews ? after : before;
}

/** Whether the same runs say the same. */
export function sameRuns(a: readonly HouseRun[], b: readonly HouseRun[]): boolean {
  return (
    a.length === b.length &&
    a.every(
      (run, i) =>
        run.batchId === b[i]!.batchId &&
        run.startMs === b[i]!.startMs &&
        run.lnFull === b[i]!.lnFull &&
        run.variance === b[i]!.variance,
    )
  );
}

function runOf({ vessels }: BatchView, warmth: Warmth): OwnRun | undefined {
  return ownRunOf(
    vessels
      // Of most vessels nothing is told yet: they need no clock.
      .filter(({ state }) => state.repotted === undefined && state.marks.some((m) => m.fraction >= FULL))
      .map((v) => marksByClock(v, warmth).marks),
  );
}
