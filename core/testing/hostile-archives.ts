import { strFromU8, strToU8, unzipSync, zipSync } from 'fflate';
import {
  buildHouse,
  dueItems,
  hollinRow,
  parseArchive,
  seededRandom,
  writeArchive,
  type Random,
} from '../index.js';
import { DAY_MS, START_MS } from './sample-house.js';

const NOW = START_MS + 200 * DAY_MS;

/** What became of many hostile archives. */
export interface HostileOutcome {
  readonly refused: number;
  readonly accepted: number;
  readonly setAside: number;
  /** Seeds whose archive was neither refused in words nor could be opened, with what happened. */
  readonly broken: readonly string[];
  readonly slowestMs: number;
}

/**
 * Opens archives that were damaged or forged in every way that we could think of. What is accepted must give a house
 * and its due list.
 *
 * @param now a clock, for the slowest
 */
export function hostileRun(count: number, firstSeed: number, now: () => number = () => 0): HostileOutcome {
  const good = writeArchive(hollinRow(NOW, NOW), { writtenAt: new Date(NOW).toISOString() });
  let [refused, accepted, setAside, slowestMs] = [0, 0, 0, 0];
  const broken: string[] = [];
  for (let seed = firstSeed; seed < firstSeed + count; seed++) {
    const bytes = hostile(good, seededRandom(seed));
    const startMs = now();
    try {
      const { records, unread } = parseArchive(bytes);
      setAside += unread.length;
      dueItems(buildHouse(records), NOW);
      accepted++;
    } catch (error) {
      if (
        error instanceof Error &&
        error.name === 'CoreError' &&
        'code' in error &&
        error.code === 'bad-archive'
      ) {
        refused++;
      } else {
        broken.push(`seed ${seed}: ${String(error)}`);
      }
    }
    slowestMs = Math.max(slowestMs, now() - startMs);
  }
  return { refused, accepted, setAside, broken, slowestMs };
}

type Damage = (bytes: Uint8Array, random: Random) => Uint8Array;

/** One forged archive. The rows are forged far more often than the packing, since that is where harm would hide. */
function hostile(good: Uint8Array, random: Random): Uint8Array {
  const ways: readonly Damage[] = [
    turnedBits,
    (bytes) => bytes.slice(0, Math.floor(random() * bytes.length)),
    (bytes) => withTwin(bytes, 'entries.jsonl', 'vessels.jsonl'),
    overlapping,
    forgedRows,
    forgedRows,
    forgedRows,
    forgedRows,
    strangeLines,
    missingMember,
  ];
  return ways[Math.floor(random() * ways.length)]!(good, random);
}

function turnedBits(bytes: Uint8Array, random: Random): Uint8Array {
  const turned = bytes.slice();
  for (let n = 0; n < 1 + random() * 20; n++) {
    const at = Math.floor(random() * turned.length);
    turned[at] = turned[at]! ^ (1 << Math.floor(random() * 8));
  }
  return turned;
}

const STRANGE: readonly unknown[] = [
  -1,
  0,
  1,
  1e-300,
  1e300,
  -1e300,
  400,
  327.67,
  99_999,
  0.5,
  -273.15,
  '',
  'x'.repeat(90),
  '<b>',
  null,
  true,
  [],
  {},
  '2026-02-30T00:00:00.000Z',
  '0001-01-01T00:00:00.000Z',
  '9999-12-31T23:59:59.999Z',
];

/** A few values anywhere in a few rows become something else. */
function forgedRows(bytes: Uint8Array, random: Random): Uint8Array {
  const files = { ...unzipSync(bytes) };
  const tables = Object.keys(files).filter((f) => f.endsWith('.jsonl') && files[f]!.length > 0);
  for (let n = 0; n < 1 + random() * 6; n++) {
    const file = tables[Math.floor(random() * tables.length)]!;
    const lines = strFromU8(files[file]!).trim().split('\n');
    const at = Math.floor(random() * lines.length);
    const row = JSON.parse(lines[at]!) as Record<string, unknown>;
    forge(row, random);
    lines[at] = JSON.stringify(row);
    files[file] = strToU8(`${lines.join('\n')}\n`);
  }
  return zipSync(files);
}

function forge(node: Record<string, unknown>, random: Random): void {
  const keys = Object.keys(node);
  const key = keys[Math.floor(random() * keys.length)];
  if (key === undefined) {
    return;
  }
  const value = node[key];
  if (typeof value === 'object' && value !== null && random() < 0.85) {
    forge(value as Record<string, unknown>, random);
    return;
  }
  node[key] =
    typeof value === 'number' && random() < 0.5
      ? value * 10 ** Math.round((random() - 0.5) * 12)
      : STRANGE[Math.floor(random() * STRANGE.length)];
}

function strangeLines(bytes: Uint8Array, random: Random): Uint8Array {
  const files = { ...unzipSync(bytes) };
  const lines = [
    '{',
    'null',
    '[]',
    '7',
    '{"id":"__proto__"}',
    '\u0000',
    '"'.repeat(5000),
    '{"__proto__":{"a":1}}',
  ];
  const more = Array.from({ length: 200 }, () => lines[Math.floor(random() * lines.length)]!);
  const manifest = JSON.parse(strFromU8(files['manifest.json']!)) as { counts: Record<string, number> };
  manifest.counts['entries'] = (manifest.counts['entries'] ?? 0) + more.length;
  files['manifest.json'] = strToU8(JSON.stringify(manifest));
  files['entries.jsonl'] = strToU8(`${strFromU8(files['entries.jsonl']!)}${more.join('\n')}\n`);
  return zipSync(files);
}

function missingMember(bytes: Uint8Array, random: Random): Uint8Array {
  const files = Object.entries(unzipSync(bytes));
  files.splice(Math.floor(random() * files.length), 1);
  return zipSync(Object.fromEntries(files));
}

const ENTRY_SIGNATURE = [0x50, 0x4b, 1, 2];
const NAME_AT = 46;

/** The archive with one member renamed to another's name, in the directory and before its bytes. */
export function withTwin(bytes: Uint8Array, name: string, twin: string): Uint8Array {
  return replaced(bytes, strToU8(twin), strToU8(name));
}

function replaced(bytes: Uint8Array, from: Uint8Array, to: Uint8Array): Uint8Array {
  if (from.length !== to.length) {
    throw new Error('names of one length only');
  }
  const out = bytes.slice();
  for (let at = 0; at + from.length <= out.length; at++) {
    if (from.every((b, i) => out[at + i] === b)) {
      out.set(to, at);
    }
  }
  return out;
}

/** The archive with the second member of its directory pointing into the first. */
export function overlapping(bytes: Uint8Array): Uint8Array {
  const out = bytes.slice();
  const view = new DataView(out.buffer, out.byteOffset);
  const entries: number[] = [];
  for (let at = 0; at + NAME_AT < out.length; at++) {
    if (ENTRY_SIGNATURE.every((b, i) => out[at + i] === b)) {
      entries.push(at);
    }
  }
  const [first, second] = entries;
  if (first !== undefined && second !== undefined) {
    // The first claims the bytes of the second too.
    view.setUint32(first + 20, view.getUint32(second + 42, true) + 200, true);
  }
  return out;
}
