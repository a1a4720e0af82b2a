import { DAY_MS, HOUR_MS, MINUTE_MS } from '../base/time.js';
import { idOfName, seededRandom } from '../record/new-id.js';
import { subjectOfPlace, type ReadingChunk } from '../record/readings.js';
import { chunksWith } from '../readings/chunk.js';

const DAYS = 21;
const EVERY_MS = 10 * MINUTE_MS;
/** Its battery was out for half a night. */
const SILENCE = { fromDaysAgo: 4.2, hours: 7 };

/** Invented: what a logger in the tent of the made-up household read of the last three weeks, with one silence. */
export function tentClimate(nowMs: number): readonly ReadingChunk[] {
  const random = seededRandom(20_260_702);
  const silentFromMs = nowMs - SILENCE.fromDaysAgo * DAY_MS;
  const isSilent = (atMs: number) => atMs >= silentFromMs && atMs < silentFromMs + SILENCE.hours * HOUR_MS;
  const times = Array.from({ length: (DAYS * DAY_MS) / EVERY_MS }, (_, i) => nowMs - (i + 1) * EVERY_MS)
    .filter((atMs) => !isSilent(atMs))
    .reverse();
  const series = (channel: 'airC' | 'humidityPercent', valueAt: (share: number) => number) =>
    chunksWith(
      undefined,
      { subject: subjectOfPlace('tent'), channel, source: 'tent logger' },
      times.map((atMs) => ({
        atMs,
        value: Math.round((valueAt(daily(atMs)) + random() - 0.5) * 10) / 10,
      })),
      (startMs) => idOfName(`hollin row ${channel} ${startMs}`),
    );
  return [
    ...series('airC', (share) => 17.4 + 1.3 * share),
    ...series('humidityPercent', (share) => 88 - 4 * share),
  ];
}

/** Between −1 early in the morning and 1 early in the afternoon. */
function daily(atMs: number): number {
  return Math.sin(2 * Math.PI * (atMs / DAY_MS - 0.33));
}
