import {
  chunksWith,
  logOf,
  newId,
  subjectOfCook,
  type Cook,
  type CookChannel,
  type CookLog,
  type Log,
  type Random,
} from '../index.js';

/** What an instrument read of a cook. */
export function sampleLog(
  channel: CookChannel,
  startMs: number,
  readings: readonly (readonly [second: number, value: number])[],
  source = 'logger',
): CookLog {
  return {
    id: `${source} ${startMs}`,
    channel,
    source,
    at: new Date(startMs).toISOString(),
    seconds: readings.map(([second]) => second),
    values: readings.map(([, value]) => value),
    count: readings.length,
  };
}

/** Logs as a house may hold them: some cooks have several, some are left out. */
export function logsOf(cooks: readonly Cook[], random: Random): Log[] {
  return cooks.flatMap((cook) =>
    Array.from({ length: Math.floor(random() * 4) }, (_, n): Log => {
      const channel = random() < 0.5 ? 'coreC' : 'chamberC';
      const startMs = Date.parse(cook.plannedAt) + n * 3_600_000;
      const readings = Array.from({ length: 30 }, (_r, i) => ({
        atMs: startMs + i * 60_000,
        value: 90 + Math.round(random() * 35),
      }));
      const series = { subject: subjectOfCook(cook.id), channel, source: `probe ${n % 2}` } as const;
      const [chunk] = chunksWith(undefined, series, readings, (ms) => newId(ms, random));
      const log = logOf(chunk!, cook.id, channel, chunk!.at);
      return random() < 0.2 ? { ...log, leftOut: true } : log;
    }),
  );
}
