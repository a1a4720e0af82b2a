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

function earlierRound(base: Records, n: number): Pick<Records, 'batches' | 'vessels' | 'cooks' | 'entries'> {
  const random = seededRandom(1000 + n);
  const shiftMs = n * ROUND_DAYS * DAY_MS;
  const ids = new Map<string, string>();
  const own = [...base.batches, ...base.vessels, ...base.cooks, ...base.entries];
  own.forEach((row) => ids.set(row.id, newId(NOW - shiftMs, random)));
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
  const batches = base.batches.map(numbered);
  const endMs = NOW - shiftMs;
  const ends = batches.map((batch): Entry => ({
    id: newId(endMs, random) as EntryId,
    schemaVersion: 1,
    at: new Date(endMs).toISOString(),
    notedAt: new Date(endMs).toISOString(),
    kind: 'putAway',
    batchId: batch.id,
  }));
  return {
    batches,
    vessels: base.vessels.map(moved),
    cooks: base.cooks.map(numbered),
    entries: [...base.entries.map((e): Entry => moved(e)), ...ends],
  };
}

/** As a file of the made-up household. */
export function archiveOf(records: Records): Uint8Array {
  return writeArchive(records, { writtenAt: new Date(NOW).toISOString() });
}
