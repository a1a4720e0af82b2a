import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import { FormControl, FormGroup } from '@angular/forms';
import { format, startOfDay } from 'date-fns';
import { HowItCame, isMycelium, type CultureForm, type Origin } from '../../core/index';
import { Time } from '../data/clock/time';
import { checkedBy, typedNumberOrNothing } from './form/checked-by';
import { ChoiceField, type Choice } from './form/choice-field';
import { DateField } from './form/date-field';
import { TextField } from './form/text-field';

const TRANSFERS = typedNumberOrNothing({ field: { label: 'Transfers' }, min: 0, max: 99, whole: true });
const HOW_WORDS: Readonly<Record<HowItCame, string>> = {
  bought: 'bought',
  swap: 'swapped',
  own: 'taken here',
  wild: 'found in the wild',
  unknown: 'not known',
};

/** Where a culture comes from, as far as anybody knows. */
export type OriginForm = ReturnType<typeof originForm>;

export function originForm({ how = 'bought', from = '', on, transfers }: Origin = {}) {
  return new FormGroup({
    how: new FormControl<HowItCame>(how, { nonNullable: true }),
    from: new FormControl(from, { nonNullable: true }),
    taken: new FormControl<Date | null>(on === undefined ? null : new Date(`${on}T12:00`)),
    transfers: new FormControl(transfers === undefined ? '' : String(transfers), {
      nonNullable: true,
      validators: checkedBy(() => TRANSFERS),
    }),
  });
}

/** Of a sound form only. */
export function originIn(form: OriginForm, of: CultureForm): Origin {
  const { how, from, taken, transfers } = form.getRawValue();
  const whom = from.trim();
  const told = isMycelium(of) ? TRANSFERS.parse(transfers) : undefined;
  return {
    how,
    ...(whom !== '' && { from: whom }),
    ...(taken !== null && { on: format(taken, 'yyyy-MM-dd') }),
    ...(told !== undefined && { transfers: told }),
  };
}

@Component({
  selector: 'nw-told-origin',
  imports: [ChoiceField, DateField, TextField],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <nw-choice-field name="How it came" [control]="form().controls.how" [options]="hows" />
    <nw-text-field name="From whom, if that matters" [longest]="80" [control]="form().controls.from" />
    <nw-date-field [name]="takenName()" [control]="form().controls.taken" [latest]="today()" />
    @if (isMycelium()) {
      <nw-text-field
        keys="numeric"
        name="Transfers before, if told"
        [longest]="3"
        [control]="form().controls.transfers"
      />
    }
  `,
  styles: `
    :host {
      display: grid;
      grid-template-columns: repeat(auto-fit, minmax(min(100%, 200px), 1fr));
      gap: 14px;
      align-items: start;
    }
  `,
})
export class ToldOriginFields {
  readonly form = input.required<OriginForm>();
  /** Of what. */
  readonly of = input.required<CultureForm>();

  private readonly time = inject(Time);
  protected readonly today = computed(() => startOfDay(this.time.minute()));
  protected readonly isMycelium = computed(() => isMycelium(this.of()));
  protected readonly takenName = computed(() =>
    this.isMycelium() ? 'Grown or drawn on, if known' : 'Taken on, if known',
  );
  protected readonly hows: readonly Choice<HowItCame>[] = HowItCame.options.map((value) => ({
    value,
    words: HOW_WORDS[value],
  }));
}
