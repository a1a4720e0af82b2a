import { Zip, ZipDeflate, ZipPassThrough, strToU8 } from 'fflate';
import type { Photo } from '../../record/batch.js';
import { TABLE_NAMES, type Records, type TableName } from '../../record/tables.js';
import {
  ARCHIVE_FORMAT,
  MANIFEST,
  MOST_PHOTO_BYTES_IN_PART,
  UNREAD_FILE,
  photoFile,
  tableFile,
  type Manifest,
  type UnreadRow,
} from './format.js';

/** The least format of a reader that understands what is written here. */
const READABLE_BY = 3;
/** Level 6 of deflate: a tenth of the text, at twenty megabytes a second. */
const LEVEL = 6;
/** Text is handed to the packer in pieces of about this many characters. */
const PIECE_CHARACTERS = 65_536;

type Head = Pick<Manifest, 'writtenAt' | 'madeUp' | 'part'>;

/**
 * Writes an archive as it goes: rows are given table by table, and packed bytes come out long before the end. A zip of
 * one JSON Lines file per table, the photos as pictures, and a manifest.
 */
export class ArchiveWriter {
  private readonly zip: Zip;
  private readonly counts: Partial<Record<TableName, number>> = {};
  private readonly photoLines: string[] = [];
  private unreadCount = 0;

  /** @param onBytes takes packed bytes, in order */
  constructor(
    private readonly head: Head,
    onBytes: (bytes: Uint8Array) => void,
  ) {
    this.zip = new Zip((error, bytes) => {
      if (error !== null) {
        throw error;
      }
      onBytes(bytes);
    });
  }

  /** All rows of one table but the photos; they may be read lazily. */
  table(name: Exclude<TableName, 'photos'>, rows: Iterable<object>): void {
    const table = this.begin(name);
    table.add(rows);
    table.end();
  }

  /** The same where rows are read a few at a time; no other table may be written before its end. */
  begin(name: Exclude<TableName, 'photos'>): { add(rows: Iterable<object>): void; end(): void } {
    const lines = this.lines(tableFile(name));
    return {
      add: lines.add,
      end: () => {
        this.counts[name] = lines.end();
      },
    };
  }

  /** One photo: its picture at once, its row with the others at the end. */
  photo(photo: Photo): void {
    const { bytes, ...row } = photo;
    // Already compressed by its own format.
    const file = new ZipPassThrough(photoFile(photo));
    this.add(file);
    file.push(bytes, true);
    this.photoLines.push(JSON.stringify(row));
  }

  unread(rows: Iterable<UnreadRow>): void {
    const lines = this.lines(UNREAD_FILE);
    lines.add(rows);
    this.unreadCount = lines.end();
  }

  end(): void {
    this.counts.photos = this.photoLines.length;
    this.text(tableFile('photos'), this.photoLines);
    const manifest: Manifest = {
      app: 'nailwort',
      format: ARCHIVE_FORMAT,
      readableBy: READABLE_BY,
      ...this.head,
      counts: this.counts,
      unread: this.unreadCount,
    };
    this.text(MANIFEST, [JSON.stringify(manifest, undefined, 2)]);
    this.zip.end();
  }

  private lines(name: string): { add: (rows: Iterable<object>) => void; end: () => number } {
    const file = new ZipDeflate(name, { level: LEVEL });
    this.add(file);
    let count = 0;
    let piece = '';
    return {
      add: (rows) => {
        for (const row of rows) {
          count++;
          piece += `${JSON.stringify(row)}\n`;
          if (piece.length > PIECE_CHARACTERS) {
            file.push(strToU8(piece));
            piece = '';
          }
        }
      },
      end: () => {
        file.push(strToU8(piece), true);
        return count;
      },
    };
  }

  private text(name: string, lines: readonly string[]): void {
    const file = new ZipDeflate(name, { level: LEVEL });
    this.add(file);
    file.push(strToU8(lines.map((line) => `${line}\n`).join('')), true);
  }

  private add(file: ZipDeflate | ZipPassThrough): void {
    file.mtime = this.head.writtenAt;
    this.zip.add(file);
  }
}

/**
 * An archive of records that are in memory, as one file whatever its photos weigh.
 * Pure: the time of writing is passed in.
 */
export function writeArchive(
  records: Records,
  options: { readonly writtenAt: string; readonly unread?: readonly UnreadRow[] },
): Uint8Array {
  const pieces: Uint8Array[] = [];
  const writer = new ArchiveWriter(
    { writtenAt: options.writtenAt, madeUp: records.household[0]?.madeUp ?? false },
    (bytes) => pieces.push(bytes),
  );
  for (const name of TABLE_NAMES) {
    if (name !== 'photos') {
      writer.table(name, records[name]);
    }
  }
  records.photos.forEach((photo) => {
    writer.photo(photo);
  });
  writer.unread(options.unread ?? []);
  writer.end();
  return joined(pieces);
}

function joined(pieces: readonly Uint8Array[]): Uint8Array {
  const whole = new Uint8Array(pieces.reduce((sum, p) => sum + p.length, 0));
  let at = 0;
  for (const piece of pieces) {
    whole.set(piece, at);
    at += piece.length;
  }
  return whole;
}

/**
 * Which photos go into which part: as many as fit, in order. The first part holds everything else too.
 *
 * @returns ids by part; at least one part
 */
export function partsOfPhotos<Id>(
  photos: readonly { readonly id: Id; readonly bytes: number }[],
  most = MOST_PHOTO_BYTES_IN_PART,
): readonly (readonly Id[])[] {
  const parts: Id[][] = [[]];
  let held = 0;
  for (const { id, bytes } of photos) {
    if (held > 0 && held + bytes > most) {
      parts.push([]);
      held = 0;
    }
    parts[parts.length - 1]!.push(id);
    held += bytes;
  }
  return parts;
}
