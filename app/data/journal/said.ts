import { newId, type DeviceId, type Entry, type EntryId } from '../../../core/index';

type Stamped = 'id' | 'schemaVersion' | 'at' | 'notedAt' | 'device' | 'who' | 'deedId';

/** What an entry says, before it gets its time and identity. */
export type Said = Entry extends infer E
  ? E extends Entry
    ? Omit<E, Stamped> & { readonly at?: string }
    : never
  : never;

/** Who writes, and when. */
export interface Hand {
  readonly nowMs: number;
  readonly device?: DeviceId;
  readonly who?: string;
}

/** Entries that one press writes together: they share a deed and are taken back together. */
export function stampAll(saids: readonly Said[], hand: Hand): readonly Entry[] {
  const notedAt = new Date(hand.nowMs).toISOString();
  const ids = saids.map((_, i) => newId(hand.nowMs + i, Math.random) as EntryId);
  return saids.map((said, i) => ({
    at: notedAt,
    ...said,
    id: ids[i]!,
    schemaVersion: 1,
    // Each a moment after the one before, so that the newest is never in doubt.
    notedAt: new Date(hand.nowMs + i).toISOString(),
    ...(hand.device !== undefined && { device: hand.device }),
    ...(hand.who !== undefined && { who: hand.who }),
    ...(saids.length > 1 && { deedId: ids[0]! }),
  }));
}
