import { olderRow } from '../../record/older-rows.js';
import { TABLE_NAMES, emptyRecords, readRow, type Records, type TableName } from '../../record/tables.js';
import {
  ARCHIVE_FORMAT,
  MANIFEST,
  MOST_MANIFEST_BYTES,
  MOST_PHOTO_BYTES,
  MOST_TABLE_BYTES,
  MOST_UNPACKED_BYTES,
  Manifest,
  UNREAD_FILE,
  UnreadRow,
  badArchive,
  isKnownTable,
  isPhotoFile,
  photoFileOfRow,
  tableFile,
  tableOfFile,
} from './format.js';
import { linesOf, unpack, unpackWhole } from './unpack.js';
import { readZipDirectory, type ByteSource, type ZipMember } from './zip-directory.js';

/** What comes out of an archive, row by row. */
export type ArchiveRow =
  | { readonly kind: 'row'; readonly table: TableName; readonly row: Records[TableName][number] }
  | { readonly kind: 'unread'; readonly unread: UnreadRow };

/** An archive that was found whole: every checksum fits, nothing is larger than it may be. */
export interface OpenArchive {
  readonly manifest: Manifest;
  /** Rows that `rows` will give. */
  readonly rowCount: number;
  /**
   * All rows, in an order in which they can be kept: what others name comes before what names it, and entries last, so
   * that nothing shows before it is whole.
   */
  readonly rows: () => Generator<ArchiveRow>;
}

/** Rows of ours pack to about a tenth; what packs far better was made to fill a disk. */
const MOST_RATIO = 100;
const RATIO_FROM_BYTES = 5_000_000;
/** Entries make everything else visible. */
const ORDER: readonly TableName[] = [...TABLE_NAMES.filter((t) => t !== 'entries'), 'entries'];

/**
 * Opens an archive of any format up to this one. All of it is unpacked once and checked before the first row is given;
 * rows that no schema reads are no reason to refuse the rest, they come out as unread with their reason.
 *
 * @throws CoreError `bad-archive` that names what is wrong and where; nothing was read then
 */
export function openArchive(
  source: ByteSource,
  onProgress: (share: number) => void = () => undefined,
): OpenArchive {
  const members = new Map(readZipDirectory(source).map((m) => [m.name, m]));
  refuseLarge(members);
  const manifest = readManifest(source, members.get(MANIFEST));
  let rowCount = 0;
  let done = 0;
  const total = [...members.values()].reduce((sum, m) => sum + m.packedBytes, 1);
  for (const member of members.values()) {
    rowCount += verify(source, member, manifest);
    done += member.packedBytes;
    onProgress(done / total);
  }
  // A table that came later is in no older archive; those that the manifest counts must be there.
  for (const name of Object.keys(manifest.counts)) {
    if (!members.has(tableFile(name))) {
      throw badArchive({ fault: 'lacks', file: tableFile(name) });
    }
  }
  return { manifest, rowCount, rows: () => rowsOf(source, members) };
}

function refuseLarge(members: ReadonlyMap<string, ZipMember>): void {
  let unpacked = 0;
  for (const member of members.values()) {
    unpacked += member.unpackedBytes;
    const most = isPhotoFile(member.name) ? MOST_PHOTO_BYTES : MOST_TABLE_BYTES;
    if (member.unpackedBytes > most) {
      throw badArchive(
        isPhotoFile(member.name)
          ? { fault: 'file-too-large', file: member.name, bytes: member.unpackedBytes, most }
          : { fault: 'too-much-inside', file: member.name, most },
      );
    }
    if (member.unpackedBytes > RATIO_FROM_BYTES && member.unpackedBytes > MOST_RATIO * member.packedBytes) {
      throw badArchive({ fault: 'too-dense', file: member.name, mostTimes: MOST_RATIO });
    }
  }
  if (unpacked > MOST_UNPACKED_BYTES) {
    throw badArchive({ fault: 'too-much-inside', most: MOST_UNPACKED_BYTES });
  }
}

function readManifest(source: ByteSource, member: ZipMember | undefined): Manifest {
  const json =
    member && parseJson(new TextDecoder().decode(unpackWhole(source, member, MOST_MANIFEST_BYTES)));
  const isOurs =
    typeof json === 'object' &&
    json !== null &&
    (json as { app?: unknown }).app === 'nailwort' &&
    typeof (json as { format?: unknown }).format === 'number';
  if (!isOurs) {
    throw badArchive({ fault: 'not-ours' });
  }
  const { format, readableBy } = json as { format: number; readableBy?: unknown };
  const needs = typeof readableBy === 'number' ? readableBy : format;
  if (needs > ARCHIVE_FORMAT) {
    throw badArchive({ fault: 'newer-format', format: needs, most: ARCHIVE_FORMAT });
  }
  const manifest = Manifest.safeParse(json);
  if (!manifest.success) {
    throw badArchive({ fault: 'bad-manifest', issue: firstIssue(manifest.error.issues) });
  }
  return manifest.data;
}

