import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { MatButton } from '@angular/material/button';
import { Router } from '@angular/router';
import { FormControl } from '@angular/forms';
import { MatProgressBar } from '@angular/material/progress-bar';
import { format } from 'date-fns';
import { from } from 'rxjs';
import { formatNumber } from '../../../core/index';
import { ArchiveService } from '../../data/work/archive-service';
import { arrivalWords } from '../../data/work/arrival-words';
import { downloadBlob } from '../../data/store/download';
import { HouseStore } from '../../data/store/house-store';
import type { Difference } from '../../data/journal/bring-in';
import { Definitions } from '../../data/journal/definitions';
import { messageOf } from '../../data/words/message-of';
import { WHICH_HOUSE } from '../../data/store/which-house';
import { ShippedOffers } from './shipped-offers';
import { UnreadRows } from './unread-rows';
import { valueOf } from '../../pieces/form/form-state';
import { TextField } from '../../pieces/form/text-field';

const WIPE_WORD = 'wipe';

/** Everything out, everything away, everything back. */
@Component({
  selector: 'nw-archive',
  imports: [MatButton, MatProgressBar, ShippedOffers, TextField, UnreadRows],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './archive.html',
  styleUrl: './archive.scss',
})
export class Archive {
  private readonly archive = inject(ArchiveService);
  private readonly definitions = inject(Definitions);
  private readonly store = inject(HouseStore);
  private readonly router = inject(Router);
  private readonly which = inject(WHICH_HOUSE);
  protected readonly word = WIPE_WORD;
  /** How much of the work is done, 0 to 1; absent while there is none. */
  protected readonly share = signal<number | undefined>(undefined);
  protected readonly doing = signal('');
  protected readonly busy = computed(() => this.share() !== undefined);
  protected readonly percent = computed(() => Math.round((this.share() ?? 0) * 100));
  protected readonly typed = new FormControl('', { nonNullable: true });
  protected readonly typedWord = valueOf(this.typed);
  protected readonly said = signal('');
  protected readonly problem = signal('');
  /** Parts that were written and are still to be saved. */
  protected readonly parts = signal<
    readonly { readonly name: string; readonly blob: Blob; readonly size: string }[]
  >([]);
  /** What differed in the file that came in last. */
  protected readonly differences = signal<readonly Difference[]>([]);
  protected readonly name = computed(() => (this.which.madeUp ? 'the made-up household' : 'your own house'));
  protected readonly counts = computed(() => {
    const records = this.store.house()?.records;
    return records === undefined
      ? ''
      : `${formatNumber(records.batches.length)} batches, ${formatNumber(records.vessels.length)} vessels, ${formatNumber(records.cooks.length)} cooks, ${formatNumber(records.entries.length)} entries`;
  });
  /** Whether the browser promised to keep the records; it does not in private windows. */
  protected readonly isPromised = toSignal(from(navigator.storage.persisted()), { initialValue: true });

  protected save(): Promise<void> {
    return this.run('Writing the archive', async () => {
      const blobs = await this.archive.write(this.progress);
      const stamp = format(Date.now(), 'yyyy-MM-dd-HHmm');
      const parts = blobs.map((blob, i) => ({
        name: `nailwort-${stamp}${blobs.length > 1 ? `-part-${i + 1}-of-${blobs.length}` : ''}.zip`,
        blob,
        size: sizeWords(blob),
      }));
      const [first, ...rest] = parts;
      if (first === undefined) {
        return '';
      }
      downloadBlob(first.blob, first.name);
      this.parts.set(rest.length > 0 ? parts : []);
      return rest.length === 0
        ? `Saved, ${first.size}.`
        : `The photos need ${parts.length} files. The first is saved; save each of the others too.`;
    });
  }

  protected saveCsv(): Promise<void> {
    return this.run('Writing the tables', async () => {
      const blob = await this.archive.writeCsv(this.progress);
      downloadBlob(blob, `nailwort-tables-${format(Date.now(), 'yyyy-MM-dd-HHmm')}.zip`);
      return `Saved, ${sizeWords(blob)}.`;
    });
  }

  protected savePart(part: { readonly name: string; readonly blob: Blob }): void {
    downloadBlob(part.blob, part.name);
  }

  protected bring(files: FileList | null): Promise<void> {
    return this.run('Bringing it in', async () => {
      const file = files?.[0];
      if (file === undefined) {
        return '';
      }
      const arrival = await this.archive.bring(file, this.progress);
      this.differences.set(arrival.differences);
      return arrivalWords(arrival);
    });
  }

  protected wipe(): Promise<void> {
    return this.run('Wiping', async () => {
      await this.definitions.wipe();
      await this.router.navigateByUrl(this.which.madeUp ? '/lay-out' : '/start');
      return '';
    });
  }

  protected stop(): void {
    this.archive.stop();
  }

  private readonly progress = (share: number): void => {
    this.share.set(share);
  };

  private async run(doing: string, act: () => Promise<string>): Promise<void> {
    this.share.set(0);
    this.doing.set(doing);
    this.said.set('');
    this.problem.set('');
    this.parts.set([]);
    this.differences.set([]);
    try {
      this.said.set(await act());
    } catch (error) {
      this.problem.set(messageOf(error));
    } finally {
      this.share.set(undefined);
    }
  }
}

function sizeWords(blob: Blob): string {
  return blob.size < 1e6 ? `${formatNumber(blob.size / 1000)} kB` : `${formatNumber(blob.size / 1e6, 1)} MB`;
}
