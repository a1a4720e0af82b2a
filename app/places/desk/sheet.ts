import { ChangeDetectionStrategy, Component, computed, inject, input, signal } from '@angular/core';
import { MatButton } from '@angular/material/button';
import { RouterLink } from '@angular/router';
import { FormControl } from '@angular/forms';
import { format } from 'date-fns';
import {
  batchSheet,
  decimalsOf,
  inCooker,
  placesNeeded,
  wishOf,
  type BatchView,
  type CookPlan,
  unlessRefused,
} from '../../../core/index';
import { inDegrees } from '../../data/words/in-degrees';
import { figureWords, pressureWords } from '../../data/words/measure-words';
import { messageOf } from '../../data/words/message-of';
import { download } from '../../data/store/download';
import { openedIn } from '../../data/views/opened';
import { HouseStore } from '../../data/store/house-store';
import { CookPlanner } from '../../data/work/cook-planner';
import { SheetWorker } from '../../workers/sheet-client';
import { ChoiceField, type Choice } from '../../pieces/form/choice-field';

/** One batch as a page for the kitchen wall: to print from the browser, or as a PDF. */
@Component({
  selector: 'nw-sheet',
  imports: [ChoiceField, MatButton, RouterLink],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './sheet.html',
  styleUrls: ['./desk-page.scss', './sheet.scss'],
})
export class Sheet {
  /** Id or code of the batch, from the address. */
  readonly batch = input.required<string>();

  private readonly store = inject(HouseStore);
  private readonly planner = inject(CookPlanner);
  private readonly worker = inject(SheetWorker);
  protected readonly papers: readonly Choice<'A4' | 'LETTER'>[] = [
    { value: 'A4', words: 'A4' },
    { value: 'LETTER', words: 'US letter' },
  ];
  protected readonly paper = new FormControl<'A4' | 'LETTER'>('A4', { nonNullable: true });
  protected readonly busy = signal(false);
  protected readonly problem = signal('');

  private readonly view = computed(() => {
    const view = openedIn(this.store.house(), this.batch())?.batch;
    return view?.batch.plan === undefined ? undefined : view;
  });
  protected readonly sheet = computed(() => {
    const [view, house] = [this.view(), this.store.household()];
    if (view === undefined || house === undefined) {
      return undefined;
    }
    const cook = view.batch.plan?.treatment === 'pasteurize' ? undefined : this.cookFor(view);
    return batchSheet(view, {
      ...(cook && { cook, pressure: pressureWords(cook.gaugeKPa) }),
      words: figureWords(house.scaleStepG),
      sentence: inDegrees,
      decimals: decimalsOf(house.scaleStepG),
      formatDate: (iso) => format(Date.parse(iso), 'd MMM yyyy'),
    });
  });

  protected print(): void {
    window.print();
  }

  protected async save(): Promise<void> {
    const sheet = this.sheet();
    if (sheet === undefined) {
      return;
    }
    this.busy.set(true);
    this.problem.set('');
    try {
      download(await this.worker.draw(sheet, this.paper.value), `sheet-${sheet.code}.pdf`, 'application/pdf');
    } catch (error) {
      this.problem.set(`The sheet could not be drawn: ${messageOf(error)}. Print the page instead.`);
    } finally {
      this.busy.set(false);
    }
  }

  private cookFor(view: BatchView): CookPlan | undefined {
    const [appliance, house] = [
      this.store.house()?.records.appliances.find((a) => a.inUse),
      this.store.household(),
    ];
    if (appliance === undefined || house === undefined) {
      return undefined;
    }
    const { vesselsPerPlace } = inCooker(view.batch);
    const count = placesNeeded(view.vessels.length, vesselsPerPlace);
    return unlessRefused(
      () => this.planner.plan({ appliance, house, count, ...wishOf(view.batch) }),
      undefined,
    );
  }
}
