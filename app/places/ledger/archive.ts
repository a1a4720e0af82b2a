import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { Router } from '@angular/router';
import { format } from 'date-fns';
import { formatNumber } from '../../../core/index';
import { messageOf } from '../../data/message-of';
import { ArchiveService } from '../../data/archive-service';
import { download } from '../../data/download';
import { HouseStore } from '../../data/house-store';
import { WHICH_HOUSE } from '../../data/which-house';

const WIPE_WORD = 'wipe';

/** Everything out, everything away, everything back. */
@Component({
  selector: 'nw-archive',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <section class="card" aria-labelledby="out">
      <h2 id="out">Take everything out</h2>
      <p>
        One file holds all of it: {{ counts() }}. A zip of plain text and pictures that other programs can
        read too.
      </p>
      <button type="button" class="deed main" [disabled]="busy()" (click)="save()">Save the archive</button>
    </section>
    <section class="card" aria-labelledby="in">
      <h2 id="in">Bring an archive in</h2>
      <p>
        What is here stays; what is in the file is added. Where both changed a definition, the later one
        counts.
      </p>
      <label class="file-picker deed quiet" [class.waiting]="busy()"
        >Choose the file<input
          #file
          type="file"
          accept=".zip,application/zip"
          [disabled]="busy()"
          (change)="bring(file.files); file.value = ''"
      /></label>
    </section>
    <section class="card trouble" aria-labelledby="away">
      <h2 id="away">Wipe this house</h2>
      <p>
        Everything in this browser's database of {{ name() }} goes. Save the archive first: nothing else can
        bring it back.
      </p>
      <label class="named"
        >Type {{ word }} to allow it
        <input
          #box
          class="field"
          autocomplete="off"
          maxlength="10"
          [value]="typed()"
          (input)="typed.set(box.value)"
        />
      </label>
      <button type="button" class="deed trouble" [disabled]="typed() !== word || busy()" (click)="wipe()">
        Wipe everything
      </button>
    </section>
    @if (said(); as words) {
      <p class="said" role="status">{{ words }}</p>
    }
    @if (problem(); as words) {
      <p class="said error" role="alert">{{ words }}</p>
    }
  `,
  styles: `
    :host {
      display: grid;
      grid-template-columns: repeat(auto-fit, minmax(290px, 1fr));
      gap: 16px;
    }
    section {
      display: grid;
      align-content: start;
      gap: 14px;
      padding: 18px 20px;
    }
    section .deed {
      justify-self: start;
    }
    .said {
      grid-column: 1 / -1;
      font-size: 19px;
    }
  `,
})
export class Archive {
  private readonly archive = inject(ArchiveService);
  private readonly store = inject(HouseStore);
  private readonly router = inject(Router);
  private readonly which = inject(WHICH_HOUSE);
  protected readonly word = WIPE_WORD;
  protected readonly busy = signal(false);
  protected readonly typed = signal('');
  protected readonly said = signal('');
  protected readonly problem = signal('');
  protected readonly name = computed(() => (this.which.madeUp ? 'the made-up household' : 'your own house'));
  protected readonly counts = computed(() => {
    const records = this.store.house()?.records;
    return records === undefined
      ? ''
      : `${records.batches.length} batches, ${records.vessels.length} vessels, ${records.cooks.length} cooks, ${formatNumber(records.entries.length)} entries`;
  });

  protected save(): Promise<void> {
    return this.run(async () => {
      const bytes = await this.archive.write();
      download(bytes, `nailwort-${format(Date.now(), 'yyyy-MM-dd-HHmm')}.zip`, 'application/zip');
      return `Saved, ${formatNumber(bytes.length / 1000)} kB.`;
    });
  }

  protected bring(files: FileList | null): Promise<void> {
    return this.run(async () => {
      const file = files?.[0];
      if (file === undefined) {
        return '';
      }
      const { added, differences } = await this.archive.merge(await this.archive.open(file));
      return `Brought in: ${formatNumber(added)} records added, ${differences} definitions differed and the later was kept.`;
    });
  }

  protected wipe(): Promise<void> {
    return this.run(async () => {
      await this.archive.wipe();
      await this.router.navigateByUrl(this.which.madeUp ? '/lay-out' : '/start');
      return '';
    });
  }

  private async run(act: () => Promise<string>): Promise<void> {
    this.busy.set(true);
    this.said.set('');
    this.problem.set('');
    try {
      this.said.set(await act());
    } catch (error) {
      this.problem.set(`${messageOf(error)} Nothing was changed.`);
    } finally {
      this.busy.set(false);
    }
  }
}
