import type { BroughtIn } from '../data/journal/bring-in';
import type { TakeOutOptions } from '../data/journal/take-out';

/** Errors travel as data: a thrown class would lose its kind on the way. */
export type Answer<T> =
  { readonly ok: true; readonly value: T } | { readonly ok: false; readonly message: string };

/** Told now and then how much is done, 0 to 1. */
export type Progress = (share: number) => unknown;

export interface WriteWish extends Pick<TakeOutOptions, 'writtenAt' | 'madeUp' | 'set' | 'mostPhotoBytes'> {
  readonly database: string;
}

export interface CsvWish {
  readonly database: string;
  readonly writtenAt: string;
}

export interface BringWish {
  readonly database: string;
  readonly madeUp: boolean;
  readonly file: Blob;
}

export interface BringAnswer extends BroughtIn {
  readonly part?: { readonly number: number; readonly of: number };
}

/** What the archive's worker does. It reads and writes the database itself. */
export interface ArchiveApi {
  readonly write: (wish: WriteWish, onProgress: Progress) => Promise<Answer<readonly Blob[]>>;
  readonly writeCsv: (wish: CsvWish, onProgress: Progress) => Promise<Answer<Blob>>;
  readonly bring: (wish: BringWish, onProgress: Progress) => Promise<Answer<BringAnswer>>;
  /** Ends the work at the next whole step. */
  readonly stop: () => void;
}
