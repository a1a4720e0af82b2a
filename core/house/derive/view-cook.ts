import { cookState, takenSteps } from '../../cook/cook-state.js';
import { coolAfterReading, coolingLoadOf, coreCooling } from '../../cook/core-cooling.js';
import type { CookFacts } from '../../cook/cook-heat.js';
import { kindsInCook } from '../../cook/kinds-in-cook.js';
import { cookVerdict } from '../../cook/verdict.js';
import type { Batch, Cook } from '../../record/batch.js';
import type { Fact, FactOf } from '../../record/effective.js';
import type { VesselId } from '../../record/ids.js';
import type { Log } from '../../record/readings.js';
import { probedF0 } from '../../readings/log-of.js';
import type { CookLog } from '../../readings/measured.js';
import type { CookView } from './house.js';
import type { Attempt } from './attempt.js';
import { lastOf } from './last-of.js';
import { MINUTE_MS } from '../../base/time.js';

/** What a cook is seen from. */
interface RowsOfCook {
  readonly cook: Cook;
  readonly name: string;
  /** In the order of happening. */
  readonly facts: readonly Fact[];
  readonly logs: readonly Log[];
}

/** A cook with what happened in it; undefined for one that was never loaded. */
export function viewCook(
  { cook, name, facts, logs: logRows }: RowsOfCook,
  batchOf: (id: VesselId) => Batch | undefined,
  attempt: Attempt,
): CookView | undefined {
  const loaded = lastOf(facts, 'cookLoaded');
  if (loaded === undefined) {
    return undefined;
  }
  const { vesselIds, layers = 1, between = 'apart', beside = [] } = loaded;
  const taken = takenSteps(facts.filter((f) => f.kind === 'cookStep'));
  const steps = taken.map((t) => t.fact);
  const logs = logsThatCount(logRows, facts);
  const coreReads = facts.filter((f) => f.kind === 'coreRead');
  const proofs = facts.filter((f) => f.kind === 'proofRead');
  const state = cookState(steps);
  const vessels = vesselIds.flatMap((id) => {
    const batch = batchOf(id);
    return batch === undefined ? [] : [{ id, batch }];
  });
  const kinds = kindsInCook(vessels, { layers, between });
  const contents = kinds[0]?.contents;
  const lastCoreRead = coreReads[coreReads.length - 1];
  const probed = attempt('probeHeat', () => probedF0(logs));
  return {
    cook,
    name,
    notes: facts.filter((f) => f.kind === 'cookNoted'),
    steps,
    state,
    logs,
    coreReads,
    proofs,
    contents,
    verdict: cookVerdict(state, cook, { proofs: proofs.map((p) => p.proof), probedF0: probed }),
    vesselIds,
    batches: [...new Set(vessels.map((v) => v.batch.id))],
    kinds,
    beside,
    lastCoreRead,
    ...attempt('cooling', () => coolAt({ cook, state, contents }, lastCoreRead)),
    waterLeftMl: lastOf(facts, 'waterLeft')?.leftMl,
    fuelUsed: lastOf(facts, 'fuelUsed'),
    pouredMs: msOf(lastOf(facts, 'poured')),
    probedF0: probed,
    logRows,
  };
}

/** What instruments read and what was typed. A log that an earlier version kept as an entry counts once. */
function logsThatCount(rows: readonly Log[], facts: readonly Fact[]): CookLog[] {
  const ids = new Set<string>(rows.map((r) => r.id));
  const typed = facts.flatMap((f): CookLog[] =>
    f.kind !== 'logged' || ids.has(f.id)
      ? []
      : [
          {
            ...f,
            seconds: f.readings.map(([second]) => second),
            values: f.readings.map(([, value]) => value),
            count: f.readings.length,
          },
        ],
  );
  return [...rows.filter((r) => r.leftOut !== true), ...typed];
}

/** When the middle is below 30 °C: from when perhaps, and by when at the latest; a reading of the glass corrects both. */
function coolAt(
  cooling: Pick<CookFacts, 'cook' | 'state' | 'contents'>,
  read: FactOf<'coreRead'> | undefined,
): Pick<CookView, 'coreCoolMs' | 'coreCoolFromMs'> {
  const { heatOffMs } = cooling.state;
  if (heatOffMs === undefined) {
    return {};
  }
  const load = coolingLoadOf(cooling);
  if (read !== undefined) {
    const coolMs = Date.parse(read.at) + coolAfterReading(load, read.celsius) * MINUTE_MS;
    return { coreCoolMs: coolMs, coreCoolFromMs: coolMs };
  }
  const { low, high } = coreCooling(load).minutes;
  return { coreCoolMs: heatOffMs + high * MINUTE_MS, coreCoolFromMs: heatOffMs + low * MINUTE_MS };
}

function msOf(fact: Fact | undefined): number | undefined {
  return fact && Date.parse(fact.at);
}
