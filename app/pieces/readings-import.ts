import { ChangeDetectionStrategy, Component, computed, inject, input, signal } from '@angular/core';
import { MatButton } from '@angular/material/button';
import { MatProgressBar } from '@angular/material/progress-bar';
import { formatNumber, type Channel, type Subject } from '../../core/index';
import { Stopped } from '../data/journal/stopped';
import { ReadingsFiles } from '../data/work/readings-file';
import { messageOf } from '../data/words/message-of';

/** Takes a logger's file: says how far it is, can be stopped, and keeps all of it or nothing. */
@Component({
  selector: 'nw-readings-import',
  imports: [MatButton, MatProgressBar],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <label class="file-picker deed quiet" [class.waiting]="share() !== undefined"
      >Choose the file<input
        #file
        type="file"
        accept=".csv,.txt,text/csv"
        [attr.aria-describedby]="id"
        [disabled]="share() !== undefined"
        (change)="take(file)"
    /></label>
    <p class="soft" [id]="id">{{ label() }}</p>
    @if (share() !== undefined) {
      <p class="doing">
        <mat-progress-bar [value]="percent()" aria-label="Bringing it in" />
        <button type="button" matButton="outlined" class="deed quiet" (click)="stopped.set(true)">
          Stop
        </button>
      </p>
    }
    <p class="soft small" role="status">{{ done() }}</p>
    @if (problem(); as words) {
      <p class="error" role="alert">{{ words }}</p>
    }
  `,
  styles: `
    :host {
      display: grid;
      gap: 6px;
      justify-items: start;
    }
    p {
      font-size: 17px;
    }
    .doing {
      display: flex;
      width: 100%;
      align-items: center;
      gap: 12px;
    }
    mat-progress-bar {
      flex: 1;
      height: 14px;
      accent-color: var(--gill);
    }
    .deed {
      min-height: 56px;
    }
  `,
})
export class ReadingsImport {
  readonly label = input.required<string>();
  readonly subject = input.required<Subject>();
  readonly channel = input<Channel>();
  /** When the first line was, where the file does not say. */
  readonly startMs = input<number>();

  private static made = 0;
  protected readonly id = `readings-import-${ReadingsImport.made++}`;
  private readonly files = inject(ReadingsFiles);
  protected readonly share = signal<number | undefined>(undefined);
  protected readonly percent = computed(() => Math.round((this.share() ?? 0) * 100));
  protected readonly stopped = signal(false);
  protected readonly problem = signal('');
  protected readonly done = signal('');

  protected async take(box: HTMLInputElement): Promise<void> {
    const file = box.files?.[0];
    if (file === undefined) {
      return;
    }
    this.problem.set('');
    this.done.set('');
    this.stopped.set(false);
    this.share.set(0);
    try {
      const { readings, skipped } = await this.files.bring({
        file,
        subject: this.subject(),
        channel: this.channel(),
        startMs: this.startMs(),
        onProgress: (share) => {
          this.share.set(share);
        },
        isStopped: () => this.stopped(),
      });
      const lines = skipped === 1 ? '1 line held none' : `${formatNumber(skipped)} lines held none`;
      this.done.set(`${formatNumber(readings)} readings kept${skipped > 0 ? `, ${lines}` : ''}.`);
    } catch (error) {
      if (error instanceof Stopped) {
        this.done.set('Stopped: nothing of the file was kept.');
      } else {
        this.problem.set(`${messageOf(error)} Nothing was changed.`);
      }
    }
    this.share.set(undefined);
    box.value = '';
  }
}
