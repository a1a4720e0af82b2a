import fc from 'fast-check';
import { strFromU8, strToU8, unzipSync, zipSync } from 'fflate';
import { readFileSync } from 'node:fs';
import {
  ARCHIVE_FORMAT,
  CoreError,
  MOST_ARCHIVE_BYTES,
  TABLE_NAMES,
  hollinRow,
  mergeArchives,
  newId,
  parseArchive,
  seededRandom,
  tableJsonSchemas,
  writeArchive,
  type Entry,
  type EntryId,
  type Photo,
  type PhotoId,
  type Records,
  type VesselId,
  buildHouse,
  emptyRecords,
  improveDefinitions,
  shippedDefinitions,
} from '../index.js';
import { DAY_MS, START_MS, furnishedRecords } from '../testing/sample-house.js';

const WRITTEN = { writtenAt: '2026-03-02T12:00:00.000Z' };
const NOW = START_MS + 200 * DAY_MS;

/** Any text a person may type, quotes, markup, line ends and emoji included. */
const remark = fc
  .string({ unit: 'grapheme', minLength: 1, maxLength: 60 })
  .map((s) => s.trim())
  .filter((s) => s.length > 0);
const uuid = fc.nat().map((seed) => newId(START_MS, seededRandom(seed)));
const look = fc
  .record({
    id: uuid,
    vessel: uuid,
    fraction: fc.double({ min: 0, max: 1, noNaN: true }),
    note: remark,
    minutes: fc.nat({ max: 1e6 }),
  })
  .map(({ id, vessel, fraction, note, minutes }): Entry => {
    const at = new Date(START_MS + minutes * 60_000).toISOString();
    return {
      id: id as EntryId,
      schemaVersion: 1,
      at,
      notedAt: at,
      kind: 'inspected',
      vesselIds: [vessel as VesselId],
      fraction: fraction === 0 ? 0 : fraction,
      note,
    };
  });
const photo = fc
  .record({ id: uuid, vessel: uuid, bytes: fc.uint8Array({ maxLength: 300 }) })
  .map(({ id, vessel, bytes }): Photo => ({
    id: id as PhotoId,
    schemaVersion: 1,
    vesselId: vessel as VesselId,
    takenAt: WRITTEN.writtenAt,
    mime: 'image/png',
    bytes,
  }));
const anyRecords = fc
  .record({
    entries: fc.uniqueArray(look, { maxLength: 20, selector: (e) => e.id }),
    photos: fc.uniqueArray(photo, { maxLength: 3, selector: (p) => p.id }),
  })
  .map((some): Records => ({ ...furnishedRecords(), ...some }));

