import { DAY_MS, HOUR_MS } from '../base/time.js';
import type { Reading } from './measured.js';

/** The middle of an hour is noted when it differs so much from what was noted last, or that is a day old. Our choice. */
const DIFFERS_C = 3;
const NOTED_EVERY_MS = DAY_MS;

/** Whether the mean of an hour tells something, after what was noted last. */
export type IsNews = (mean: Reading, last: Reading | undefined) => boolean;

/** Of the warmth of a place. */
export const warmthIsNews: IsNews = (mean, last) =>
  last === undefined ||
  mean.atMs - last.atMs >= NOTED_EVERY_MS ||
  (mean.atMs > last.atMs && Math.abs(mean.value - last.value) >= DIFFERS_C);

/**
 * What a house must know of the air of a place without reading all that a logger read: hours that tell something new. Holds
 * one hour at a time, however many readings come.
 */
export class WorthNoting {
  private hour: { readonly number: number; sum: number; count: number; lastMs: number } | undefined;

  /** @param last what was noted last of this place */
  constructor(
    private last: Reading | undefined,
    private readonly isNews: IsNews = warmthIsNews,
  ) {}

  /** @param readings in time, and after those before */
  add(readings: readonly Reading[]): readonly Reading[] {
    const worth: Reading[] = [];
    for (const { atMs, value } of readings) {
      const number = Math.floor(atMs / HOUR_MS);
      if (this.hour !== undefined && this.hour.number !== number) {
        worth.push(...this.end());
      }
      this.hour ??= { number, sum: 0, count: 0, lastMs: atMs };
      this.hour.sum += value;
      this.hour.count++;
      this.hour.lastMs = atMs;
    }
    return worth;
  }

  /** The hour that is not over yet, as far as it was read. */
  end(): readonly Reading[] {
    const { hour, last } = this;
    this.hour = undefined;
    if (hour === undefined) {
      return [];
    }
    const mean = { atMs: hour.lastMs, value: Math.round((hour.sum / hour.count) * 10) / 10 };
    if (!this.isNews(mean, last)) {
      return [];
    }
    this.last = mean;
    return [mean];
  }
}
