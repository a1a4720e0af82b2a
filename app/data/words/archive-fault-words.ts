import { isRefusal, type CoreError } from '../../../core/base/errors';
import type { ArchiveFault } from '../../../core/index';
import { messageOf } from './message-of';
import { shortened } from './shortened';

const MB = 1e6;
/** A name from a file is told so far, characters. */
const MOST_OF_NAME = 60;

/** What is wrong with an archive, and in which of its files. */
export function archiveFaultWords(is: ArchiveFault): string {
  switch (is.fault) {
    case 'not-whole':
      return 'This is not a whole archive of Nailwort: it cannot be unpacked. It may be cut short, damaged or another kind of file.';
    case 'not-ours':
      return 'This is not an archive of Nailwort: its manifest.json is missing or says something else.';
    case 'newer-format':
      return `Archive format must be at most ${is.most}. This one is ${is.format}, from a newer Nailwort: update first.`;
    case 'bad-manifest':
      return `manifest.json: ${is.issue}.`;
    case 'lacks':
      return `The archive lacks ${short(is.file)}.`;
    case 'damaged':
      return `${short(is.file)} is damaged: its checksum is not the one that was written with it.`;
    case 'swollen':
      return `${short(is.file)} unpacks to more than the archive says.`;
    case 'unknown-packing':
      return `${short(is.file)} is packed in a way that this version does not read.`;
    case 'twice':
      return `The archive holds ${short(is.file)} twice.`;
    case 'overlap':
      return `In the archive ${short(is.file)} and ${short(is.other)} overlap.`;
    case 'too-large':
      return `Archive must be at most ${inMb(is.most)}. This one has ${inMb(is.bytes)}.`;
    case 'too-many-files':
      return `The archive must hold at most ${is.most} files. This one says ${is.count}.`;
    case 'too-much-inside':
      return `The archive unpacks to more than ${inMb(is.most)}${is.file === undefined ? '' : ` in ${short(is.file)}`}.`;
    case 'file-too-large':
      return `${short(is.file)} must be at most ${inMb(is.most)}. It says ${inMb(is.bytes)}.`;
    case 'too-dense':
      return `${short(is.file)} unpacks to more than ${is.mostTimes} times its size, as no archive of Nailwort does.`;
    case 'too-many-rows':
      return `${short(is.file)} must have at most ${is.most} rows.`;
    case 'row-too-long':
      return `${short(is.file)} must have rows of at most ${is.most} characters.`;
    case 'rows-missing':
      return `${short(is.file)} must hold ${is.counted} ${is.counted === 1 ? 'row' : 'rows'}, as the manifest says. It holds ${is.held}.`;
  }
}

function inMb(bytes: number): string {
  return `${Math.round(bytes / MB)} MB`;
}

function short(name: string): string {
  return shortened(name, MOST_OF_NAME);
}

/** What went wrong while an archive was read or written, for a person. */
export function archiveMessageOf(error: unknown): string {
  return isRefusal(error) && isOfArchive(error) ? archiveFaultWords(error.params) : messageOf(error);
}

function isOfArchive(error: CoreError): error is CoreError<'bad-archive'> {
  return error.code === 'bad-archive';
}
