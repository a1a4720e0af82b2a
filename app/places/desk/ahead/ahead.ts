import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { FormControl } from '@angular/forms';
import { MatButton } from '@angular/material/button';
import { MatProgressBar } from '@angular/material/progress-bar';
import { RouterLink } from '@angular/router';
import { addDays, startOfDay } from 'date-fns';
import type { Wish } from '../../../../core/index';
import { dateOf } from '../../../data/clock/local-days';
import { Time } from '../../../data/clock/time';
import { HouseStore } from '../../../data/store/house-store';
import { SupperPlanner } from '../../../data/work/supper-planner';
import { Wishes, wishAndDayOf } from '../../../data/work/wishes';
import { BlankChoice, BlankNumber } from '../../../pieces/blank';
import { Fold } from '../../../pieces/fold';
import { DateField } from '../../../pieces/form/date-field';
import type { Choice } from '../../../pieces/form/choice-field';
import { AheadBoard } from './ahead-board';
import { ForwardCard } from './forward-card';
import { OutOfOrder } from './out-of-order';
import { PlanFiles } from './plan-files';
import { PlanTrial } from './plan-trial';
import { SteadyCard } from './steady-card';
import { SupperCard } from './supper-card';
import { ToBuyAhead } from './to-buy-ahead';
import { WeekForm } from './week-form';
import { WhatIfCard } from './what-if-card';

const USUAL_MASS_G = 1000;
/** A supper is planned this far ahead unless a day is chosen: about what it takes from spawn. Our choice. */
const USUAL_AHEAD_DAYS = 90;
const AGAIN: readonly Choice[] = [
  { value: '', words: 'once' },
  { value: '7', words: 'every week' },
  { value: '14', words: 'every two weeks' },
  { value: '28', words: 'every four weeks' },
];
const SURELY: readonly Choice[] = [
  { value: 'likely', words: 'likely (8 times in 10)' },
  { value: 'even', words: 'as likely as not' },
];

/** What is wanted and when, and all that must be done for it. */
@Component({
  selector: 'nw-ahead',
  imports: [
    AheadBoard,
    BlankChoice,
    BlankNumber,
    DateField,
    Fold,
    ForwardCard,
    MatButton,
    MatProgressBar,
    OutOfOrder,
    PlanFiles,
    RouterLink,
    SteadyCard,
    SupperCard,
    ToBuyAhead,
    WeekForm,
    WhatIfCard,
  ],
  providers: [PlanTrial],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './ahead.html',
  styleUrls: ['../desk-page.scss', './ahead.scss'],
})
export class Ahead {
  private readonly store = inject(HouseStore);
  private readonly wishes = inject(Wishes);
  private readonly time = inject(Time);
  protected readonly planner = inject(SupperPlanner);
  private readonly trial = inject(PlanTrial);

  protected readonly again = AGAIN;
  protected readonly surely = SURELY;
  protected readonly house = this.store.house;
  protected readonly massG = signal(USUAL_MASS_G);
  protected readonly massProblem = signal('');
  protected readonly everyDays = signal('');
  protected readonly certainty = signal<string>('likely');
  protected readonly on = new FormControl<Date | null>(
    addDays(startOfDay(this.time.now()), USUAL_AHEAD_DAYS),
  );
  private readonly chosen = signal('');
  protected readonly species = computed<readonly Choice[]>(() =>
    [...(this.house()?.records.species ?? [])]
      .sort((a, b) => a.name.localeCompare(b.name))
      .map(({ id, name }) => ({ value: id, words: name.toLowerCase() })),
  );
  /** What was chosen; else what the house has grown last. */
  protected readonly speciesId = computed(() => {
    const last = this.house()?.batches.findLast((b) => b.species !== undefined)?.species?.id;
    return this.chosen() || (last ?? this.species()[0]?.value ?? '');
  });
  protected readonly plans = computed(() => this.trial.plan()?.suppers ?? []);
  protected readonly refused = computed(() => this.planner.plan()?.refused ?? []);
  protected readonly looksForward = signal(false);
  protected readonly told = signal('');
  /** Wishes whose day is over, or lies beyond what is planned. */
  protected readonly beyond = computed(() => {
    const planned = new Set(this.planner.suppers().map((s) => wishAndDayOf(s).wishId));
    const today = dateOf(this.time.minute());
    return this.wishes.rows().filter((w) => !planned.has(w.id) && w.on > today);
  });

  protected choose(speciesId: string): void {
    this.chosen.set(speciesId);
  }

  protected async add(): Promise<void> {
    const on = this.on.value;
    const today = startOfDay(this.time.now());
    if (on === null || on < today) {
      this.told.set('The day must be today or later, like 24 Oct 2027. Nothing was changed.');
      return;
    }
    if (this.massProblem() !== '' || !(this.massG() > 0)) {
      this.told.set(this.massProblem() || 'How much is wanted must be more than 0 g. Nothing was changed.');
      return;
    }
    this.told.set('');
    await this.wishes.add({
      speciesId: this.speciesId(),
      massG: this.massG(),
      on: dateOf(on.getTime()),
      ...(this.everyDays() !== '' && { everyDays: Number(this.everyDays()) }),
      ...(this.certainty() === 'even' && { certainty: 'even' as const }),
    });
  }

  protected takeOff(wishId: string): void {
    void this.wishes.change(wishId, { isGone: true });
  }

  protected speciesOf({ speciesId }: Pick<Wish, 'speciesId'>): string {
    return this.house()?.records.species.find((s) => s.id === speciesId)?.name ?? speciesId;
  }
}
