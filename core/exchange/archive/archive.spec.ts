import { strFromU8, strToU8, unzipSync, zipSync } from 'fflate';
import fc from 'fast-check';
import { readFileSync } from 'node:fs';
import {
  ARCHIVE_FORMAT,
  ArchiveWriter,
  type ArchiveFault,
  MOST_ARCHIVE_BYTES,
  TABLE_NAMES,
  buildHouse,
  csvColumns,
  csvOf,
  emptyRecords,
  hollinRow,
  isSameRow,
  newId,
  openArchive,
  parseArchive,
  partsOfPhotos,
  seededRandom,
  tableJsonSchemas,
  writeArchive,
  type Records,
} from '../../index.js';
import { sourceOf } from './read-archive.js';
import { WRITTEN, anyRecords } from '../../testing/any-records.js';
import { hostileRun, overlapping, withTwin } from '../../testing/hostile-archives.js';
import { DAY_MS, START_MS } from '../../testing/sample-house.js';
import { refused } from '../../testing/refused.js';

const NOW = START_MS + 200 * DAY_MS;

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
    expect(buildHouse(records).batches.length).toBeGreaterThan(0);
  });

  it('says how far it is read, from nothing to all of it', () => {
    const shares: number[] = [];
    openArchive(sourceOf(writeArchive(hollinRow(NOW, NOW), WRITTEN)), (share) => shares.push(share));
    expect(shares).toEqual([...shares].sort((a, b) => a - b));
    expect(shares[0]!).toBeGreaterThan(0);
    expect(shares.at(-1)!).toBeGreaterThan(0.999);
    expect(shares.at(-1)!).toBeLessThanOrEqual(1);
  });

  it('says how many rows it holds: all of every table, and those that were set aside', () => {
    const whole = hollinRow(NOW, NOW);
    const aside = [{ table: 'spells', row: { a: 1 }, reason: 'not known' }];
    const archive = openArchive(sourceOf(writeArchive(whole, { ...WRITTEN, unread: aside })));
    const rows = TABLE_NAMES.reduce((sum, name) => sum + whole[name].length, 0);
    expect(archive.rowCount).toBe(rows + 1);
    expect([...archive.rows()].length).toBe(rows + 1);
  });

  it('gives back a picture that is read in many pieces, byte for byte', () => {
    const random = seededRandom(8);
    const bytes = Uint8Array.from({ length: 300_000 }, () => Math.floor(random() * 256));
    const photo = {
      id: newId(START_MS, random) as never,
      schemaVersion: 1 as const,
      vesselId: newId(START_MS, random) as never,
      takenAt: WRITTEN.writtenAt,
      mime: 'image/jpeg' as const,
      bytes,
    };
    const { records } = parseArchive(writeArchive({ ...emptyRecords(), photos: [photo] }, WRITTEN));
    expect(records.photos[0]!.bytes).toEqual(bytes);
  });

  it('tells two photos of one size apart by their ends', () => {
    const photo = (...bytes: number[]) => ({
      id: 'a',
      bytes: new Uint8Array([...Array<number>(200).fill(7), ...bytes]),
    });
    expect(isSameRow(photo(1), photo(1))).toBeTrue();
    expect(isSameRow(photo(1), photo(2))).toBeFalse();
    expect(isSameRow(photo(1), photo(7, 1))).toBeFalse();
    const front = (first: number) => ({
      id: 'a',
      bytes: new Uint8Array([first, ...Array<number>(200).fill(7)]),
    });
    expect(isSameRow(front(1), front(2))).toBeFalse();
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
    const faulty =
      (...faults: readonly ArchiveFault['fault'][]) =>
      (error: unknown) =>
        faults.some((fault) => refused('bad-archive', { fault })(error));
    it('no archive that asks for just this format, or that names it as its own', () => {
      for (const own of [
        { format: ARCHIVE_FORMAT, readableBy: ARCHIVE_FORMAT },
        { format: ARCHIVE_FORMAT + 3, readableBy: ARCHIVE_FORMAT },
        { format: ARCHIVE_FORMAT, readableBy: undefined },
      ]) {
        expect(parseArchive(manifest(own)).manifest.format).toBe(own.format);
      }
    });

    const cases: readonly [string, () => Uint8Array, readonly ArchiveFault['fault'][]][] = [
      ['an empty file', () => new Uint8Array(), ['not-whole']],
      ['another kind of file', () => strToU8('%PDF-1.7 not a zip at all'), ['not-whole']],
      ['a file cut short', () => good.slice(0, good.length - 900), ['not-whole']],
      [
        'damage in the middle',
        () => good.map((b, i) => (i > 2000 && i < 6000 ? b ^ 0x5a : b)),
        ['not-whole', 'rows-missing', 'lacks', 'bad-manifest', 'damaged'],
      ],
      ['a foreign zip', () => zipSync({ 'readme.txt': strToU8('hello') }), ['not-ours']],
      [
        'an archive of a newer format',
        () => manifest({ format: ARCHIVE_FORMAT + 1, readableBy: ARCHIVE_FORMAT + 1 }),
        ['newer-format'],
      ],
      ['an archive that lacks a table', () => changed((f) => delete f['entries.jsonl']), ['lacks']],
      [
        'fewer rows than the manifest counts',
        () => changed((f) => (f['vessels.jsonl'] = strToU8(''))),
        ['rows-missing'],
      ],
      ['more than the limit', () => new Uint8Array(MOST_ARCHIVE_BYTES + 50_000_000), ['too-large']],
    ];
    for (const [what, bytes, faults] of cases) {
      it(what, () => {
        expect(() => parseArchive(bytes())).toThrowMatching(faulty(...faults));
      });
    }

    it('a bomb that would unpack to more than the limit', () => {
      const bomb = zipSync(
        { 'manifest.json': strToU8('{}'), 'entries.jsonl': new Uint8Array(401_000_000) },
        { level: 1 },
      );
      expect(bomb.length).toBeLessThan(10_000_000);
      expect(() => parseArchive(bomb)).toThrowMatching(faulty('too-much-inside'));
    });

    it('lines without end, and a member that packs a hundred times better than ours', () => {
      const lines = changed((f) => (f['entries.jsonl'] = new Uint8Array(4_900_000).fill(10)));
      expect(() => parseArchive(lines)).toThrowMatching(faulty('too-many-rows'));
      const dense = changed((f) => (f['entries.jsonl'] = new Uint8Array(9_000_000).fill(32)));
      expect(() => parseArchive(dense)).toThrowMatching(faulty('too-dense'));
    });

    it('any bit that was turned in what is packed', () => {
      const random = seededRandom(41);
      const kept = parseArchive(good).records;
      for (let n = 0; n < 60; n++) {
        const turned = good.slice();
        const at = Math.floor(random() * turned.length);
        turned[at] = turned[at]! ^ (1 << Math.floor(random() * 8));
        try {
          // Bytes that say nothing of the content (a date, a version) may be turned; the records may not.
          expect(parseArchive(turned).records).toEqual(kept);
        } catch (error) {
          expect((error as Error).name).toBe('CoreError');
        }
      }
    });

    it('two members of one name, and members that share their bytes', () => {
      const twice = withTwin(good, 'entries.jsonl', 'vessels.jsonl');
      expect(() => parseArchive(twice)).toThrowMatching(faulty('twice', 'not-whole'));
      expect(() => parseArchive(overlapping(good))).toThrowMatching(faulty('overlap', 'not-whole'));
    });
  });

  describe('refuses a directory that', () => {
    const zip = zipSync({ 'manifest.json': strToU8('{}'), 'entries.jsonl': strToU8('') });
    const directoryAt = new DataView(zip.buffer).getUint32(zip.length - 22 + 16, true);
    /** The first entry of the directory with another value at an offset; fields as APPNOTE.TXT 4.3.12 has them. */
    const withField = (offset: number, bytes: 2 | 4, value: number) => {
      const out = zip.slice();
      const view = new DataView(out.buffer);
      if (bytes === 2) {
        view.setUint16(directoryAt + offset, value, true);
      } else {
        view.setUint32(directoryAt + offset, value, true);
      }
      return out;
    };
    const reading = (bytes: Uint8Array) => () => parseArchive(bytes);
    const unknown = refused('bad-archive', { fault: 'unknown-packing' });
    const notWhole = refused('bad-archive', { fault: 'not-whole' });

    it('asks for a password, another packing, or fields of 64 bits', () => {
      expect(reading(zip)).toThrowMatching(refused('bad-archive', { fault: 'not-ours' }));
      expect(reading(withField(8, 2, 1))).toThrowMatching(unknown);
      expect(reading(withField(10, 2, 12))).toThrowMatching(unknown);
      for (const offset of [20, 24, 42]) {
        expect(reading(withField(offset, 4, 0xffffffff))).toThrowMatching(unknown);
      }
    });

    it('points beyond what there is, or at another name', () => {
      expect(reading(withField(20, 4, directoryAt))).toThrowMatching(notWhole);
      expect(reading(withField(42, 4, directoryAt - 10))).toThrowMatching(notWhole);
      expect(reading(withField(46, 2, 0x7878))).toThrowMatching(notWhole);
      const counted = zip.slice();
      new DataView(counted.buffer).setUint16(zip.length - 22 + 10, 3, true);
      expect(reading(counted)).toThrowMatching(notWhole);
      const long = zip.slice();
      new DataView(long.buffer).setUint32(zip.length - 22 + 12, zip.length - directoryAt, true);
      expect(reading(long)).toThrowMatching(notWhole);
    });
  });

  describe('sets aside, with the reason, and reads the rest:', () => {
    const good = writeArchive(hollinRow(NOW, NOW), WRITTEN);
    const withLines = (name: string, more: string): Uint8Array => {
      const files = { ...unzipSync(good) };
      const manifest = JSON.parse(strFromU8(files['manifest.json']!)) as { counts: Record<string, number> };
      const table = name.replace('.jsonl', '');
      manifest.counts[table] = (manifest.counts[table] ?? 0) + more.trim().split('\n').length;
      files['manifest.json'] = strToU8(JSON.stringify(manifest));
      files[name] = strToU8(`${files[name] === undefined ? '' : strFromU8(files[name])}${more}`);
      return zipSync(files);
    };

    it('a row that is no JSON or breaks its schema', () => {
      const { records, unread } = parseArchive(withLines('cooks.jsonl', '{oops\n{"id":"x"}\n'));
      expect(records.cooks.length).toBe(hollinRow(NOW, NOW).cooks.length);
      expect(unread.map((u) => `${u.table}: ${u.reason}`)).toEqual([
        'cooks: no JSON',
        jasmine.stringMatching(/^cooks: id: /),
      ]);
    });

    it('a kind of entry and a table of a later version', () => {
      const later = parseArchive(withLines('dreams.jsonl', '{"id":"a"}\n'));
      expect<unknown>(later.unread).toEqual([
        { table: 'dreams', row: { id: 'a' }, reason: 'a kind of record that this version does not know' },
      ]);
      const entry = { ...hollinRow(NOW, NOW).entries[0]!, kind: 'dreamt' };
      expect(parseArchive(withLines('entries.jsonl', `${JSON.stringify(entry)}\n`)).unread.length).toBe(1);
    });

    it('and carries them on, to be read by whoever knows them', () => {
      const known = hollinRow(NOW, NOW).entries[3]!;
      const unread = [
        { table: 'dreams', row: { id: 'a' }, reason: 'unknown' },
        { table: 'entries', row: JSON.parse(JSON.stringify(known)) as never, reason: 'too new then' },
      ];
      const back = parseArchive(writeArchive(emptyRecords(), { ...WRITTEN, unread }));
      expect(back.unread).toEqual([unread[0]!]);
      expect(back.records.entries).toEqual([known]);
    });

    it('a photo whose picture is missing', () => {
      const row = { id: newId(START_MS, seededRandom(1)), schemaVersion: 1, mime: 'image/png' };
      const { unread } = parseArchive(withLines('photos.jsonl', `${JSON.stringify(row)}\n`));
      expect(unread[0]!.reason).toBe('its picture is not in the archive');
    });
  });

  it('reads cautions that earlier versions kept as sentences', () => {
    const { id, at, notedAt } = hollinRow(NOW, NOW).entries[0]!;
    const old = {
      id,
      at,
      notedAt,
      schemaVersion: 1,
      kind: 'cautionRead',
      caution: 'Checklist before the lid',
    };
    const bytes = writeArchive({ ...emptyRecords(), entries: [old as never] }, WRITTEN);
    expect(parseArchive(bytes).records.entries).toEqual([{ ...old, caution: 'lidChecklist' } as never]);
  });

  it('goes into parts by the size of its photos, each of which can be read alone', () => {
    const photos = Array.from({ length: 340 }, (_, id) => ({ id, bytes: 450_000 }));
    const parts = partsOfPhotos(photos);
    expect(parts.map((p) => p.length)).toEqual([222, 118]);
    expect(parts.flat()).toEqual(photos.map((p) => p.id));
    expect(partsOfPhotos([])).toEqual([[]]);
    const pieces: Uint8Array[] = [];
    const part = { set: newId(START_MS, seededRandom(2)), number: 2, of: 2 };
    const writer = new ArchiveWriter({ ...WRITTEN, madeUp: false, part }, (b) => pieces.push(b));
    writer.photo({
      id: newId(START_MS, seededRandom(3)) as never,
      schemaVersion: 1,
      vesselId: newId(START_MS, seededRandom(4)) as never,
      takenAt: WRITTEN.writtenAt,
      mime: 'image/png',
      bytes: new Uint8Array([1, 2, 3]),
    });
    writer.end();
    const { manifest, records } = parseArchive(new Uint8Array(Buffer.concat(pieces)));
    expect(manifest.part).toEqual(part);
    expect(records.photos.map((p) => [...p.bytes])).toEqual([[1, 2, 3]]);
  });

  it('of any hostile make is refused in words or read with rows set aside, and what is read can be opened', () => {
    const outcome = hostileRun(300, 1);
    expect(outcome.broken).toEqual([]);
    expect(outcome.refused).toBeGreaterThan(50);
    expect(outcome.accepted).toBeGreaterThan(50);
  });
});

describe('tables as CSV', () => {
  it('quote by RFC 4180 and never hand a formula to a spreadsheet', () => {
    const [isolate] = hollinRow(NOW, NOW).isolates;
    const csv = csvOf('isolates', [{ ...isolate!, name: '=HYPERLINK("x"),\n"y"' }], true);
    const [heading, ...rest] = csv.split('\r\n');
    expect(heading).toContain('id,schemaVersion,updatedAt');
    expect(rest.join('')).toContain(`"'=HYPERLINK(""x""),\n""y"""`);
    expect(csv.endsWith('\r\n')).toBeTrue();
  });

  it('have a column for every field that any row has', () => {
    const demo = hollinRow(NOW, NOW);
    for (const table of TABLE_NAMES) {
      const columns = csvColumns(table);
      const fields = new Set(demo[table].flatMap((row) => Object.keys(row)));
      expect([...fields].filter((f) => !columns.includes(f)))
        .withContext(table)
        .toEqual([]);
    }
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
