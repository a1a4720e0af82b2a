import {
  ChangeDetectionStrategy,
  Component,
  ElementRef,
  computed,
  effect,
  inject,
  input,
  untracked,
} from '@angular/core';
import { MatButton } from '@angular/material/button';
import * as z from 'zod';
import {
  formatNumber,
  likeliestVessel,
  mayBeRefilled,
  mediumOf,
  mostFill,
  refillOf,
  usualRefillCount,
  vesselsFor,
  type BatchView,
} from '../../core/index';
import { Journal } from '../data/journal/journal';
import { HouseStore } from '../data/store/house-store';
import { amountWords, volumeWords } from '../data/words/measure-words';
import { Fold } from './fold';
import { formOf, rangeOf, typedNumber } from './form/checked-by';
import { ChoiceField, type Choice } from './form/choice-field';
import { isSound, valueOf } from './form/form-state';
import { TextField } from './form/text-field';
import { OwnThings } from './own-things/own-things';

/** A batch went into other vessels than were planned: jars mixed into a bag, one big pot portioned. Until it is cooked. */
@Component({
  selector: 'nw-other-vessels',
  imports: [ChoiceField, Fold, MatButton, TextField],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @if (isOpen()) {
      <nw-fold title="Other vessels than planned">
        <form (submit)="$event.preventDefault(); save()">
          <nw-choice-field
            name="All of it goes into"
            [control]="form.controls.vessel"
            [options]="options()"
          />
          <nw-text-field keys="numeric" name="How many" [longest]="3" [control]="form.controls.count" />
          <button type="submit" matButton="outlined" class="deed">Filled into these</button>
        </form>
        <button type="button" matButton class="word" (click)="addOwn()">a kind of my own …</button>
        <p aria-live="polite" [class.rye]="isTooFull()">{{ words() }}</p>
      </nw-fold>
    }
  `,
  styles: `
    form {
      display: grid;
      grid-template-columns: minmax(0, 2fr) minmax(0, 1fr);
      gap: 10px 14px;
      align-items: start;
    }
    button.deed {
      grid-column: 1 / -1;
    }
    p {
      margin: 0;
      min-height: 1.4em;
    }
  `,
})
export class OtherVessels {
  readonly view = input.required<BatchView>();

  private readonly store = inject(HouseStore);
  private readonly journal = inject(Journal);
  private readonly own = inject(OwnThings);
  private readonly host = inject<ElementRef<HTMLElement>>(ElementRef).nativeElement;

  protected readonly isOpen = computed(() => mayBeRefilled(this.view()));
  private readonly vessels = computed(() =>
    vesselsFor(mediumOf(this.view().batch), this.store.house()?.records.vesselTypes ?? []),
  );
  protected readonly options = computed((): readonly Choice[] =>
    this.vessels().map(({ id, plural }) => ({ value: id, words: plural })),
  );
  private readonly schema = z.object({
    vessel: z.string().min(1),
    count: typedNumber(rangeOf({ name: 'How many', unit: '', min: 1, max: 500, whole: true })),
  });
  protected readonly form = formOf(this.schema, { vessel: '', count: '' });
  private readonly typed = valueOf(this.form);
  private readonly vesselId = valueOf(this.form.controls.vessel);
  private readonly vessel = computed(() => this.vessels().find((v) => v.id === this.vesselId()));
  private readonly refilled = computed(() => {
    const [vessel, count] = [this.vessel(), this.schema.shape.count.safeParse(this.typed().count)];
    return vessel && count.success ? refillOf(this.view(), vessel, count.data) : undefined;
  });
  private readonly mostShare = computed(() => {
    const vessel = this.vessel();
    return vessel === undefined ? 1 : mostFill(vessel, mediumOf(this.view().batch));
  });
  protected readonly isTooFull = computed(() => (this.refilled()?.share ?? 0) > this.mostShare() + 1e-9);
  protected readonly words = computed(() => {
    const refilled = this.refilled();
    if (refilled === undefined) {
      return '';
    }
    const { plan, share } = refilled;
    const each = plan.vesselMl === undefined ? amountWords(plan.vesselWetG) : volumeWords(plan.vesselMl);
    const full = `${each} in each, ${formatNumber(share * 100)} % full`;
    return share > 1
      ? `${full}: it does not go in.`
      : this.isTooFull()
        ? `${full}: more than ${formatNumber(this.mostShare() * 100)} % is hard to shake and may boil over.`
        : `${full}.`;
  });

  constructor() {
    // What it is in now is no answer; the first other kind is, and how many of it are likely.
    effect(() => {
      const first = this.vessels().find((v) => v.id !== this.view().batch.vessel.id);
      untracked(() => {
        if (first !== undefined && this.vessel() === undefined) {
          this.form.controls.vessel.setValue(first.id);
        }
      });
    });
    effect(() => {
      const [vessel, view] = [this.vessel(), this.view()];
      untracked(() => {
        if (vessel !== undefined) {
          this.form.controls.count.setValue(
            String(usualRefillCount(view.batch, view.vessels.length, vessel)),
          );
        }
      });
    });
  }

  protected async addOwn(): Promise<void> {
    const likeliest = likeliestVessel(mediumOf(this.view().batch));
    const id = await this.own.ask({ what: 'vessel', likeliest });
    if (id !== undefined) {
      this.form.controls.vessel.setValue(id);
    }
  }

  protected async save(): Promise<void> {
    const vessel = this.vessel();
    if (!isSound(this.form, this.host) || vessel === undefined) {
      return;
    }
    await this.journal.fillInto(
      this.view().batch.id,
      vessel,
      this.schema.parse(this.form.getRawValue()).count,
    );
  }
}
