import { expose } from 'comlink';
import { openArchive, type ByteSource } from '../../core/index';
import { bringIn } from '../data/journal/bring-in';
import { HouseDb } from '../data/store/house-db';
import { takeOut, takeOutCsv } from '../data/journal/take-out';
import { archiveMessageOf } from '../data/words/archive-fault-words';
import type { Answer, ArchiveApi, Progress } from './archive-protocol';

/** Checking takes about as long as keeping. */
const CHECK_SHARE = 0.3;
const KNOWN_NAME = 'an archive';

let stopped = false;
const isStopped = () => stopped;

async function withHouse<T>(name: string, act: (db: HouseDb) => Promise<T>): Promise<Answer<T>> {
  const db = new HouseDb(name);
  try {
    await db.openOurs();
    return { ok: true, value: await act(db) };
  } catch (error) {
    return { ok: false, message: archiveMessageOf(error) };
  } finally {
    db.close();
  }
}

/** A file on the disk, read where it is needed. */
function sourceOfFile(file: Blob): ByteSource {
  const reader = new FileReaderSync();
  return {
    size: file.size,
    read: (from, to) => new Uint8Array(reader.readAsArrayBuffer(file.slice(from, to))),
  };
}

/** Tells the page at most a hundred times. */
function inSteps(onProgress: Progress, from: number, to: number): (share: number) => void {
  let told = -1;
  return (share) => {
    const now = Math.floor((from + (to - from) * share) * 100);
    if (now > told) {
      told = now;
      void onProgress(now / 100);
    }
  };
}

function refuseOtherHouse(isMadeUp: boolean, houseIsMadeUp: boolean): void {
  if (isMadeUp !== houseIsMadeUp) {
    throw new Error(
      isMadeUp
        ? 'This archive is of the made-up household, which never mixes with your own. Nothing was changed.'
        : 'This archive is of a real house, which never mixes with the made-up one. Nothing was changed.',
    );
  }
}

const api: ArchiveApi = {
  write: ({ database, ...options }, onProgress) =>
    withHouse(database, (db) =>
      takeOut(db, { ...options, onProgress: inSteps(onProgress, 0, 1), isStopped }),
    ),
  writeCsv: ({ database, writtenAt }, onProgress) =>
    withHouse(database, (db) =>
      takeOutCsv(db, { writtenAt, onProgress: inSteps(onProgress, 0, 1), isStopped }),
    ),
  bring: ({ database, madeUp, file }, onProgress) =>
    withHouse(database, async (db) => {
      const { manifest, rowCount, rows } = openChecked(file, inSteps(onProgress, 0, CHECK_SHARE));
      refuseOtherHouse(manifest.madeUp, madeUp);
      const brought = await bringIn(db, rows(), {
        name: file instanceof File ? file.name : KNOWN_NAME,
        rowCount,
        onProgress: inSteps(onProgress, CHECK_SHARE, 1),
        isStopped,
      });
      const { part } = manifest;
      return { ...brought, ...(part && { part: { number: part.number, of: part.of } }) };
    }),
  stop: () => {
    stopped = true;
  },
};

function openChecked(file: Blob, onProgress: (share: number) => void): ReturnType<typeof openArchive> {
  try {
    return openArchive(sourceOfFile(file), onProgress);
  } catch (error) {
    throw new Error(`${archiveMessageOf(error)} Nothing was changed.`, { cause: error });
  }
}

expose(api);
