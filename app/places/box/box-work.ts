import {
  ChangeDetectionStrategy,
  Component,
  HostListener,
  computed,
  inject,
  input,
  signal,
} from '@angular/core';
import { MatButton } from '@angular/material/button';
import { Router, RouterLink } from '@angular/router';
import { type VesselView } from '../../../core/index';
import { doseFigure, doseWords } from '../../data/words/measure-words';
import { HouseStore } from '../../data/store/house-store';
import { openedIn } from '../../data/views/opened';
import { Journal } from '../../data/journal/journal';
import { Plaque } from '../../pieces/plaque';
import { VesselGlyph } from '../../pieces/vessel-glyph';

/** Keys that mean something else here; every other key or a foot pedal is Done. */
const NOT_DONE = new Set([
  'Tab',
  'Shift',
  'Control',
  'Alt',
  'Meta',
  'Escape',
  'u',
  'U',
  'ArrowUp',
  'ArrowDown',
  'ArrowLeft',
  'ArrowRight',
  'PageUp',
  'PageDown',
]);

/** One vessel a screen, for gloved hands: one knuckle, one deed. */
@Component({
  selector: 'nw-box-work',
  imports: [MatButton, Plaque, RouterLink, VesselGlyph],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './box-work.html',
  styleUrl: './box-work.scss',
})
export class BoxWork {
  /** "id:1.2.3": id or code of the batch and the numbers of its vessels in this sitting. */
  readonly sitting = input.required<string>();
  /** Ids of the sources, separated by commas. */
  readonly source = input.required<string>();
  readonly dose = input.required<string>();

  private readonly store = inject(HouseStore);
  private readonly journal = inject(Journal);
  private readonly router = inject(Router);
  protected readonly busy = signal(false);

  protected readonly batch = computed(
    () => openedIn(this.store.house(), this.sitting().split(':')[0])?.batch,
  );
  protected readonly targets = computed(() => {
    const numbers = new Set((this.sitting().split(':')[1] ?? '').split('.').map(Number));
    return this.batch()?.vessels.filter((v) => numbers.has(v.vessel.number)) ?? [];
  });
  protected readonly waiting = computed(() => this.targets().filter((v) => v.state.phase === 'cooked'));
  protected readonly current = computed(() => this.waiting()[0]);
  protected readonly place = computed(() => this.targets().length - this.waiting().length + 1);
  /** What became of the sitting: all done, or how many and what of the others. */
  protected readonly doneWords = computed(() => {
    const lost = this.targets().filter((v) => v.state.phase === 'gone').length;
    const done = this.targets().length - lost;
    return lost > 0 ? `${done} done, ${lost} dropped.` : done === 1 ? 'It is done.' : `All ${done} are done.`;
  });
  protected readonly sources = computed(() => {
    const house = this.store.house();
    return this.source()
      .split(',')
      .flatMap((name) => openedIn(house, name)?.vessel ?? []);
  });
  protected readonly doseEach = computed(() => Number(this.dose()));
  protected readonly unit = computed(() => this.sources()[0]?.remainingUnit ?? 'ml');
  protected readonly isSpawn = computed(() => this.unit() === 'g');
  protected readonly sourceWords = computed(() => {
    const first = this.sources()[0];
    const remaining = this.sources().reduce((sum, s) => sum + s.remaining, 0);
    return `${first?.species?.name ?? ''} ${first?.isolate?.name ?? ''}, ${doseWords(remaining, this.unit())} left`;
  });
  protected readonly inTheBox = computed(() => Math.min(this.waiting().length, 4));

  @HostListener('document:keydown', ['$event'])
  protected onKey(event: KeyboardEvent): void {
    const dialogOpen = document.querySelector('mat-dialog-container') !== null;
    if (event.defaultPrevented || dialogOpen || event.ctrlKey || event.metaKey || event.altKey) {
      return;
    }
    if (event.key === 'Escape') {
      this.leave();
      return;
    }
    // Enter and space on a focused button press that button.
    const onControl = event.target instanceof HTMLElement && event.target.closest('button, a') !== null;
    if (
      !NOT_DONE.has(event.key) &&
      !event.repeat &&
      !(onControl && (event.key === 'Enter' || event.key === ' '))
    ) {
      event.preventDefault();
      this.done(1);
    }
  }

  protected done(times: 1 | 2): void {
    void this.give(this.waiting().slice(0, 1), this.doseEach() * times);
  }

  protected doneAll(): void {
    void this.give(this.waiting().slice(0, this.inTheBox()), this.doseEach());
  }

  protected async dropped(): Promise<void> {
    const vessel = this.current();
    if (vessel !== undefined) {
      await this.journal.say({ kind: 'discarded', vesselIds: [vessel.vessel.id], reason: 'dropped' });
    }
  }

  protected undo(): void {
    void this.journal.undo();
  }

  protected leave(): void {
    void this.router.navigate(['/box']);
  }

  protected readonly doseShown = computed(() => doseFigure(this.doseEach(), this.unit()));
  protected readonly doseWords = doseWords;

  private async give(vessels: readonly VesselView[], doseEach: number): Promise<void> {
    if (vessels.length === 0 || this.busy()) {
      return;
    }
    this.busy.set(true);
    await this.journal.say({
      kind: 'inoculated',
      vesselIds: vessels.map((v) => v.vessel.id),
      sourceVesselIds: this.sources().map((s) => s.vessel.id),
      doseEach,
      doseUnit: this.unit(),
      // The prompt that stood there was part of the deed.
      flamed: this.isSpawn() ? undefined : true,
    });
    this.busy.set(false);
  }
}
