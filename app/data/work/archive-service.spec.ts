import { TestBed } from '@angular/core/testing';
import {
  emptyRecords,
  hollinRow,
  newId,
  parseArchive,
  seededRandom,
  writeArchive,
  type Entry,
  type EntryId,
  type Records,
} from '../../../core/index';
import { demoHouse, furnishedHouse, until, type SpecHouse } from '../../testing/house';
import { ArchiveWorker } from '../../workers/archive-client';
import { ArchiveService } from './archive-service';
import { arrivalWords } from './arrival-words';
import fixture from '../fixtures/database-v1.json';
import { Journal } from '../journal/journal';

const WRITTEN = { writtenAt: '2026-01-06T09:00:00.000Z' };
const ignore = () => undefined;

function fileOf(records: Records, unread: Parameters<typeof writeArchive>[1]['unread'] = []): File {
  return new File([writeArchive(records, { ...WRITTEN, unread }) as BlobPart], 'house.zip');
}

/** An archive of what the first version stored, which is of the made-up household. */
const oldArchive = () => fileOf({ ...emptyRecords(), ...(fixture.tables as unknown as Records) });

async function bytesOf(blob: Blob): Promise<Uint8Array> {
  return new Uint8Array(await blob.arrayBuffer());
}

describe('the archive', () => {
  let setup: SpecHouse;
  let archive: ArchiveService;
  afterEach(() => setup.close());

  async function open(house: typeof demoHouse): Promise<void> {
    setup = await house();
    archive = TestBed.inject(ArchiveService);
  }

  it('of the first version joins what is here, and adds nothing at the second time', async () => {
    await open(demoHouse);
    const first = await archive.bring(oldArchive(), ignore);
    expect(first.added).toBeGreaterThan(0);
    expect(first.unread).toBe(0);
    const again = await archive.bring(oldArchive(), ignore);
    expect([again.added, again.replaced]).toEqual([0, 0]);
  });

  it('of a house of the other kind is refused, and nothing is changed', async () => {
    await open(furnishedHouse);
    const before = await setup.db.rows('entries').count();
    await expectAsync(archive.bring(oldArchive(), ignore)).toBeRejectedWithError(
      /never mixes with your own.*Nothing was changed/,
    );
    expect(await setup.db.rows('entries').count()).toBe(before);
  });

  it('that is not whole is refused in the words of the reader', async () => {
    await open(furnishedHouse);
    await expectAsync(
      archive.bring(new File([new Uint8Array([1, 2, 3])], 'x.zip'), ignore),
    ).toBeRejectedWithError(/This is not a whole archive of Nailwort.*Nothing was changed\./);
  });

  it('keeps every press that is made while it comes in', async () => {
    await open(demoHouse);
    const journal = TestBed.inject(Journal);
    const batch = setup.house().batches.find((b) => b.batch.plan !== undefined)!;
    const other = hollinRow(Date.now() - 40 * 86_400_000, Date.now() - 40 * 86_400_000);
    const coming = archive.bring(fileOf(other), ignore);
    const notes = await Promise.all(
      Array.from({ length: 9 }, (_, i) =>
        journal.say({ kind: 'batchNoted', batchId: batch.batch.id, note: `press ${i}` }),
      ),
    );
    await coming;
    expect(notes).toEqual(Array(9).fill(true));
    const house = await until(
      setup.store,
      (h) => h.facts.filter((f) => f.kind === 'batchNoted').length === 9,
    );
    expect(house.facts.length).toBeGreaterThan(9);
  });

  it('goes out whole, with what was set aside, and comes back the same', async () => {
    await open(demoHouse);
    const [known] = setup.house().records.entries;
    const strange = { ...known!, id: newId(1, seededRandom(1)), kind: 'dreamt' } as unknown as Entry;
    await setup.db.table('entries').add(strange);
    await archive
      .bring(fileOf(emptyRecords(), [{ table: 'dreams', row: { id: 'a' }, reason: 'new' }]), ignore)
      .catch(() => undefined);
    const shares: number[] = [];
    const [blob, ...rest] = await archive.write((share) => shares.push(share));
    expect(rest).toEqual([]);
    const { records, unread, manifest } = parseArchive(await bytesOf(blob!));
    expect(manifest.madeUp).toBeTrue();
    expect(records.entries.length).toBe(setup.house().records.entries.length);
    expect(unread.map((u) => u.table)).toContain('entries');
    expect(Math.max(...shares)).toBeGreaterThan(0.9);
  });

  it('of many photos goes into parts, each of which can be brought in alone', async () => {
    await open(demoHouse);
    const [vessel] = setup.house().records.vessels;
    const photo = (i: number) => ({
      id: newId(1000 + i, seededRandom(i)) as never,
      schemaVersion: 1 as const,
      vesselId: vessel!.id,
      takenAt: WRITTEN.writtenAt,
      mime: 'image/png' as const,
      bytes: new Uint8Array(1000).fill(i),
    });
    await setup.db.rows('photos').bulkAdd([0, 1, 2, 3, 4].map(photo));
    const blobs = await TestBed.inject(ArchiveWorker).write(
      {
        database: setup.db.name,
        madeUp: true,
        set: newId(5, seededRandom(5)),
        ...WRITTEN,
        mostPhotoBytes: 2000,
      },
      ignore,
    );
    expect(blobs.length).toBe(3);
    await setup.db.rows('photos').clear();
    const last = await archive.bring(new File([blobs[2]!], 'part-3.zip'), ignore);
    expect(last).toEqual(jasmine.objectContaining({ added: 1, part: { number: 3, of: 3 } }));
    expect(await setup.db.rows('photos').count()).toBe(1);
  });

  it('carries readings, and brings the logs of an older version to where readings are kept now', async () => {
    await open(demoHouse);
    const own = await setup.db.rows('readings').toArray();
    expect(own.length).toBeGreaterThan(30);
    const [blob] = await archive.write(ignore);
    await setup.db.rows('readings').clear();
    await archive.bring(new File([blob!], 'house.zip'), ignore);
    expect(await setup.db.rows('readings').toArray()).toEqual(own);
    const [cook] = setup.house().cooks;
    const logged: Entry = {
      id: newId(77, seededRandom(77)) as EntryId,
      schemaVersion: 1,
      at: WRITTEN.writtenAt,
      notedAt: WRITTEN.writtenAt,
      kind: 'logged',
      cookId: cook!.cook.id,
      channel: 'coreC',
      source: 'old logger',
      readings: Array.from({ length: 100 }, (_, i): [number, number] => [i * 30, 118]),
    };
    await archive.bring(fileOf({ ...emptyRecords(), ...setup.house().records, entries: [logged] }), ignore);
    const house = await until(setup.store, (h) => h.cookById.get(cook!.cook.id)!.logRows.length === 1);
    expect(house.cookById.get(cook!.cook.id)!.logs.map((l) => [l.source, l.count])).toEqual([
      ['old logger', 100],
    ]);
    expect(house.entryById.has(logged.id)).toBeFalse();
    expect((await setup.db.rows('readings').get(logged.id))!.count).toBe(100);
  });

  it('goes out as CSV of every table', async () => {
    await open(demoHouse);
    const blob = await archive.writeCsv(ignore);
    expect(blob.size).toBeGreaterThan(10_000);
  });

  it('can be stopped; what came in is whole, and the same file completes it', async () => {
    await open(furnishedHouse);
    const demo = hollinRow(Date.now(), Date.now());
    const own = { ...demo, household: [{ ...demo.household[0]!, madeUp: false }] };
    const many: Records = {
      ...own,
      entries: Array.from({ length: 4000 }, (_, i): Entry => ({
        id: newId(10_000 + i, seededRandom(i)) as EntryId,
        schemaVersion: 1,
        at: WRITTEN.writtenAt,
        notedAt: WRITTEN.writtenAt,
        kind: 'dayNoted',
        day: '2026-01-01',
        note: `line ${i}`,
      })),
    };
    const file = fileOf(many);
    const stopped = await archive.bring(file, (share) => {
      if (share > 0.5) {
        archive.stop();
      }
    });
    if (stopped.stopped) {
      const rows: unknown[] = await setup.db.rows('entries').toArray();
      expect(rows.length).toBeLessThan(4000);
      await until(setup.store, () => true);
    }
    const rest = await archive.bring(file, ignore);
    expect(await setup.db.rows('entries').count()).toBe(4000);
    expect(rest.stopped).toBeFalse();
    expect(await setup.db.meta.get('bringingIn')).toBeUndefined();
  });
});

describe('the words of an arrival', () => {
  it('say what came in, what differed and which won, and what is called otherwise now', () => {
    const words = arrivalWords({
      added: 12,
      differed: 2,
      replaced: 1,
      differences: [],
      unread: 1,
      stopped: false,
      renamed: ['G28b'],
      part: { number: 2, of: 3 },
    });
    expect(words).toContain('12 records added');
    expect(words).toContain('2 records differed; in 1 the file');
    expect(words).toContain('the later made is called G28b now');
    expect(words).toContain('part 2 of 3');
  });
});
