import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import { MatButton } from '@angular/material/button';
import { format } from 'date-fns';
import { formatNumber, groupBy, type CookView, type Log } from '../../../../core/index';
import { ReadingsBook } from '../../../data/journal/readings-book';
import { CHANNEL_WORDS } from '../../../data/words/words';

/** Logs of one instrument and channel, which are left out or count together. */
interface LogLine {
  readonly words: string;
  readonly count: string;
  readonly when: string;
  readonly logs: readonly Log[];
  readonly leftOut: boolean;
}

/** What instruments read of a cook, by instrument; each can be left out, and counted again. */
@Component({
  selector: 'nw-log-list',
  imports: [MatButton],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @for (line of lines(); track line.words) {
      <p [class.soft]="line.leftOut">
        {{ line.words }} <span class="count">{{ line.count }}</span>
        <span class="soft">{{ line.when }}</span>
        <button type="button" matButton class="word" (click)="turn(line)">
          {{ line.leftOut ? 'Count it again' : 'Leave it out' }}
        </button>
        @if (line.leftOut) {
          <strong>Left out: nothing is drawn or counted by it.</strong>
        }
      </p>
    }
  `,
  styles: `
    .count {
      white-space: nowrap;
    }
  `,
})
export class LogList {
  readonly view = input.required<CookView>();
  private readonly book = inject(ReadingsBook);

  protected readonly lines = computed(() => {
    const groups = groupBy(this.view().logRows, (log) => `${log.channel} ${log.source}`);
    return [...groups.values()].map(lineOf);
  });

  protected turn({ logs, leftOut }: LogLine): void {
    void this.book.leaveOut(logs, !leftOut);
  }
}

function lineOf(logs: readonly Log[]): LogLine {
  const first = logs[0]!;
  const last = logs[logs.length - 1]!;
  const count = logs.reduce((sum, l) => sum + l.count, 0);
  const endMs = Date.parse(last.at) + (last.seconds[last.seconds.length - 1] ?? 0) * 1000;
  return {
    words: `${CHANNEL_WORDS[first.channel].word}, ${first.source}:`,
    count: count === 1 ? '1 reading' : `${formatNumber(count)} readings`,
    when: `${format(Date.parse(first.at), 'd MMM HH:mm')} to ${format(endMs, 'HH:mm')}`,
    logs,
    leftOut: logs.every((l) => l.leftOut === true),
  };
}
