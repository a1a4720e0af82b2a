import type { House, LiveRecords, NewRows, UnreadRow } from '../../../core/index';
import { firstIssue } from '../../../core/exchange/archive/read-archive';
import { EMPTY_HOUSE } from '../../../core/house/derive/build-house';
import { HouseInMaking } from '../../../core/house/derive/house-in-making';
import { withRows } from '../../../core/house/derive/with-rows';
import { olderRow } from '../../../core/record/older-rows';
import { readRow } from '../../../core/record/tables';
import type { HouseDb, LiveTable } from './house-db';
import { readAll, readSince, readStanding, type Front, type RawRows, type Standing } from './reads';

/** The house of one moment. */
export interface ReadyHouse extends Standing {
  readonly kind: 'ready';
  readonly house: House;
  /** All of it was read. Before that it holds only what is in hand. */
  readonly isWhole: boolean;
  /** Rows that no schema reads: left out, never shown half, kept as they are. */
  readonly unread: readonly UnreadRow[];
}

/** Rows that a schema reads, and the others by table and id. */
interface Parsed {
  readonly rows: NewRows;
  readonly unread: readonly UnreadRow[];
}

export function parseRows(raw: RawRows): Parsed {
  const unread: UnreadRow[] = [];
  const tables = (Object.keys(raw) as LiveTable[]).map((name) => [
    name,
    (raw[name] ?? []).flatMap((row) => {
      const result = readRow(name, olderRow(name, row));
      if (!result.ok) {
        unread.push({ table: name, row: row as UnreadRow['row'], reason: firstIssue(result.issues) });
      }
      return result.ok ? [result.value] : [];
    }),
  ]);
  return { rows: Object.fromEntries(tables) as Partial<LiveRecords>, unread };
}

/**
 * The house as the database has it now. Inside a transaction.
 * @param seen what was read before; only what was written since is read then
 */
export async function houseInside(db: HouseDb, seen?: ReadyHouse): Promise<ReadyHouse> {
  const standing = await readStanding(db);
  if (seen !== undefined) {
    if (seen.revision === standing.revision) {
      return standsAt(seen, standing)
        ? seen
        : { ...seen, device: standing.device, bringingIn: standing.bringingIn };
    }
    const since = await readSince(db, seen.revision, standing.revision);
    if (since !== undefined) {
      return readyHouse(standing, seen.house, parseRows(since), seen.unread);
    }
  }
  return readyHouse(standing, EMPTY_HOUSE, parseRows(await readAll(db)), []);
}

/** Whether a house is of this very moment of the database. */
export function standsAt(seen: Standing, now: Standing): boolean {
  return seen.revision === now.revision && seen.device === now.device && seen.bringingIn === now.bringingIn;
}

function readyHouse(
  standing: Standing,
  house: House,
  { rows, unread }: Parsed,
  before: readonly UnreadRow[],
): ReadyHouse {
  const known = new Set(
    (Object.keys(rows) as LiveTable[]).flatMap((t) => (rows[t] ?? []).map((r) => `${t} ${r.id}`)),
  );
  const fresh = new Set(unread.map(keyOf));
  const still = before.filter((u) => !known.has(keyOf(u)) && !fresh.has(keyOf(u)));
  return {
    kind: 'ready',
    isWhole: true,
    ...standing,
    house: withRows(house, rows),
    unread: [...still, ...unread],
  };
}

function keyOf({ table, row }: UnreadRow): string {
  return `${table} ${String((row as { id?: unknown }).id)}`;
}

/** The house as far as it is in hand. */
export function houseInFront(standing: Standing, { parsed, raw }: Front): ReadyHouse {
  const { rows, unread } = parseRows(raw);
  const tables = new Set([...Object.keys(parsed), ...Object.keys(rows)] as LiveTable[]);
  const all = Object.fromEntries([...tables].map((t) => [t, [...(parsed[t] ?? []), ...(rows[t] ?? [])]]));
  return { kind: 'ready', isWhole: false, ...standing, house: withRows(EMPTY_HOUSE, all), unread };
}

/** A page that works longer than this at one go is felt to stop. */
const LONGEST_WORK_MS = 12;

/**
 * The whole house, read and worked out a little at a time, so that the page goes on meanwhile.
 * @param standing what the database said before the first part was read
 * @param pause lets others have a turn
 */
export async function houseInParts(
  standing: Standing,
  parts: AsyncIterable<RawRows>,
  pause: () => Promise<void>,
): Promise<ReadyHouse> {
  const making = new HouseInMaking(EMPTY_HOUSE);
  const unread: UnreadRow[] = [];
  for await (const part of parts) {
    const parsed = parseRows(part);
    making.put(parsed.rows);
    unread.push(...parsed.unread);
  }
  const work = making.work();
  for (let since = performance.now(); ;) {
    const step = work.next();
    if (step.done === true) {
      return { kind: 'ready', isWhole: true, ...standing, house: step.value, unread };
    }
    if (performance.now() - since > LONGEST_WORK_MS) {
      await pause();
      since = performance.now();
    }
  }
}