describe('the archive', () => {
  it('gives back any records that were put in', () => {
    fc.assert(
      fc.property(anyRecords, (records) => {
        expect(parseArchive(writeArchive(records, WRITTEN)).records).toEqual(records);
      }),
      { numRuns: 60 },
    );
  });

  it('gives back the whole made-up household', () => {
    const records = hollinRow(NOW, NOW);
    const { manifest, records: back } = parseArchive(writeArchive(records, WRITTEN));
    expect(back).toEqual(records);
    expect(manifest).toEqual(
      jasmine.objectContaining({
        app: 'nailwort',
        format: ARCHIVE_FORMAT,
        madeUp: true,
        writtenAt: WRITTEN.writtenAt,
      }),
    );
  });

  it('still reads what the first version stored, and brings it up to date', () => {
    const old = JSON.parse(readFileSync('app/data/fixtures/database-v1.json', 'utf8')) as { tables: Records };
    const { records } = parseArchive(writeArchive({ ...emptyRecords(), ...old.tables }, WRITTEN));
    expect(records.batches.length).toBe(old.tables.batches.length);
    const better = improveDefinitions(records, shippedDefinitions(WRITTEN.writtenAt));
    expect(better.materials.length).toBeGreaterThan(60);
    expect(buildHouse({ ...records, ...better }).batches.length).toBe(buildHouse(records).batches.length);
  });

  it('is plain text that other programs can read: one JSON line a row', () => {
    const files = unzipSync(writeArchive(hollinRow(NOW, NOW), WRITTEN));
    const lines = strFromU8(files['batches.jsonl']!).trim().split('\n');
    expect(lines.length).toBe(hollinRow(NOW, NOW).batches.length);
    lines.forEach((line) => expect(() => JSON.parse(line) as unknown).not.toThrow());
  });

  describe('refuses, as a whole and in words,', () => {
    const good = writeArchive(hollinRow(NOW, NOW), WRITTEN);
    const changed = (change: (files: Record<string, Uint8Array>) => void) => {
      const files = { ...unzipSync(good) };
      change(files);
      return zipSync(files);
    };
    const manifest = (over: object) =>
      changed((f) => {
        f['manifest.json'] = strToU8(
          JSON.stringify({ ...(JSON.parse(strFromU8(f['manifest.json']!)) as object), ...over }),
        );
      });
    const cases: readonly [string, () => Uint8Array, RegExp][] = [
      ['an empty file', () => new Uint8Array(), /cannot be unpacked/],
      ['another kind of file', () => strToU8('%PDF-1.7 not a zip at all'), /cannot be unpacked/],
      ['a file cut short', () => good.slice(0, good.length - 900), /cannot be unpacked/],
      [
        'damage in the middle',
        () => good.map((b, i) => (i > 2000 && i < 6000 ? b ^ 0x5a : b)),
        /cannot be unpacked|row \d+|must hold|lacks|manifest/,
      ],
      ['a foreign zip', () => zipSync({ 'readme.txt': strToU8('hello') }), /not an archive of Nailwort/],
      [
        'an archive of a newer format',
        () => manifest({ format: ARCHIVE_FORMAT + 1 }),
        /format must be at most 2\. This one is 3, from a newer Nailwort/,
      ],
      [
        'an archive that lacks a table',
        () => changed((f) => delete f['entries.jsonl']),
        /lacks entries\.jsonl/,
      ],
      [
        'a row that is no JSON',
        () => changed((f) => (f['cooks.jsonl'] = strToU8('{oops\n'))),
        /cooks\.jsonl, row 1/,
      ],
      [
        'a row that breaks its schema',
        () => changed((f) => (f['household.jsonl'] = strToU8('{"id":"household"}\n'))),
        /household\.jsonl, row 1: \w+/,
      ],
      [
        'fewer rows than the manifest counts',
        () => changed((f) => (f['vessels.jsonl'] = strToU8(''))),
        /vessels\.jsonl must hold \d+ rows/,
      ],
      [
        'more than the limit',
        () => new Uint8Array(MOST_ARCHIVE_BYTES + 50_000_000),
        /at most 150 MB\. This one has 200 MB/,
      ],
    ];
    for (const [what, bytes, message] of cases) {
      it(what, () => {
        expect(() => parseArchive(bytes())).toThrowError(CoreError, message);
      });
    }

    it('a bomb that would unpack to more than the limit', () => {
      const bomb = zipSync(
        { 'manifest.json': strToU8('{}'), 'entries.jsonl': new Uint8Array(401_000_000) },
        { level: 1 },
      );
      expect(bomb.length).toBeLessThan(10_000_000);
      expect(() => parseArchive(bomb)).toThrowError(CoreError, /unpacks to more than 400 MB/);
    });
  });
});

describe('merging two archives', () => {
  const base = furnishedRecords();

  it('joins facts by their ids, the same in either order', () => {
    fc.assert(
      fc.property(anyRecords, anyRecords, (a, b) => {
        const one = mergeArchives(a, b).records;
        const ids = new Set([...a.entries, ...b.entries].map((e) => e.id));
        expect(one.entries.length).toBe(ids.size);
        expect(mergeArchives(b, a).records.entries.map((e) => e.id)).toEqual(one.entries.map((e) => e.id));
      }),
      { numRuns: 40 },
    );
  });

  it('keeps the later of two definitions and reports both', () => {
    const later = {
      ...base,
      household: [{ ...base.household[0]!, altitudeM: 640, updatedAt: '2026-05-01T00:00:00.000Z' }],
    };
    for (const { records, differences } of [mergeArchives(base, later), mergeArchives(later, base)]) {
      expect(records.household[0]!.altitudeM).toBe(640);
      expect(differences).toEqual([
        { table: 'household', id: 'household', kept: later.household[0], other: base.household[0] },
      ]);
    }
  });

  it('does not take another order of keys for a difference', () => {
    const turned = Object.fromEntries(
      Object.entries(base.household[0]!).reverse(),
    ) as unknown as (typeof base.household)[number];
    expect(mergeArchives(base, { ...base, household: [turned] }).differences).toEqual([]);
  });

  it('with itself changes nothing', () => {
    const demo = hollinRow(NOW, NOW);
    const { records, differences } = mergeArchives(demo, demo);
    expect(differences).toEqual([]);
    TABLE_NAMES.forEach((name) => expect(records[name].length).toBe(demo[name].length));
  });
});

describe('the JSON Schemas in docs/format', () => {
  it('are those of the present code', () => {
    for (const [name, schema] of Object.entries(tableJsonSchemas())) {
      const written = JSON.parse(readFileSync(`docs/format/${name}.schema.json`, 'utf8')) as unknown;
      expect(written)
        .withContext(`${name}: run "npm run docs"`)
        .toEqual(JSON.parse(JSON.stringify(schema)));
    }
  });
});
