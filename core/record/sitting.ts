import { isByInstrument, type Entry } from './entry.js';
import type { DeviceId } from './ids.js';
import { HOUR_MS } from '../base/time.js';

/** What one press wrote: one entry, or several that belong together. */
export interface WrittenDeed {
  readonly entries: readonly Entry[];
}

/** What may be walked back and forward at one device. */
export interface Sitting {
  /** The newest deed that stands. */
  readonly undo?: WrittenDeed;
  /** The deed that was walked back last, while nothing new was done. */
  readonly redo?: WrittenDeed;
}

/** Whoever comes back after so long begins anew: an old press is corrected in the history, not by *Undo*. Our choice. */
const SITTING_GAP_MS = 8 * HOUR_MS;

/** As far back as anyone walks; an endless sitting must not make each press longer. Our choice. */
const MOST_PRESSES = 2000;

/**
 * Folds what one device wrote into what *Undo* and *Redo* would touch. Entries from before devices were named count as
 * its own. Readings and confirmed cautions are not deeds.
 * A correction that points at an entry is a deed like any other and can be undone; one that was made by walking is not.
 *
 * @param noted in the order in which they were noted
 */
export function sittingOf(noted: readonly Entry[], device: DeviceId | undefined): Sitting {
  const own = latestOf(noted, device);
  const done: Entry[][] = [];
  let undone: Entry[][] = [];
  for (const entry of own) {
    if ((entry.kind === 'takenBack' || entry.kind === 'putBack') && entry.undo === true) {
      const [from, to] = entry.kind === 'takenBack' ? [done, undone] : [undone, done];
      const at = from.findIndex((deed) => deed.some((e) => e.id === entry.entryId));
      if (at >= 0) {
        to.push(...from.splice(at, 1));
      }
      continue;
    }
    undone = [];
    const last = done[done.length - 1];
    if (entry.deedId !== undefined && last?.[0]?.deedId === entry.deedId) {
      last.push(entry);
    } else {
      done.push([entry]);
    }
  }
  const [undo, redo] = [done[done.length - 1], undone[undone.length - 1]];
  return {
    ...(undo !== undefined && { undo: { entries: undo } }),
    ...(redo !== undefined && { redo: { entries: redo } }),
  };
}

/** What a device wrote since it was last left alone, from the end backwards. */
function latestOf(noted: readonly Entry[], device: DeviceId | undefined): readonly Entry[] {
  const own: Entry[] = [];
  let laterMs: number | undefined;
  for (let i = noted.length - 1; i >= 0 && own.length < MOST_PRESSES; i--) {
    const entry = noted[i]!;
    if ((entry.device !== undefined && entry.device !== device) || isAside(entry)) {
      continue;
    }
    const ms = Date.parse(entry.notedAt);
    if (laterMs !== undefined && laterMs - ms > SITTING_GAP_MS) {
      break;
    }
    laterMs = ms;
    own.push(entry);
  }
  return own.reverse();
}

/** What an instrument told, and cautions that were read for themselves, are nobody's press. */
function isAside(entry: Entry): boolean {
  return isByInstrument(entry) || (entry.kind === 'cautionRead' && entry.deedId === undefined);
}
