import {
  ArchiveWriter,
  TABLE_NAMES,
  csvOf,
  isLive,
  firstIssue,
  olderRow,
  partsOfPhotos,
  readRow,
  type TableName,
  type UnreadRow,
} from '../../../core/index';
import { Zip, ZipDeflate, strToU8 } from 'fflate';
import type { HouseDb } from '../store/house-db';
import { rowsInPages } from '../store/pages';
import { Stopped } from './stopped';

export interface TakeOutOptions {
  readonly writtenAt: string;
  readonly madeUp: boolean;
  /** Identity of this writing, carried by all its parts. */
  readonly set: string;
  readonly onProgress: (share: number) => void;
  readonly isStopped: () => boolean;
  /** Bytes of photos to a part; the usual when it is left out. */
  readonly mostPhotoBytes?: number;
}

/** Pieces of packed bytes are gathered into blobs of this size, which the browser may keep on the disk. */
const BLOB_BYTES = 4_000_000;

/**
 * Writes the whole house into one file, or into numbered parts where the photos weigh too much for one. Rows and photos
 * are read a table and a picture at a time, and never all held at once.
 */
export async function takeOut(db: HouseDb, options: TakeOutOptions): Promise<readonly Blob[]> {
  const photos = await photoSizes(db);
  const parts = partsOfPhotos(photos, options.mostPhotoBytes);
  const blobs: Blob[] = [];
  const total = photos.length + TABLE_NAMES.length;
  let done = 0;
  const step = () => {
    options.onProgress(++done / total);
    refuseStopped(options);
  };
  for (const [index, ids] of parts.entries()) {
    const out = new BlobWriter();
    const part = parts.length > 1 ? { set: options.set, number: index + 1, of: parts.length } : undefined;
    const writer = new ArchiveWriter(
      { writtenAt: options.writtenAt, madeUp: options.madeUp, ...(part && { part }) },
      (bytes) => {
        out.push(bytes);
      },
    );
    if (index === 0) {
      await writeTables(db, writer, options, step);
    }
    for (const id of ids) {
      const row: unknown = await db.rows('photos').get(id);
      const photo = readRow('photos', row);
      if (photo.ok) {
        writer.photo(photo.value);
      }
      step();
    }
    writer.end();
    blobs.push(out.blob());
  }
  return blobs;
}

async function photoSizes(db: HouseDb): Promise<readonly { id: string; bytes: number }[]> {
  const sizes: { id: string; bytes: number }[] = [];
  await db.rows('photos').each((photo) => {
    const { bytes } = photo as { bytes?: Uint8Array };
    sizes.push({ id: photo.id, bytes: bytes?.length ?? 0 });
  });
  return sizes;
}

function refuseStopped({ isStopped }: Pick<TakeOutOptions, 'isStopped'>): void {
  if (isStopped()) {
    throw new Stopped('Stopped.');
  }
}

async function writeTables(
  db: HouseDb,
  writer: ArchiveWriter,
  options: TakeOutOptions,
  step: () => void,
): Promise<void> {
  const aside: UnreadRow[] = (await db.unread.toArray()).map(({ table, row, reason }) => ({
    table,
    row,
    reason,
  }));
  for (const name of TABLE_NAMES) {
    if (isLive(name)) {
      const rows: unknown[] = await db.rows(name).toArray();
      writer.table(name, readable(name, rows, aside));
      step();
    }
  }
  const readings = writer.begin('readings');
  for await (const rows of rowsInPages(db, 'readings', CHUNKS_AT_ONCE)) {
    readings.add(readable('readings', rows, aside));
    refuseStopped(options);
  }
  readings.end();
  step();
  writer.unread(aside);
}

/** Rows that a schema reads; the others go where they are carried on. */
function* readable(name: TableName, rows: readonly unknown[], aside: UnreadRow[]): Generator<object> {
  for (const row of rows) {
    const read = readRow(name, olderRow(name, row));
    if (read.ok) {
      yield read.value;
    } else {
      aside.push({ table: name, row: row as UnreadRow['row'], reason: firstIssue(read.issues) });
    }
  }
}

/** Every table as CSV, in one zip; pictures are left out. */
export async function takeOutCsv(
  db: HouseDb,
  options: Pick<TakeOutOptions, 'writtenAt' | 'onProgress' | 'isStopped'>,
): Promise<Blob> {
  const out = new BlobWriter();
  const zip = new Zip((error, bytes) => {
    if (error !== null) {
      throw error;
    }
    out.push(bytes);
  });
  for (const [i, name] of TABLE_NAMES.entries()) {
    const file = new ZipDeflate(`${name}.csv`, { level: 6 });
    file.mtime = options.writtenAt;
    zip.add(file);
    file.push(strToU8(csvOf(name, [], true)));
    for await (const rows of rowsInPages(db, name, isLive(name) ? CSV_ROWS_AT_ONCE : CHUNKS_AT_ONCE)) {
      file.push(strToU8(csvOf(name, rows, false)));
      refuseStopped(options);
    }
    file.push(new Uint8Array(), true);
    options.onProgress((i + 1) / TABLE_NAMES.length);
  }
  zip.end();
  return out.blob();
}

const CSV_ROWS_AT_ONCE = 5000;
/** A chunk of readings is some forty kilobytes of text. */
const CHUNKS_AT_ONCE = 100;

/** Gathers bytes into blobs, so that a large file is never one piece of memory. */
class BlobWriter {
  private readonly blobs: Blob[] = [];
  private pieces: Uint8Array<ArrayBuffer>[] = [];
  private held = 0;

  push(bytes: Uint8Array): void {
    this.pieces.push(bytes.slice());
    this.held += bytes.length;
    if (this.held > BLOB_BYTES) {
      this.gather();
    }
  }

  blob(): Blob {
    this.gather();
    return new Blob(this.blobs, { type: 'application/zip' });
  }

  private gather(): void {
    this.blobs.push(new Blob(this.pieces));
    this.pieces = [];
    this.held = 0;
  }
}
