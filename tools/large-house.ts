import {
  hollinRow,
  newId,
  seededRandom,
  writeArchive,
  type Entry,
  type EntryId,
  type Records,
} from '../core/index.js';

const NOW = Date.parse('2026-06-15T10:00:00.000Z');
const DAY_MS = 86_400_000;
/** A year of the busy household is so many rounds of what Hollin Row has on its shelves. */
const ROUND_DAYS = 17;

/** How a large house is large: very many looks at the same jars, or ever more batches that came and went. */
export type Shape = 'looks' | 'vessels';

/** A household of so many entries, the same at every call. */
export function largeHouse(entries: number, shape: Shape): Records {
  return shape === 'looks' ? manyLooks(entries) : manyRounds(entries);
}

function manyLooks(count: number): Records {
  const records = household();
  const random = seededRandom(5);
  const looks = records.entries.filter((e) => e.kind === 'inspected' && e.suspect === undefined);
  const more = Array.from({ length: Math.max(0, count - records.entries.length) }, (_, i): Entry => ({
    ...looks[i % looks.length]!,
    id: newId(NOW, random) as EntryId,
  }));
  return { ...records, entries: [...records.entries, ...more] };
}

/** The household again and again, each round earlier and cleared away at its end. */
function manyRounds(count: number): Records {
  const base = household();
  const rounds: Pick<Records, 'batches' | 'vessels' | 'cooks' | 'entries'>[] = [base];
  for (let n = 1, sum = base.entries.length; sum < count; n++) {
    const round = earlierRound(base, n);
    rounds.push(round);
    sum += round.entries.length;
  }
  // The oldest first, as they would have been written.
  rounds.reverse();
  return joined(base, rounds);
}

/** The household so often that many batches are under way at once, a few hours apart; with what it wants. */
export function runningHouse(rounds: number, nowMs: number): Records {
  const base = hollinRow(nowMs, nowMs - 10 * 3_600_000);
  const more = Array.from({ length: rounds - 1 }, (_, i) =>
    movedRound(base, i + 1, (i + 1) * RUNNING_APART_MS, nowMs),
  );
  return joined(base, [...more.reverse(), base]);
}
const RUNNING_APART_MS = 3_600_000;

function joined(base: Records, rounds: readonly Round[]): Records {
  return {
    ...base,
    batches: rounds.flatMap((r) => r.batches),
    vessels: rounds.flatMap((r) => r.vessels),
    cooks: rounds.flatMap((r) => r.cooks),
    entries: rounds.flatMap((r) => r.entries),
  };
}

function household(): Records {
  return hollinRow(NOW, NOW - 10 * 3_600_000);
}

type Round = Pick<Records, 'batches' | 'vessels' | 'cooks' | 'entries'>;

function earlierRound(base: Records, n: number): Round {
  const shiftMs = n * ROUND_DAYS * DAY_MS;
  const round = movedRound(base, n, shiftMs, NOW);
  const random = seededRandom(n);
  const endMs = NOW - shiftMs;
  const ends = round.batches.map((batch): Entry => ({
    id: newId(endMs, random) as EntryId,
    schemaVersion: 1,
    at: new Date(endMs).toISOString(),
    notedAt: new Date(endMs).toISOString(),
    kind: 'putAway',
    batchId: batch.id,
  }));
  return { ...round, entries: [...round.entries, ...ends] };
}

/** All of a household as it was so much earlier, under numbers of its own. */
function movedRound(base: Records, n: number, shiftMs: number, nowMs: number): Round {
  const random = seededRandom(1000 + n);
  const ids = new Map<string, string>();
  const own = [...base.batches, ...base.vessels, ...base.cooks, ...base.entries];
  own.forEach((row) => ids.set(row.id, newId(nowMs - shiftMs, random)));
  const moved = <R extends object>(row: R): R => {
    const text = JSON.stringify(row, (key, value: unknown) =>
      typeof value !== 'string'
        ? value
        : (ids.get(value) ??
          (/^\d{4}-\d\d-\d\dT.*Z$/.test(value) && key !== 'updatedAt'
            ? new Date(Date.parse(value) - shiftMs).toISOString()
            : value)),
    );
    return JSON.parse(text) as R;
  };
  const numbered = <R extends { number: number }>(row: R): R => ({
    ...moved(row),
    number: row.number + 100 * n,
  });
  return {
    batches: base.batches.map(numbered),
    vessels: base.vessels.map(moved),
    cooks: base.cooks.map(numbered),
    entries: base.entries.map((e): Entry => moved(e)),
  };
}

/** As a file of the made-up household. */
export function archiveOf(records: Records): Uint8Array {
  return writeArchive(records, { writtenAt: new Date(NOW).toISOString() });
}
