import { Injectable, inject } from '@angular/core';
import { ReadingsCsv, type Channel, type ChannelReading, type Subject } from '../../../core/index';
import { ReadingsBook } from '../journal/readings-book';
import { csvLines } from './csv-lines';

/** A logger's file, and what it is of. */
export interface ReadingsFileWish {
  readonly file: File;
  readonly subject: Subject;
  /** What the first number of each line is; without one, each column is what its heading says. */
  readonly channel?: Channel;
  /** When the first line was, where the file does not say. */
  readonly startMs?: number;
  readonly onProgress: (share: number) => void;
  readonly isStopped: () => boolean;
}

/** What came in of a file. */
export interface CameIn {
  readonly readings: number;
  /** Lines that held none. */
  readonly skipped: number;
}

/** Five years of a reading a minute in four columns are some two hundred megabytes. */
const MOST_FILE_BYTES = 500_000_000;
const MOST_SOURCE_CHARACTERS = 60;

/** Brings in what loggers wrote: all of a file, or none of it. */
@Injectable({ providedIn: 'root' })
export class ReadingsFiles {
  private readonly book = inject(ReadingsBook);

  /** @throws Error with words for the person, `Stopped` when it was ended; nothing of the file is kept then */
  async bring({ file, subject, channel, startMs, onProgress, isStopped }: ReadingsFileWish): Promise<CameIn> {
    if (file.size > MOST_FILE_BYTES) {
      throw new Error(
        `The file must have at most ${MOST_FILE_BYTES / 1e6} MB. This one has ${Math.round(file.size / 1e6)} MB.`,
      );
    }
    const csv = new ReadingsCsv(channel);
    const batches = async function* (): AsyncGenerator<readonly ChannelReading[]> {
      for await (const rows of csvLines(file, onProgress)) {
        const readings = csv.take(rows);
        const fromMs = csv.startMs ?? startMs;
        if (readings.length > 0 && fromMs === undefined) {
          throw new Error('The file says no dates: its first column must hold a date and a time.');
        }
        if (readings.length > 0) {
          yield readings.map(({ channel: own, afterMs, value }) => ({
            channel: own,
            atMs: (fromMs ?? 0) + afterMs,
            value,
          }));
        }
      }
      csv.end();
    };
    const source = file.name.slice(0, MOST_SOURCE_CHARACTERS);
    const readings = await this.book.bring({ series: { subject, source }, batches: batches(), isStopped });
    return { readings, skipped: csv.skipped };
  }
}
