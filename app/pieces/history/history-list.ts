import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import { MatButton } from '@angular/material/button';
import { format } from 'date-fns';
import { MINUTE_MS, historyOf, type HistoryLine, type HistorySubject } from '../../../core/index';
import { HouseStore } from '../../data/store/house-store';
import { handWords } from '../../data/words/hand-words';
import { Time } from '../../data/clock/time';
import { entryWords, shortTime } from '../../data/words/words';
import { Dialogs } from '../dialogs';

/** What was noted of a vessel, a batch, a cook or a day: what, when, by which device, corrected how. */
@Component({
  selector: 'nw-history-list',
  imports: [MatButton],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <ol>
      @for (line of lines(); track line.id) {
        <li [class.gone]="line.gone">
          <button
            type="button"
            matButton
            class="whole"
            (click)="correct(line.id)"
            [attr.aria-label]="'Correct: ' + line.words"
          >
            <span class="columns">
              <span class="when soft">{{ line.when }}</span>
              <span class="words"
                >{{ line.words }}
                @if (line.was; as was) {
                  <span class="soft small">{{ was }}</span>
                }
              </span>
              <span class="hand soft small">{{ line.hand }}</span>
            </span>
          </button>
        </li>
      } @empty {
        <li class="soft none">Nothing was noted here yet.</li>
      }
    </ol>
  `,
  styles: `
    ol {
      margin: 0;
      padding: 0;
      list-style: none;
    }
    li {
      border-top: 1px solid var(--line);
    }
    .columns {
      display: grid;
      min-height: 56px;
      grid-template-columns: 7.2em 1fr auto;
      align-items: center;
      gap: 4px 14px;
      padding: 6px 0;
    }
    .words {
      overflow-wrap: anywhere;
    }
    .words .small {
      display: block;
    }
    .gone .words {
      text-decoration: line-through;
    }
    .gone .words .small {
      display: inline-block;
      width: 100%;
      text-decoration: none;
    }
    .none {
      padding: 14px 0;
    }
    @media (max-width: 520px) {
      .columns {
        grid-template-columns: 1fr auto;
      }
      .words {
        grid-column: 1 / -1;
        grid-row: 2;
      }
    }
  `,
})
export class HistoryList {
  readonly subject = input.required<HistorySubject>();

  private readonly store = inject(HouseStore);
  private readonly time = inject(Time);
  private readonly dialogs = inject(Dialogs);

  private readonly minuteMs = this.time.minute;
  protected readonly lines = computed(() => {
    const house = this.store.house();
    const nowMs = this.minuteMs();
    return house === undefined
      ? []
      : historyOf(house, this.subject()).map((line) => ({
          id: line.noted.id,
          gone: line.stands === undefined,
          when: shortTime(Date.parse((line.stands ?? line.noted).at), nowMs),
          words: entryWords(line.stands ?? line.noted, house),
          was: wasWords(line, entryWords(line.noted, house)),
          hand: handWords(line.noted, house, this.store.ready()?.device),
        }));
  });

  protected async correct(entryId: string): Promise<void> {
    await this.dialogs.open(() => import('./correct-entry').then((m) => m.CorrectEntry), {
      data: { entryId },
    });
  }
}

/** How an entry differs from what was first noted. */
function wasWords(line: HistoryLine, first: string): string {
  const noted = `first noted ${format(Date.parse(line.noted.notedAt), 'd MMM HH:mm')}`;
  if (line.stands === undefined) {
    return line.walkedBack ? `taken back, ${noted}` : `struck, ${noted}`;
  }
  const parts: string[] = [];
  if (line.corrections.some((c) => c.kind === 'revalued')) {
    parts.push(`first noted as “${first}”`);
  }
  if (line.corrections.some((c) => c.kind === 'retimed')) {
    parts.push(`${noted} as of ${format(Date.parse(line.noted.at), 'd MMM HH:mm')}`);
  } else if (Date.parse(line.noted.notedAt) - Date.parse(line.noted.at) > LATE_MS) {
    parts.push(noted);
  }
  return parts.join('; ');
}

/** Noted so much after it happened that the record should say so. */
const LATE_MS = MINUTE_MS;
