import * as z from 'zod';
import { CoreError } from '../../base/errors.js';
import type { ArchiveFault } from '../../base/refusals.js';
import { TABLES, TABLE_NAMES, type TableName } from '../../record/tables.js';

/** Version of the archive's layout as it is written now. Readers take every earlier one too. */
export const ARCHIVE_FORMAT = 7;
export const MANIFEST = 'manifest.json';
/** Rows that the writing app could not read itself, carried on so that a later one may. */
export const UNREAD_FILE = 'unread.jsonl';

/** Photos beyond this go into a further numbered part, so that every part can be opened anywhere. */
export const MOST_PHOTO_BYTES_IN_PART = 100_000_000;
/** Largest file that is opened: a part with all its photos, and ten years of entries. */
export const MOST_ARCHIVE_BYTES = 400_000_000;
/** What one archive may unpack to in all, and one table of it. */
export const MOST_UNPACKED_BYTES = 1_000_000_000;
export const MOST_TABLE_BYTES = 400_000_000;
export const MOST_ROWS = 1_000_000;
/** The longest row is a chunk of two thousand readings, about 40 kB. */
export const MOST_LINE_CHARACTERS = 1_000_000;
export const MOST_MANIFEST_BYTES = 1_000_000;
export const MOST_PHOTO_BYTES = 8_000_000;
/** Photos of one part, the tables and the manifest. */
export const MOST_MEMBERS = 20_000;

const PHOTO_EXTENSION = { 'image/jpeg': 'jpg', 'image/png': 'png', 'image/webp': 'webp' } as const;
type PhotoKind = keyof typeof PHOTO_EXTENSION;

export const Manifest = z.object({
  app: z.literal('nailwort'),
  format: z.number().int().positive(),
  /** The least format that a reader must know; absent in the first two, which name only their own. */
  readableBy: z.number().int().positive().optional(),
  writtenAt: z.iso.datetime(),
  madeUp: z.boolean(),
  /** Rows of each table that this part holds; tables of a later version are named too. */
  counts: z.record(z.string().max(40), z.number().int().nonnegative()),
  unread: z.number().int().nonnegative().optional(),
  /** One of several files that were written together. Each can be brought in alone, in any order. */
  part: z.object({ set: z.uuid(), number: z.number().int().min(1), of: z.number().int().min(1) }).optional(),
});
export type Manifest = z.infer<typeof Manifest>;

/** A row that this version cannot read: kept as it came, with the reason, and tried again after an update. */
export const UnreadRow = z.strictObject({
  table: z.string().min(1).max(40),
  row: z.json(),
  reason: z.string().max(400),
});
export type UnreadRow = z.infer<typeof UnreadRow>;

export function tableFile(name: string): string {
  return `${name}.jsonl`;
}

/** The table of a file of rows; undefined for any other file. */
export function tableOfFile(file: string): string | undefined {
  return file === UNREAD_FILE ? undefined : /^([A-Za-z]{1,40})\.jsonl$/.exec(file)?.[1];
}

export function isKnownTable(name: string): name is TableName {
  return (TABLE_NAMES as readonly string[]).includes(name);
}

export function photoFile(photo: { readonly id: string; readonly mime: PhotoKind }): string {
  return `photos/${photo.id}.${PHOTO_EXTENSION[photo.mime]}`;
}

export function isPhotoFile(file: string): boolean {
  return /^photos\/[0-9a-f-]{36}\.(jpg|png|webp)$/i.test(file);
}

/** Which file of the archive holds the bytes of a photo's row; undefined when the row does not say. */
export function photoFileOfRow(row: unknown): string | undefined {
  const meta = z
    .looseObject({ id: z.uuid(), mime: z.enum(Object.keys(PHOTO_EXTENSION) as [PhotoKind, ...PhotoKind[]]) })
    .safeParse(row);
  return meta.success ? photoFile(meta.data) : undefined;
}

/** A refused archive. Names of files are as long as they are; whoever words them shortens them. */
export function badArchive(fault: ArchiveFault): CoreError<'bad-archive'> {
  return new CoreError('bad-archive', fault);
}

/** JSON Schema (2020-12) of every table, as written to docs/format. Photo bytes are files of their own. */
export function tableJsonSchemas(): Readonly<Record<TableName, unknown>> {
  const entries = TABLE_NAMES.map((name) => {
    const schema = name === 'photos' ? TABLES.photos.omit({ bytes: true }) : TABLES[name];
    return [name, z.toJSONSchema(schema, { target: 'draft-2020-12', unrepresentable: 'any' })];
  });
  return Object.fromEntries(entries) as Record<TableName, unknown>;
}
