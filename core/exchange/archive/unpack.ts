import crc32 from 'crc-32';
import { Inflate } from 'fflate';
import { MOST_LINE_CHARACTERS, MOST_ROWS, badArchive } from './format.js';
import { notWhole, type ByteSource, type ZipMember } from './zip-directory.js';

/** Packed bytes taken at a time; the most that is held of a member besides what it unpacks to. */
const STEP_BYTES = 65_536;

/**
 * The bytes of a member, piece by piece. Ends with an error when they are not as many as the directory says, or their
 * checksum is another: only a member that was read to its end is good.
 *
 * @throws CoreError `bad-archive`
 */
export function* unpack(source: ByteSource, member: ZipMember): Generator<Uint8Array> {
  let seen = 0;
  let crc = 0;
  const passed = (bytes: Uint8Array) => {
    seen += bytes.length;
    crc = crc32.buf(bytes, crc);
    if (seen > member.unpackedBytes) {
      throw badArchive({ fault: 'swollen', file: member.name });
    }
    return bytes;
  };
  for (const piece of pieces(source, member)) {
    yield passed(piece);
  }
  if (seen !== member.unpackedBytes || crc !== member.crc32) {
    throw badArchive({ fault: 'damaged', file: member.name });
  }
}

function* pieces(source: ByteSource, member: ZipMember): Generator<Uint8Array> {
  const end = member.offset + member.packedBytes;
  const isDeflated = member.method !== 0;
  let out: Uint8Array[] = [];
  const inflate = new Inflate((chunk) => out.push(chunk));
  for (let from = member.offset; from < end; from += STEP_BYTES) {
    const packed = source.read(from, Math.min(end, from + STEP_BYTES));
    if (!isDeflated) {
      yield packed;
      continue;
    }
    try {
      inflate.push(packed, from + STEP_BYTES >= end);
    } catch {
      throw notWhole();
    }
    yield* out;
    out = [];
  }
}

/** All bytes of a small member. @throws CoreError when it unpacks to more than `most` */
export function unpackWhole(source: ByteSource, member: ZipMember, most: number): Uint8Array {
  if (member.unpackedBytes > most) {
    throw badArchive({ fault: 'file-too-large', file: member.name, bytes: member.unpackedBytes, most });
  }
  const whole = new Uint8Array(member.unpackedBytes);
  let at = 0;
  for (const piece of unpack(source, member)) {
    whole.set(piece, at);
    at += piece.length;
  }
  return whole;
}

/**
 * The lines of a member of text, without the empty ones.
 *
 * @throws CoreError when there are too many, empty ones counted, or one is too long
 */
export function* linesOf(source: ByteSource, member: ZipMember): Generator<string> {
  const decoder = new TextDecoder();
  let rest = '';
  let count = 0;
  const counted = (line: string) => {
    if (++count > MOST_ROWS) {
      throw badArchive({ fault: 'too-many-rows', file: member.name, most: MOST_ROWS });
    }
    return line;
  };
  for (const piece of unpack(source, member)) {
    const lines = (rest + decoder.decode(piece, { stream: true })).split('\n');
    rest = lines.pop() ?? '';
    if (rest.length > MOST_LINE_CHARACTERS) {
      throw badArchive({ fault: 'row-too-long', file: member.name, most: MOST_LINE_CHARACTERS });
    }
    for (const line of lines) {
      if (counted(line).trim() !== '') {
        yield line;
      }
    }
  }
  const last = rest + decoder.decode();
  if (last.trim() !== '') {
    yield counted(last);
  }
}
