import { mean } from 'simple-statistics';
import { groupBy } from '../base/collections.js';
import { MINUTE_MS } from '../base/time.js';
import type { ProfilePoint } from '../heat/lethality.js';
import type { Reading } from './measured.js';

/**
 * A log's mean in each minute that it read more than once in, since what trembles is the instrument; its first reading
 * stays as it is.
 */
export function byMinute(readings: readonly Reading[]): readonly Reading[] {
  const [first, ...rest] = readings;
  const minutes = groupBy(rest, (r) => Math.floor(r.atMs / MINUTE_MS));
  const means = [...minutes.values()].map((own) => ({
    atMs: mean(own.map((r) => r.atMs)),
    value: mean(own.map((r) => r.value)),
  }));
  return first === undefined ? [] : [first, ...means];
}

/**
 * The fewest points of a curve between which straight lines pass no reading by more than so much (Douglas and Peucker
 * 1973). A log of a reading a second holds no more heat than its turns, and takes a hundred times as long to reckon.
 *
 * @param points in the order of their minutes; two of one minute are a jump, which stays
 * @param withinC °C, above 0
 */
export function thinned(points: readonly ProfilePoint[], withinC: number): readonly ProfilePoint[] {
  const kept = new Set([0, points.length - 1]);
  const pieces: [number, number][] = [[0, points.length - 1]];
  for (let piece = pieces.pop(); piece !== undefined; piece = pieces.pop()) {
    const [from, to] = piece;
    const [start, end] = [points[from]!, points[to]!];
    const slope =
      end.minutes > start.minutes ? (end.celsius - start.celsius) / (end.minutes - start.minutes) : 0;
    let [farthest, off] = [from, withinC];
    for (let i = from + 1; i < to; i++) {
      const { minutes, celsius } = points[i]!;
      const miss = Math.abs(celsius - start.celsius - slope * (minutes - start.minutes));
      if (miss > off) {
        [farthest, off] = [i, miss];
      }
    }
    if (farthest !== from) {
      kept.add(farthest);
      pieces.push([from, farthest], [farthest, to]);
    }
  }
  return points.filter((_, i) => kept.has(i));
}
