import { isCorrection, isLogKeptAsEntry, movedFrom, type House } from '../../../core/index';
import type { HouseDb } from '../store/house-db';

/** Logs to a transaction: a press between two of them is hardly felt. */
const LOGS_AT_ONCE = 40;

/**
 * Moves logs that an earlier version kept as entries to where readings are kept now; one that a correction names stays
 * with it. Each transaction moves some whole, so that a page that is closed half-way goes on where it stopped.
 *
 * @param house all of it: its entries say what there is to move
 */
export async function moveLogs(db: HouseDb, house: House): Promise<void> {
  const kept = house.noted.filter(isLogKeptAsEntry);
  if (kept.length === 0) {
    return;
  }
  const corrected = new Set(house.noted.filter(isCorrection).map((c): string => c.entryId));
  const entries = kept.filter((e) => !corrected.has(e.id));
  for (let from = 0; from < entries.length; from += LOGS_AT_ONCE) {
    const some = entries.slice(from, from + LOGS_AT_ONCE);
    const moved = some.flatMap(movedFrom);
    await db.transaction('rw', ['readings', 'logs', 'entries', 'meta', 'changes'], async () => {
      const here = await db.rows('logs').bulkGet(moved.map((m) => m.log.id));
      await db.rows('readings').bulkPut(moved.map((m) => m.chunk));
      // What a person said of a log that was moved before stays.
      await db.rows('logs').bulkAdd(moved.filter((_, i) => here[i] === undefined).map((m) => m.log));
      await db.rows('entries').bulkDelete(some.map((e) => e.id));
      // Rows are gone: whoever has read them reads all again.
      await db.bump('all');
    });
  }
}
