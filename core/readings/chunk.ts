import type { Channel } from '../record/entry.js';
import {
  MOST_READINGS_IN_CHUNK,
  MOST_SECONDS_IN_CHUNK,
  type ReadingChunk,
  type Subject,
} from '../record/readings.js';
import { isPlausible } from './channel-limits.js';
import type { Reading } from './measured.js';

/** Whose readings, of what, by which instrument. */
export interface Series {
  readonly subject: Subject;
  readonly channel: Channel;
  /** Who read it: shown beside the curve. */
  readonly source: string;
}

/**
 * Readings as chunks: those that still fit go to the end of the open one, the others begin new ones.
 *
 * @param open the chunk that was written last of this series, by the same writer
 * @param readings in any order; those of one moment all stay
 * @param idOf the identity of a chunk that begins at a moment
 * @returns chunks that are new or have grown, in time; the last one is open still
 */
export function chunksWith(
  open: ReadingChunk | undefined,
  series: Series,
  readings: readonly Reading[],
  idOf: (startMs: number) => string,
): readonly ReadingChunk[] {
  const chunks: ReadingChunk[] = [];
  let draft = open === undefined ? undefined : draftOf(open);
  const close = () => {
    if (draft !== undefined && draft.seconds.length > draft.before) {
      chunks.push(chunkOf(draft, series));
    }
  };
  for (const { atMs, value } of [...readings].sort((a, b) => a.atMs - b.atMs)) {
    let second = draft === undefined ? 0 : (atMs - draft.startMs) / 1000;
    const last = draft?.seconds[draft.seconds.length - 1] ?? 0;
    if (
      draft === undefined ||
      draft.seconds.length >= MOST_READINGS_IN_CHUNK ||
      second > MOST_SECONDS_IN_CHUNK ||
      second < last
    ) {
      close();
      draft = { id: idOf(atMs), startMs: atMs, seconds: [], values: [], before: 0, signed: {} };
      second = 0;
    }
    draft.seconds.push(second);
    draft.values.push(value);
  }
  close();
  return chunks;
}

interface Draft {
  readonly id: string;
  readonly startMs: number;
  readonly seconds: number[];
  readonly values: number[];
  /** Readings that it had before. */
  readonly before: number;
  readonly signed: Pick<ReadingChunk, 'device' | 'who'>;
}

function draftOf(chunk: ReadingChunk): Draft {
  const { id, at, seconds, values, count, device, who } = chunk;
  return {
    id,
    startMs: Date.parse(at),
    seconds: [...seconds],
    values: [...values],
    before: count,
    signed: { ...(device !== undefined && { device }), ...(who !== undefined && { who }) },
  };
}

function chunkOf({ id, startMs, seconds, values, signed }: Draft, series: Series): ReadingChunk {
  const sound = values.filter((value) => isPlausible(series.channel, value));
  return {
    id,
    schemaVersion: 1,
    ...signed,
    ...series,
    at: new Date(startMs).toISOString(),
    count: seconds.length,
    span: seconds[seconds.length - 1] ?? 0,
    ...(sound.length > 0 && {
      least: sound.reduce((a, b) => Math.min(a, b)),
      most: sound.reduce((a, b) => Math.max(a, b)),
    }),
    seconds,
    values,
  };
}
