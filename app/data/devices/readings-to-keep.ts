import { DAY_MS, groupBy, type CookId } from '../../../core/index';
import type { Line } from './instrument-lines';
import type { Said } from '../journal/said';

/** A reading that waits for its entry. */
export interface Unkept extends Line {
  readonly cookId: CookId;
  /** Who read it: shown beside the curve. */
  readonly source: string;
}

const MOST_TO_AN_ENTRY = 1000;
/** An entry counts its readings in seconds from its own beginning; its schema allows a little more than two days. */
const MOST_MS_TO_AN_ENTRY = 2 * DAY_MS;

/** What to note of readings: an entry for each cook and channel, of at most so many over so long. */
export function entriesOf(lines: readonly Unkept[]): Said[] {
  const groups = groupBy(lines, (l) => `${l.cookId} ${l.channel}`);
  return [...groups.values()].flatMap((own) => cut(own).map(entryOf));
}

function cut(lines: readonly Unkept[]): readonly (readonly Unkept[])[] {
  const parts: Unkept[][] = [];
  for (const line of lines) {
    const last = parts[parts.length - 1];
    const isFull =
      last === undefined ||
      last.length >= MOST_TO_AN_ENTRY ||
      line.atMs - last[0]!.atMs > MOST_MS_TO_AN_ENTRY;
    if (isFull) {
      parts.push([line]);
    } else {
      last.push(line);
    }
  }
  return parts;
}

function entryOf(lines: readonly Unkept[]): Said {
  const { atMs: startMs, cookId, channel, source } = lines[0]!;
  return {
    kind: 'logged',
    cookId,
    channel,
    source,
    at: new Date(startMs).toISOString(),
    readings: lines.map((l) => [Math.round((l.atMs - startMs) / 1000), l.value]),
  };
}
