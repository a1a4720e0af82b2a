import { TestBed } from '@angular/core/testing';
import { emptyRecords, writeArchive, type Records } from '../../core/index';
import { demoHouse, furnishedHouse, type SpecHouse } from '../testing/house';
import { ArchiveService } from './archive-service';
import fixture from './fixtures/database-v1.json';

/** An archive of what the first version stored, which is of the made-up household. */
function oldArchive(): File {
  const records = { ...emptyRecords(), ...(fixture.tables as unknown as Records) };
  const bytes = writeArchive(records, { writtenAt: '2026-01-06T09:00:00.000Z' });
  return new File([bytes as BlobPart], 'old.zip');
}

describe('an archive of the first version', () => {
  let setup: SpecHouse;
  afterEach(() => setup.close());

  it('gains what ships now when it is opened', async () => {
    setup = await demoHouse();
    const records = await TestBed.inject(ArchiveService).open(oldArchive());
    expect(records.materials.length).toBeGreaterThan(60);
    expect(records.materials.find((m) => m.id === 'wheat')?.nitrogen?.value).toBeGreaterThan(0);
    expect(records.batches.length).toBe(fixture.tables.batches.length);
  });

  it('joins what is here and adds nothing at the second time', async () => {
    setup = await demoHouse();
    const archive = TestBed.inject(ArchiveService);
    const records = await archive.open(oldArchive());
    expect((await archive.merge(records)).added).toBeGreaterThan(0);
    expect((await archive.merge(records)).added).toBe(0);
  });

  it('is refused by a house of the other kind', async () => {
    setup = await furnishedHouse();
    await expectAsync(TestBed.inject(ArchiveService).open(oldArchive())).toBeRejectedWithError(
      /never mixes with your own/,
    );
  });
});
