import { DAY_MS, HOUR_MS, MINUTE_MS } from '../base/time.js';
import { idOfName, seededRandom } from '../record/new-id.js';
import { subjectOfPlace, type ReadingChunk } from '../record/readings.js';
import { chunksWith } from '../readings/chunk.js';

const DAYS = 150;
/** So much warmer it was in the summer. */
const SEASON_C = 5;
const EVERY_MS = 10 * MINUTE_MS;
/** Its battery was out for half a night. */
const SILENCE = { fromDaysAgo: 4.2, hours: 7 };

/** Invented: what a logger in the tent of the made-up household read of the last five months, with one silence: it falls with the season. */
export function tentClimate(nowMs: number): readonly ReadingChunk[] {
  const random = seededRandom(20_260_702);
  const silentFromMs = nowMs - SILENCE.fromDaysAgo * DAY_MS;
  const isSilent = (atMs: number) => atMs >= silentFromMs && atMs < silentFromMs + SILENCE.hours * HOUR_MS;
  const times = Array.from({ length: (DAYS * DAY_MS) / EVERY_MS }, (_, i) => nowMs - (i + 1) * EVERY_MS)
    .filter((atMs) => !isSilent(atMs))
    .reverse();
  const series = (channel: 'airC' | 'humidityPercent', valueAt: (share: number, daysAgo: number) => number) =>
    chunksWith(
      undefined,
      { subject: subjectOfPlace('tent'), channel, source: 'tent logger' },
      times.map((atMs) => ({
        atMs,
        value: Math.round((valueAt(daily(atMs), (nowMs - atMs) / DAY_MS) + random() - 0.5) * 10) / 10,
      })),
      (startMs) => idOfName(`hollin row ${channel} ${startMs}`),
    );
  return [
    ...series('airC', (share, daysAgo) => 17.4 + 1.3 * share + SEASON_C * season(daysAgo)),
    ...series('humidityPercent', (share) => 88 - 4 * share),
  ];
}

/** Nothing of late, all of it five months ago. */
function season(daysAgo: number): number {
  return Math.max(0, (daysAgo - 21) / (DAYS - 21)) ** 1.5;
}

/** Between −1 early in the morning and 1 early in the afternoon. */
function daily(atMs: number): number {
  return Math.sin(2 * Math.PI * (atMs / DAY_MS - 0.33));
}
