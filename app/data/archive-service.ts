import { Injectable, inject } from '@angular/core';
import {
  MOST_ARCHIVE_BYTES,
  TABLE_NAMES,
  improveDefinitions,
  shippedDefinitions,
  type Records,
  type TableName,
} from '../../core/index';
import { ArchiveWorker } from '../workers/archive-client';
import { HOUSE_DB, type HouseDb } from './house-db';
import { WHICH_HOUSE } from './which-house';

/** Everything out to one file, everything away, everything back. Packing happens in a worker. */
@Injectable({ providedIn: 'root' })
export class ArchiveService {
  private readonly db = inject(HOUSE_DB);
  private readonly worker = inject(ArchiveWorker);
  private readonly which = inject(WHICH_HOUSE);

  async write(): Promise<Uint8Array> {
    return this.worker.write(await readAllRecords(this.db), new Date().toISOString());
  }

  /**
   * Reads a file of this kind of house without keeping anything.
   * @throws Error with words for the person
   */
  async open(file: File): Promise<Records> {
    if (file.size > MOST_ARCHIVE_BYTES) {
      throw new Error(
        `Archive must be at most ${MOST_ARCHIVE_BYTES / 1e6} MB. This one has ${Math.round(file.size / 1e6)} MB.`,
      );
    }
    const records = await this.worker.parse(new Uint8Array(await file.arrayBuffer()));
    const isMadeUp = records.household[0]?.madeUp ?? false;
    if (isMadeUp !== this.which.madeUp) {
      throw new Error(
        isMadeUp
          ? 'This archive is of the made-up household, which never mixes with your own.'
          : 'This archive is of a real house, which never mixes with the made-up one.',
      );
    }
    return improved(records);
  }

  /** Adds an archive to what is here: facts by union, definitions by latest change. In one transaction. */
  async merge(records: Records): Promise<{ readonly added: number; readonly differences: number }> {
    const mine = await readAllRecords(this.db);
    const merged = await this.worker.merge(mine, records);
    const before = countRows(mine);
    await replaceAll(this.db, merged.records);
    return { added: countRows(merged.records) - before, differences: merged.differences };
  }

  async wipe(): Promise<void> {
    await this.db.transaction('rw', [...TABLE_NAMES], () =>
      Promise.all(TABLE_NAMES.map((name) => this.db.rows(name).clear())),
    );
  }

  async fill(records: Records): Promise<void> {
    await replaceAll(this.db, records);
  }
}

export async function readAllRecords(db: HouseDb): Promise<Records> {
  return db.transaction('r', [...TABLE_NAMES], async () => {
    const rows = await Promise.all(TABLE_NAMES.map((name) => db.rows(name).toArray()));
    return Object.fromEntries(TABLE_NAMES.map((name, i) => [name, rows[i]])) as unknown as Records;
  });
}

/** An archive of an older version lacks what ships now. */
function improved(records: Records): Records {
  return { ...records, ...improveDefinitions(records, shippedDefinitions(new Date().toISOString())) };
}

async function replaceAll(db: HouseDb, records: Records): Promise<void> {
  await db.transaction('rw', [...TABLE_NAMES], async () => {
    for (const name of TABLE_NAMES) {
      await putRows(db, name, records);
    }
  });
}

async function putRows(db: HouseDb, name: TableName, records: Records): Promise<void> {
  await db.rows(name).clear();
  await db.rows(name).bulkPut([...records[name]] as never);
}

function countRows(records: Records): number {
  return TABLE_NAMES.reduce((sum, name) => sum + records[name].length, 0);
}
