import {
  ChangeDetectionStrategy,
  Component,
  ElementRef,
  afterRenderEffect,
  computed,
  inject,
  input,
  output,
  signal,
  viewChild,
} from '@angular/core';
import { MatButton, MatIconButton } from '@angular/material/button';
import { MatIcon } from '@angular/material/icon';
import { RouterLink } from '@angular/router';
import { endOfDay } from 'date-fns';
import { isCorrection, isForToday } from '../../core/index';
import type { WordedDue } from '../data/words/due-words';
import { HouseStore } from '../data/store/house-store';
import { Journal } from '../data/journal/journal';
import { Time } from '../data/clock/time';
import { entryWords, shortTime } from '../data/words/words';
import { PLACES } from '../data/views/places';
import { Dialogs } from '../pieces/dialogs';

/** What is due, in whole words, and the last entry with its undo. */
@Component({
  selector: 'nw-today',
  host: { role: 'region', 'aria-label': 'Today' },
  imports: [MatButton, MatIcon, MatIconButton, RouterLink],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './today.html',
  styleUrl: './today.scss',
})
export class Today {
  readonly due = input.required<readonly WordedDue[]>();
  readonly late = input.required<readonly WordedDue[]>();
  readonly find = output();

  private readonly store = inject(HouseStore);
  private readonly journal = inject(Journal);
  private readonly time = inject(Time);
  private readonly dialogs = inject(Dialogs);
  private readonly line = viewChild.required<ElementRef<HTMLElement>>('line');

  /** How many items fit without cutting a word; measured after each render. */
  protected readonly fits = signal(3);
  private readonly width = signal(0);

  protected readonly items = computed(() => {
    const now = this.time.now();
    const endMs = endOfDay(now).getTime();
    return this.due()
      .filter((d) => isForToday(d, now, endMs))
      .filter((d) => !this.late().includes(d))
      .map((d) => ({ ...d, when: this.when(d), key: keyOf(d) }));
  });
  protected readonly next = computed(() => {
    const next = this.due().find((d) => d.atMs >= this.time.now());
    return next && `${shortTime(next.atMs, this.time.now())}, ${next.text}`;
  });
  protected readonly more = computed(() => Math.max(0, this.items().length - this.fits()));
  /** Found once for each house, not each second: as it stands after corrections. */
  private readonly standing = computed(() => {
    const last = this.journal.last();
    const house = this.store.house();
    if (last === undefined || house === undefined) {
      return undefined;
    }
    const entry = house.factById.get(last.entry.id) ?? last.entry;
    return { ...last, atMs: Date.parse(entry.at), words: entryWords(entry, house) };
  });
  protected readonly last = computed(() => {
    const standing = this.standing();
    return standing && { ...standing, time: shortTime(standing.atMs, this.time.now()) };
  });

  /** All that takes room: it is measured when that changes, and not each second. */
  private readonly wording = computed(() => {
    const last = this.last();
    return JSON.stringify([
      this.items().map(({ when, text }) => [when, text]),
      this.late().length,
      this.more(),
      last && [last.time, last.words, last.takenBack, last.canUndo],
    ]);
  });

  constructor() {
    const host = inject<ElementRef<HTMLElement>>(ElementRef);
    const watcher = new ResizeObserver(() => {
      this.width.set(host.nativeElement.clientWidth);
    });
    watcher.observe(host.nativeElement);
    afterRenderEffect(() => {
      this.width();
      this.wording();
      this.fits.set(countFitting(this.line().nativeElement));
    });
  }

  protected undo(): void {
    void this.journal.undo();
  }

  protected redo(): void {
    void this.journal.redo();
  }

  protected async correct(): Promise<void> {
    const last = this.journal.last()?.entry;
    if (last !== undefined) {
      // A correction is corrected at the entry that it speaks of.
      const entryId = isCorrection(last) ? last.entryId : last.id;
      await this.dialogs.open(() => import('../pieces/history/correct-entry').then((m) => m.CorrectEntry), {
        data: { entryId },
      });
    }
  }

  protected async openDay(): Promise<void> {
    await this.dialogs.open(() => import('./day').then((m) => m.Day), {
      data: { due: this.due(), late: this.late() },
    });
  }

  private when(item: WordedDue): string {
    return item.exact ? shortTime(item.atMs, this.time.now()) : 'today';
  }
}

function keyOf(item: WordedDue): string {
  return PLACES.find((p) => p.path === item.place)?.key ?? '';
}

/** All items are in the page; those that would be cut are hidden and counted instead. */
function countFitting(line: HTMLElement): number {
  const { right } = line.getBoundingClientRect();
  const items = [...line.querySelectorAll<HTMLElement>('.item')];
  return items.filter((item) => item.getBoundingClientRect().right <= right).length;
}
