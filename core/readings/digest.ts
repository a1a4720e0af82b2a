import { HOUR_MS } from '../base/time.js';
import type { ReadingChunk } from '../record/readings.js';
import { Thinner, type Digested, type Window } from './thin.js';

/**
 * What a chart of months needs of one chunk, a small part of its size: its hours, its stretches and how long each value was held, in
 * rows of numbers. It is worked out from the chunk, has its id and says no more than it; where it is missing it is made anew.
 */
export interface Digest
  extends Pick<ReadingChunk, 'id' | 'subject' | 'channel' | 'at' | 'count' | 'span'>, Digested {}

export function digestOf(chunk: ReadingChunk): Digest {
  const { id, subject, channel, at, count, span } = chunk;
  const fromMs = Math.floor(Date.parse(at) / HOUR_MS) * HOUR_MS;
  const hours = Math.floor((Date.parse(at) + span * 1000 - fromMs) / HOUR_MS) + 1;
  const thinner = new Thinner(channel, { fromMs, toMs: fromMs + hours * HOUR_MS, pixels: hours });
  thinner.add(chunk);
  return { id, subject, channel, at, count, span, ...thinner.digested() };
}

/** Whether a window is so wide that the hours of a chunk may stand for its readings: each is a quarter of a bin at most. Our choice. */
export function isForDigests({ fromMs, toMs, pixels }: Window): boolean {
  return (toMs - fromMs) / pixels >= 4 * HOUR_MS;
}
