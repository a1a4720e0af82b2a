import { MOST_ARCHIVE_BYTES, MOST_MEMBERS, badArchive } from './format.js';

/** Bytes that are read where they are needed: a file on the disk, or an array. */
export interface ByteSource {
  readonly size: number;
  /** Bytes from an offset up to another, at most to the end. */
  read(from: number, to: number): Uint8Array;
}

/** One file in a zip, as its directory describes it. */
export interface ZipMember {
  readonly name: string;
  /** 0 stored, 8 deflated. */
  readonly method: number;
  readonly crc32: number;
  readonly packedBytes: number;
  readonly unpackedBytes: number;
  /** Where its packed bytes begin. */
  readonly offset: number;
}

// PKWARE APPNOTE.TXT 6.3.10, sections 4.3.7, 4.3.12 and 4.3.16: signatures and lengths of the fixed parts.
const LOCAL_SIGNATURE = 0x04034b50;
const LOCAL_BYTES = 30;
const ENTRY_SIGNATURE = 0x02014b50;
const ENTRY_BYTES = 46;
const END_SIGNATURE = 0x06054b50;
const END_BYTES = 22;
const MOST_COMMENT_BYTES = 65_535;
const ENCRYPTED = 1;
const STORED = 0;
const DEFLATED = 8;
/** Stands where a 64-bit field follows; no archive of ours is that large. */
const IN_ZIP64 = 0xffffffff;

/**
 * The directory of a zip, which alone says what is in it. Written here since the packer in use checks neither checksums
 * nor whether members overlap or share a name, and a hostile file does all of that.
 *
 * @throws CoreError `bad-archive`
 */
export function readZipDirectory(source: ByteSource): readonly ZipMember[] {
  if (source.size > MOST_ARCHIVE_BYTES) {
    throw badArchive({ fault: 'too-large', bytes: source.size, most: MOST_ARCHIVE_BYTES });
  }
  const end = findEnd(source);
  const count = end.view.getUint16(10, true);
  const bytes = end.view.getUint32(12, true);
  const from = end.view.getUint32(16, true);
  if (count > MOST_MEMBERS) {
    throw badArchive({ fault: 'too-many-files', count, most: MOST_MEMBERS });
  }
  if (from + bytes > end.offset) {
    throw notWhole();
  }
  const directory = source.read(from, from + bytes);
  const members = membersOf(source, viewOf(directory), directory, count, from);
  refuseTwins(members);
  return members;
}

function findEnd(source: ByteSource): { readonly view: DataView; readonly offset: number } {
  const from = Math.max(0, source.size - END_BYTES - MOST_COMMENT_BYTES);
  const tail = source.read(from, source.size);
  const view = viewOf(tail);
  for (let at = tail.length - END_BYTES; at >= 0; at--) {
    if (view.getUint32(at, true) === END_SIGNATURE) {
      return { view: viewOf(tail.subarray(at)), offset: from + at };
    }
  }
  throw notWhole();
}

function membersOf(
  source: ByteSource,
  view: DataView,
  directory: Uint8Array,
  count: number,
  directoryFrom: number,
): readonly ZipMember[] {
  const members: ZipMember[] = [];
  let at = 0;
  for (let i = 0; i < count; i++) {
    if (at + ENTRY_BYTES > directory.length || view.getUint32(at, true) !== ENTRY_SIGNATURE) {
      throw notWhole();
    }
    const flags = view.getUint16(at + 8, true);
    const method = view.getUint16(at + 10, true);
    const packedBytes = view.getUint32(at + 20, true);
    const unpackedBytes = view.getUint32(at + 24, true);
    const nameBytes = view.getUint16(at + 28, true);
    const localAt = view.getUint32(at + 42, true);
    const name = new TextDecoder().decode(directory.subarray(at + ENTRY_BYTES, at + ENTRY_BYTES + nameBytes));
    const isOurs = (flags & ENCRYPTED) === 0 && (method === STORED || method === DEFLATED);
    if (!isOurs || packedBytes === IN_ZIP64 || unpackedBytes === IN_ZIP64 || localAt === IN_ZIP64) {
      throw badArchive({ fault: 'unknown-packing', file: name });
    }
    const offset = dataOffset(source, localAt, name, directoryFrom);
    if (offset + packedBytes > directoryFrom) {
      throw notWhole();
    }
    members.push({ name, method, crc32: view.getInt32(at + 16, true), packedBytes, unpackedBytes, offset });
    at += ENTRY_BYTES + nameBytes + view.getUint16(at + 30, true) + view.getUint16(at + 32, true);
  }
  return members;
}

/** A member's own header must agree with the directory on its name. */
function dataOffset(source: ByteSource, localAt: number, name: string, directoryFrom: number): number {
  if (localAt + LOCAL_BYTES > directoryFrom) {
    throw notWhole();
  }
  const view = viewOf(source.read(localAt, localAt + LOCAL_BYTES));
  const nameBytes = view.getUint16(26, true);
  const nameFrom = localAt + LOCAL_BYTES;
  const local = new TextDecoder().decode(source.read(nameFrom, nameFrom + nameBytes));
  if (view.getUint32(0, true) !== LOCAL_SIGNATURE || local !== name) {
    throw notWhole();
  }
  return nameFrom + nameBytes + view.getUint16(28, true);
}

/** Two members of one name, or two that share bytes, would say two things at once. */
function refuseTwins(members: readonly ZipMember[]): void {
  const names = new Set<string>();
  for (const { name } of members) {
    if (names.has(name)) {
      throw badArchive({ fault: 'twice', file: name });
    }
    names.add(name);
  }
  const inOrder = [...members].sort((a, b) => a.offset - b.offset);
  inOrder.slice(1).forEach((member, i) => {
    const before = inOrder[i]!;
    if (before.offset + before.packedBytes > member.offset) {
      throw badArchive({ fault: 'overlap', file: before.name, other: member.name });
    }
  });
}

function viewOf(bytes: Uint8Array): DataView {
  return new DataView(bytes.buffer, bytes.byteOffset, bytes.byteLength);
}

export function notWhole(): Error {
  return badArchive({ fault: 'not-whole' });
}