/** Unpacks a member to its end, which checks it. @returns how many rows it holds */
function verify(source: ByteSource, member: ZipMember, manifest: Manifest): number {
  const table = tableOfFile(member.name);
  if (table === undefined && member.name !== UNREAD_FILE) {
    for (const _piece of unpack(source, member)) {
      // Nothing but the checksum is wanted here.
    }
    return 0;
  }
  let rows = 0;
  for (const _line of linesOf(source, member)) {
    rows++;
  }
  const counted = table === undefined ? manifest.unread : manifest.counts[table];
  if (counted !== undefined && counted !== rows) {
    throw badArchive({ fault: 'rows-missing', file: member.name, counted, held: rows });
  }
  return rows;
}

function* rowsOf(source: ByteSource, members: ReadonlyMap<string, ZipMember>): Generator<ArchiveRow> {
  for (const table of ORDER) {
    const member = members.get(tableFile(table));
    if (member !== undefined) {
      for (const line of linesOf(source, member)) {
        yield readLine(table, line, source, members);
      }
    }
  }
  for (const member of members.values()) {
    const table = tableOfFile(member.name);
    if (table !== undefined && !isKnownTable(table)) {
      for (const line of linesOf(source, member)) {
        const row = parseJson(line) ?? line;
        yield unread(table, row, 'a kind of record that this version does not know');
      }
    }
  }
  const member = members.get(UNREAD_FILE);
  if (member !== undefined) {
    for (const line of linesOf(source, member)) {
      yield readUnread(line);
    }
  }
}

function readLine(
  table: TableName,
  line: string,
  source: ByteSource,
  members: ReadonlyMap<string, ZipMember>,
): ArchiveRow {
  const json = parseJson(line);
  if (json === undefined) {
    return unread(table, line, 'no JSON');
  }
  if (table !== 'photos') {
    return readAs(table, json, json);
  }
  const file = photoFileOfRow(json);
  const member = file === undefined ? undefined : members.get(file);
  return member === undefined
    ? unread(table, json, 'its picture is not in the archive')
    : readAs(table, { ...(json as object), bytes: unpackWhole(source, member, MOST_PHOTO_BYTES) }, json);
}

/** A row that was set aside by the app that wrote the archive: this one may know it. */
function readUnread(line: string): ArchiveRow {
  const parsed = UnreadRow.safeParse(parseJson(line));
  if (!parsed.success) {
    return unread('unread', parseJson(line) ?? line, firstIssue(parsed.error.issues));
  }
  const { table, row } = parsed.data;
  return isKnownTable(table) && table !== 'photos'
    ? readAs(table, row, row)
    : { kind: 'unread', unread: parsed.data };
}

function readAs(table: TableName, row: unknown, asStored: unknown): ArchiveRow {
  const read = readRow(table, olderRow(table, row));
  return read.ok ? { kind: 'row', table, row: read.value } : unread(table, asStored, firstIssue(read.issues));
}

function unread(table: string, row: unknown, reason: string): ArchiveRow {
  const kept = UnreadRow.shape.row.safeParse(row);
  return {
    kind: 'unread',
    unread: { table, row: kept.success ? kept.data : String(row), reason },
  };
}

/**
 * Reads an archive that is in memory. For archives on the disk see `openArchive`, which never holds them whole.
 *
 * @throws CoreError `bad-archive`
 */
export function parseArchive(bytes: Uint8Array): {
  readonly manifest: Manifest;
  readonly records: Records;
  readonly unread: readonly UnreadRow[];
} {
  const archive = openArchive(sourceOf(bytes));
  const records = emptyRecords() as Record<TableName, unknown[]>;
  const aside: UnreadRow[] = [];
  for (const item of archive.rows()) {
    if (item.kind === 'row') {
      records[item.table].push(item.row);
    } else {
      aside.push(item.unread);
    }
  }
  return { manifest: archive.manifest, records: records as unknown as Records, unread: aside };
}

export function sourceOf(bytes: Uint8Array): ByteSource {
  return { size: bytes.length, read: (from, to) => bytes.subarray(from, to) };
}

function parseJson(text: string): unknown {
  try {
    return JSON.parse(text) as unknown;
  } catch {
    return undefined;
  }
}

const MOST_REASON = 200;

/** The first thing that is wrong with a row, with the field that it is in, short enough for a line. */
export function firstIssue(
  issues: readonly { readonly path: readonly PropertyKey[]; readonly message: string }[],
): string {
  const issue = issues[0];
  if (issue === undefined) {
    return 'unreadable';
  }
  // The schema would list every kind that there is.
  const words = issue.message.startsWith('Invalid discriminator')
    ? 'not one that this version knows'
    : issue.message;
  return `${issue.path.map(String).join('.') || 'the row'}: ${words}`.slice(0, MOST_REASON);
}
