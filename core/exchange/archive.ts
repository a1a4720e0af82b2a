import { strFromU8, strToU8, unzipSync, zipSync, type Zippable } from 'fflate';
import * as z from 'zod';
import { CoreError } from '../errors.js';
import {
  TABLES,
  TABLE_NAMES,
  emptyRecords,
  readRow,
  type Records,
  type TableName,
} from '../record/tables.js';

/** Version of the archive's layout. A reader refuses what is newer than itself. */
export const ARCHIVE_FORMAT = 2;
/** Largest archive that is opened, packed and unpacked. Photos are the only large part. */
export const MOST_ARCHIVE_BYTES = 150_000_000;
const MOST_UNPACKED_BYTES = 400_000_000;
const MOST_ROWS = 500_000;
const MANIFEST = 'manifest.json';
const PHOTO_EXTENSION = { 'image/jpeg': 'jpg', 'image/png': 'png', 'image/webp': 'webp' } as const;

const Manifest = z.object({
  app: z.literal('nailwort'),
  format: z.number().int().positive(),
  writtenAt: z.iso.datetime(),
  madeUp: z.boolean(),
  counts: z.partialRecord(z.enum(TABLE_NAMES as [TableName, ...TableName[]]), z.number().int().nonnegative()),
});
export type Manifest = z.infer<typeof Manifest>;

/**
 * One file with everything: a zip of one JSON Lines file per table, the photos as pictures, and a manifest.
 * Pure: the time of writing is passed in.
 */
export function writeArchive(records: Records, options: { readonly writtenAt: string }): Uint8Array {
  const manifest: Manifest = {
    app: 'nailwort',
    format: ARCHIVE_FORMAT,
    writtenAt: options.writtenAt,
    madeUp: records.household[0]?.madeUp ?? false,
    counts: Object.fromEntries(TABLE_NAMES.map((name) => [name, records[name].length])),
  };
  const files: Zippable = { [MANIFEST]: strToU8(`${JSON.stringify(manifest, undefined, 2)}\n`) };
  for (const name of TABLE_NAMES) {
    files[`${name}.jsonl`] = strToU8(
      records[name].map((row) => `${JSON.stringify(withoutBytes(row))}\n`).join(''),
    );
  }
  for (const photo of records.photos) {
    // Already compressed by its own format.
    files[photoPath(photo)] = [photo.bytes, { level: 0 }];
  }
  return zipSync(files, { level: 6, mtime: options.writtenAt });
}

/**
 * Reads an archive completely before anything is kept; a file that is not whole is refused as a whole.
 *
 * @throws CoreError `bad-archive` that names what is wrong and where
 */
export function parseArchive(bytes: Uint8Array): { readonly manifest: Manifest; readonly records: Records } {
  if (bytes.length > MOST_ARCHIVE_BYTES) {
    throw bad(
      `Archive must be at most ${MOST_ARCHIVE_BYTES / 1e6} MB. This one has ${Math.round(bytes.length / 1e6)} MB.`,
    );
  }
  const files = unzip(bytes);
  const manifest = readManifest(files[MANIFEST]);
  const records: Record<string, unknown[]> = { ...emptyRecords() } as unknown as Record<string, unknown[]>;
  for (const name of TABLE_NAMES) {
    const file = files[`${name}.jsonl`];
    if (file === undefined) {
      throw bad(`The archive lacks ${name}.jsonl.`);
    }
    records[name] = readLines(name, file, files);
    const counted = manifest.counts[name];
    if (counted !== undefined && counted !== records[name].length) {
      throw bad(
        `${name}.jsonl must hold ${counted} rows, as the manifest says. It holds ${records[name].length}.`,
      );
    }
  }
  return { manifest, records: records as unknown as Records };
}

