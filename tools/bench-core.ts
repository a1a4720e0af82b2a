import {
  buildHouse,
  hollinRow,
  newId,
  parseArchive,
  seededRandom,
  writeArchive,
  type Entry,
  type EntryId,
  type Records,
} from '../core/index.js';

const RUNS = 7;
const ENTRIES = 20_000;
const NOW = Date.parse('2026-06-15T10:00:00.000Z');

/** A household with many looks, all repeatable. */
function largeRecords(): Records {
  const records = hollinRow(NOW, NOW - 36_000_000);
  const random = seededRandom(5);
  const looks = records.entries.filter((e) => e.kind === 'inspected' && e.suspect === undefined);
  const more = Array.from({ length: ENTRIES - records.entries.length }, (_, i): Entry => ({
    ...looks[i % looks.length]!,
    id: newId(NOW, random) as EntryId,
  }));
  return { ...records, entries: [...records.entries, ...more] };
}

function time(what: string, act: () => unknown): { what: string; median: string; range: string } {
  act();
  const times = Array.from({ length: RUNS }, () => {
    const start = performance.now();
    act();
    return performance.now() - start;
  }).sort((a, b) => a - b);
  const ms = (value: number) => `${value < 10 ? value.toFixed(1) : Math.round(value)} ms`;
  return {
    what,
    median: ms(times[Math.floor(RUNS / 2)]!),
    range: `${ms(times[0]!)} to ${ms(times[RUNS - 1]!)}`,
  };
}

const large = largeRecords();
const written = { writtenAt: new Date(NOW).toISOString() };
const archive = writeArchive(large, written);
const rows = [
  time(`the house derived from ${ENTRIES / 1000} 000 entries, Node`, () => buildHouse(large)),
  time(
    `archive of ${ENTRIES / 1000} 000 entries written (${Math.round(archive.length / 1000)} kB), Node`,
    () => writeArchive(large, written),
  ),
  time(`the same archive read and checked, Node`, () => parseArchive(archive)),
  time('the made-up household laid out, Node', () => hollinRow(NOW, NOW - 36_000_000)),
];
process.stdout.write(JSON.stringify(rows));
