import { expose } from 'comlink';
import { mergeArchives, parseArchive, writeArchive, type Records } from '../../core/index';
import { messageOf } from '../data/message-of';

/** Errors travel as data: a thrown class would lose its kind on the way. */
type Answer<T> = { readonly ok: true; readonly value: T } | { readonly ok: false; readonly message: string };

function answer<T>(act: () => T): Answer<T> {
  try {
    return { ok: true, value: act() };
  } catch (error) {
    return { ok: false, message: messageOf(error) };
  }
}

const api = {
  write: (records: Records, writtenAt: string) => answer(() => writeArchive(records, { writtenAt })),
  parse: (bytes: Uint8Array) => answer(() => parseArchive(bytes).records),
  merge: (a: Records, b: Records) =>
    answer(() => {
      const { records, differences } = mergeArchives(a, b);
      return { records, differences: differences.length };
    }),
};

export type ArchiveApi = typeof api;
expose(api);