function unzip(bytes: Uint8Array): Record<string, Uint8Array> {
  let unpacked = 0;
  const names = new Set<string>();
  try {
    return unzipSync(bytes, {
      filter: (file) => {
        unpacked += file.originalSize;
        names.add(file.name);
        if (unpacked > MOST_UNPACKED_BYTES || names.size > MOST_ROWS) {
          throw bad(`The archive unpacks to more than ${MOST_UNPACKED_BYTES / 1e6} MB.`);
        }
        return true;
      },
    });
  } catch (error) {
    if (error instanceof CoreError) {
      throw error;
    }
    throw bad(
      'This is not a whole archive of Nailwort: it cannot be unpacked. It may be cut short, damaged or another kind of file.',
    );
  }
}

function readManifest(file: Uint8Array | undefined): Manifest {
  const json = file === undefined ? undefined : parseJson(strFromU8(file));
  const format = z.object({ app: z.literal('nailwort'), format: z.number() }).safeParse(json);
  if (!format.success) {
    throw bad('This is not an archive of Nailwort: its manifest.json is missing or says something else.');
  }
  if (format.data.format > ARCHIVE_FORMAT) {
    throw bad(
      `Archive format must be at most ${ARCHIVE_FORMAT}. This one is ${format.data.format}, from a newer Nailwort: update first.`,
    );
  }
  const manifest = Manifest.safeParse(json);
  if (!manifest.success) {
    throw bad(`manifest.json: ${firstIssue(manifest.error.issues)}.`);
  }
  return manifest.data;
}

function readLines(name: TableName, file: Uint8Array, files: Record<string, Uint8Array>): unknown[] {
  const lines = strFromU8(file)
    .split('\n')
    .filter((line) => line.trim() !== '');
  if (lines.length > MOST_ROWS) {
    throw bad(`${name}.jsonl must have at most ${MOST_ROWS} rows. It has ${lines.length}.`);
  }
  return lines.map((line, index) => {
    const json = parseJson(line);
    const row = name === 'photos' ? withBytes(json, files) : json;
    const read = readRow(name, row);
    if (!read.ok) {
      throw bad(`${name}.jsonl, row ${index + 1}: ${firstIssue(read.issues)}.`);
    }
    return read.value;
  });
}

function parseJson(text: string): unknown {
  try {
    return JSON.parse(text) as unknown;
  } catch {
    return undefined;
  }
}

function firstIssue(issues: readonly z.core.$ZodIssue[]): string {
  const issue = issues[0];
  return issue === undefined ? 'unreadable' : `${issue.path.join('.') || 'the row'}: ${issue.message}`;
}

function photoPath(photo: { readonly id: string; readonly mime: keyof typeof PHOTO_EXTENSION }): string {
  return `photos/${photo.id}.${PHOTO_EXTENSION[photo.mime]}`;
}

function withoutBytes(row: object): object {
  const { bytes: _bytes, ...rest } = row as { bytes?: unknown };
  return rest;
}

function withBytes(json: unknown, files: Record<string, Uint8Array>): unknown {
  const meta = z
    .looseObject({ id: z.string(), mime: z.enum(['image/jpeg', 'image/png', 'image/webp']) })
    .safeParse(json);
  return meta.success ? { ...meta.data, bytes: files[photoPath(meta.data)] } : json;
}

function bad(message: string): CoreError {
  return new CoreError(
    'bad-archive',
    'Archive',
    undefined,
    'a whole archive of this or an older version',
    message,
  );
}

/** JSON Schema (2020-12) of every table, as written to docs/format. Photo bytes are files of their own. */
export function tableJsonSchemas(): Readonly<Record<TableName, unknown>> {
  const entries = TABLE_NAMES.map((name) => {
    const schema = name === 'photos' ? TABLES.photos.omit({ bytes: true }) : TABLES[name];
    return [name, z.toJSONSchema(schema, { target: 'draft-2020-12', unrepresentable: 'any' })];
  });
  return Object.fromEntries(entries) as Record<TableName, unknown>;
}
