import { Injectable, inject } from '@angular/core';
import { MOST_ARCHIVE_BYTES, newId } from '../../../core/index';
import { ArchiveWorker } from '../../workers/archive-client';
import type { Progress } from '../../workers/archive-protocol';
import type { BroughtIn } from '../journal/bring-in';
import { HouseStore } from '../store/house-store';
import { Journal } from '../journal/journal';
import { HouseReads } from '../store/reads';
import { SteadyClock } from '../clock/steady-clock';
import { WHICH_HOUSE } from '../store/which-house';

/** What came in, and what it is called where a number was taken already. */
export interface Arrival extends BroughtIn {
  /** New codes of namesakes: "G28b". */
  readonly renamed: readonly string[];
  /** The file was one of several, and which. */
  readonly part?: { readonly number: number; readonly of: number };
}

/** Everything out to files, and back. The work is done in a worker, which reads and writes the database itself. */
@Injectable({ providedIn: 'root' })
export class ArchiveService {
  private readonly worker = inject(ArchiveWorker);
  private readonly which = inject(WHICH_HOUSE);
  private readonly reads = inject(HouseReads);
  private readonly clock = inject(SteadyClock);
  private readonly store = inject(HouseStore);
  private readonly journal = inject(Journal);

  /** The whole house, in one file or in numbered parts. @throws Error with words, `Stopped` when it was ended */
  write(onProgress: Progress): Promise<readonly Blob[]> {
    const { madeUp } = this.which;
    const database = this.reads.databaseName;
    const now = this.clock.now();
    const options = {
      database,
      madeUp,
      writtenAt: new Date(now).toISOString(),
      set: newId(now, Math.random),
    };
    return this.worker.write(options, onProgress);
  }

  /** Every table as CSV, in one zip. */
  writeCsv(onProgress: Progress): Promise<Blob> {
    const writtenAt = new Date(this.clock.now()).toISOString();
    return this.worker.writeCsv({ database: this.reads.databaseName, writtenAt }, onProgress);
  }

  /**
   * Adds an archive to what is here: facts by union, definitions by latest change.
   * @throws Error with words for the person; a file that is not whole, or of the other house, changes nothing
   */
  async bring(file: File, onProgress: Progress): Promise<Arrival> {
    if (file.size > MOST_ARCHIVE_BYTES) {
      throw new Error(
        `Archive must be at most ${MOST_ARCHIVE_BYTES / 1e6} MB. This one has ${Math.round(file.size / 1e6)} MB. Nothing was changed.`,
      );
    }
    const before = new Map(this.store.house()?.batches.map((b) => [b.batch.id, b.code]));
    const { madeUp } = this.which;
    const database = this.reads.databaseName;
    const { part, ...brought } = await this.worker.bring({ database, madeUp, file }, onProgress);
    const { batches } = await this.journal.broughtIn();
    const renamed = batches
      .filter((b) => NAMESAKE.test(b.code) && before.get(b.batch.id) !== b.code)
      .map((b) => b.code);
    return { ...brought, renamed, ...(part !== undefined && { part }) };
  }

  /** Ends what is being written or brought in. What came in whole stays. */
  stop(): void {
    this.worker.stop();
  }
}

/** A code with a letter after its number. */
const NAMESAKE = /\d[a-z]+$/;
