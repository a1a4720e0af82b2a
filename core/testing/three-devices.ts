import {
  buildHouse,
  emptyRecords,
  hollinRow,
  mergeArchives,
  newId,
  parseArchive,
  seededRandom,
  writeArchive,
  type DeviceId,
  type Entry,
  type EntryId,
  type House,
  type Random,
  type Records,
} from '../index.js';
import type { Said } from '../record/entry.js';
import { DAY_MS, MINUTE_MS, START_MS } from './sample-house.js';

const NOW = START_MS + 200 * DAY_MS;
const DEVICES = 3;
const PRESSES = 40;
const WRITTEN = { writtenAt: new Date(NOW).toISOString() };

/**
 * Lets three devices note, strike, re-time and revalue at random, and now and then bring in what another has; then joins
 * them in two orders. Both must be one house, with every row that any of them wrote.
 */
export function devicesRun(count: number, firstSeed: number): { readonly broken: readonly string[] } {
  const base = smallHouse();
  const broken: string[] = [];
  for (let seed = firstSeed; seed < firstSeed + count; seed++) {
    const problem = oneRun(base, seededRandom(seed));
    if (problem !== undefined) {
      broken.push(`seed ${seed}: ${problem}`);
    }
  }
  return { broken };
}

/** A few batches of the made-up household, so that thousands of runs take minutes. */
function smallHouse(): Records {
  const demo = hollinRow(NOW, NOW);
  const batches = demo.batches.slice(0, 6);
  const ids = new Set(batches.map((b): string => b.id));
  const vessels = demo.vessels.filter((v) => ids.has(v.batchId));
  const known = new Set(vessels.map((v): string => v.id));
  const entries = demo.entries.filter(
    (e) =>
      ('batchId' in e && ids.has(e.batchId)) ||
      ('vesselIds' in e && e.vesselIds.every((id) => known.has(id))),
  );
  return { ...emptyRecords(), household: demo.household, isolates: demo.isolates, batches, vessels, entries };
}

function oneRun(base: Records, random: Random): string | undefined {
  const houses: Records[] = Array.from({ length: DEVICES }, () => base);
  const written = new Set<string>(base.entries.map((e) => e.id));
  for (let n = 0; n < PRESSES; n++) {
    const who = Math.floor(random() * DEVICES);
    const house = houses[who]!;
    if (random() < 0.1) {
      // Through a file, as people do it.
      const other = houses[Math.floor(random() * DEVICES)]!;
      houses[who] = mergeArchives(house, parseArchive(writeArchive(other, WRITTEN)).records).records;
      continue;
    }
    const entry = anyEntry(house, n, who, random);
    written.add(entry.id);
    houses[who] = { ...house, entries: [...house.entries, entry] };
  }
  const [a, b, c] = houses as [Records, Records, Records];
  const forward = mergeArchives(mergeArchives(a, b).records, c).records;
  const backward = mergeArchives(c, mergeArchives(b, a).records).records;
  if (JSON.stringify(seen(buildHouse(forward))) !== JSON.stringify(seen(buildHouse(backward)))) {
    return 'two orders give two houses';
  }
  const kept = new Set<string>(forward.entries.map((e) => e.id));
  return [...written].every((id) => kept.has(id)) ? undefined : 'an entry was lost';
}

/** Any press, correction or put-away, of any entry or vessel of a house. */
export function anyEntry(house: Records, n: number, who: number, random: Random): Entry {
  const pick = <T>(all: readonly T[]): T => all[Math.floor(random() * all.length)]!;
  const target = pick(house.entries).id;
  const vesselIds = [pick(house.vessels).id];
  const saids: readonly Said[] = [
    { kind: 'inspected', vesselIds, fraction: random() },
    { kind: 'takenBack', entryId: target },
    { kind: 'takenBack', entryId: target, undo: true },
    { kind: 'putBack', entryId: target },
    { kind: 'retimed', entryId: target, actualAt: new Date(NOW - random() * 100 * DAY_MS).toISOString() },
    {
      kind: 'revalued',
      entryId: target,
      fields: { fraction: Math.round(random() * 100) / 100, note: `n ${n}` },
    },
    { kind: 'discarded', vesselIds, reason: 'cracked' },
    { kind: 'putAway', batchId: pick(house.batches).id },
  ];
  // Clocks of devices differ, and two presses may share a moment.
  const ms = NOW + (n - (n % 3)) * MINUTE_MS + (who - 1) * 5 * MINUTE_MS;
  const at = new Date(ms).toISOString();
  return {
    at,
    ...pick(saids),
    id: newId(ms, random) as EntryId,
    schemaVersion: 1,
    notedAt: at,
    device: newId(who, seededRandom(who)) as DeviceId,
  };
}

/** What a person would see of a house. */
function seen(house: House): unknown {
  return [
    house.batches.map((b) => [b.code, b.putAwayAt, b.vessels.map((v) => [v.code, v.state, v.remaining])]),
    house.facts.map((f) => f.id),
    house.troubles,
  ];
}
