import {
  ChangeDetectionStrategy,
  Component,
  computed,
  effect,
  input,
  untracked,
  type Signal,
} from '@angular/core';
import { FormControl, FormGroup } from '@angular/forms';
import {
  capital,
  countingsOf,
  unitOf,
  unitsEach,
  usualContent,
  type Counting,
  type CultureForm,
  type CultureUnit,
  type Holds,
  type VesselType,
} from '../../core/index';
import { checkedBy, typedNumber } from './form/checked-by';
import { ChoiceField, type Choice } from './form/choice-field';
import { valueOf } from './form/form-state';
import { TextField } from './form/text-field';

/** No culture of a kitchen holds more, in any of its units. */
const MOST: Readonly<Record<CultureUnit, number>> = {
  ml: 5000,
  g: 20_000,
  wedge: 200,
  scrape: 200,
  piece: 50,
};
const UNIT_WORDS: Readonly<Record<CultureUnit, string>> = {
  ml: 'milliliters',
  g: 'grams',
  wedge: 'wedges',
  scrape: 'scrapes',
  piece: 'pieces',
};
const HINTS: Readonly<Partial<Record<CultureForm, string>>> = {
  plate: 'A whole 90 mm dish is about 40 wedges of a square centimeter.',
  slant: 'A slant gives some six scrapes.',
  print: 'A print of the size of a cap gives some twenty scrapes; a swab does some four plates.',
  spores: 'Ten milliliters do about six jars.',
  tissue: 'Each piece of clean inner flesh goes on a plate of its own.',
};

/** What came in each vessel, told in its unit, as a share of a full one, or in swabs. Made where effects may be. */
export class ToldAmount {
  private readonly counting = new FormControl<Counting>('unit', { nonNullable: true });
  private readonly amount = new FormControl('', { nonNullable: true });
  readonly controls = new FormGroup({ counting: this.counting, amount: this.amount });
  private readonly told = valueOf(this.counting);
  readonly unit = computed(() => unitOf(this.form()));
  /** Behind the figure; empty for what is counted. */
  readonly sign = computed(() =>
    this.told() === 'unit' && ['ml', 'g'].includes(this.unit()) ? this.unit() : '',
  );
  readonly name = computed(() => {
    switch (this.told()) {
      case 'share':
        return 'Share in each, like 1/2';
      case 'swab':
        return 'Swabs in each';
      case 'unit':
        return `${capital(UNIT_WORDS[this.unit()])} in each`;
    }
  });
  readonly hint = computed(() => HINTS[this.form()] ?? '');
  readonly countings = computed((): readonly Choice<Counting>[] => {
    const words: Readonly<Record<Counting, string>> = {
      unit: UNIT_WORDS[this.unit()],
      share: `share of a full ${this.vessel()?.name ?? 'one'}`,
      swab: 'swabs',
    };
    return countingsOf(this.form()).map((value) => ({ value, words: words[value] }));
  });
  private readonly rule = computed(() => {
    const unit = this.unit();
    const isMeasured = unit === 'ml' || unit === 'g';
    const range = {
      unit: {
        min: isMeasured ? 0.5 : 1,
        max: unit === 'ml' ? (this.vessel()?.capacityMl ?? MOST.ml) : MOST[unit],
      },
      share: { min: 0.02, max: 1 },
      swab: { min: 1, max: 50 },
    }[this.told()];
    const sign = this.sign();
    return typedNumber({
      field: { label: this.name() },
      ...range,
      unit: sign && ` ${sign}`,
      unitStays: unit === 'ml',
    });
  });

  /** @param first what stands there at first; what is usual where that is undefined */
  constructor(
    private readonly vessel: Signal<VesselType | undefined>,
    private readonly form: Signal<CultureForm>,
    private readonly first?: Signal<number | undefined>,
  ) {
    // What it is read by stands only now.
    this.amount.addValidators(checkedBy(() => this.rule()));
    effect(() => {
      this.vessel();
      this.form();
      untracked(() => {
        this.counting.setValue('unit');
      });
    });
    effect(() => {
      const [counting, vessel, form] = [this.told(), this.vessel(), this.form()];
      const first = this.first?.();
      untracked(() => {
        if (vessel !== undefined) {
          this.amount.setValue(counting === 'unit' ? String(first ?? usualContent(form, vessel)) : '1');
        }
      });
    });
  }

  /** In the unit of the form: whole wedges and scrapes, whatever it was told in. Of sound controls only. */
  read(): Holds {
    const [counting, vessel] = [this.counting.value, this.vessel()];
    const typed = this.rule().parse(this.amount.value);
    const each = vessel === undefined ? 1 : unitsEach(counting, this.form(), vessel);
    const amount = counting === 'unit' ? typed : Math.max(1, Math.round(typed * each));
    return { amount, unit: this.unit() };
  }
}

@Component({
  selector: 'nw-told-amount',
  imports: [ChoiceField, TextField],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <div class="two">
      @if (of().countings().length > 1) {
        <nw-choice-field
          name="Told in"
          [control]="of().controls.controls.counting"
          [options]="of().countings()"
        />
      }
      <nw-text-field
        keys="decimal"
        [name]="of().name()"
        [unit]="of().sign()"
        [unitStays]="of().unit() === 'ml'"
        [longest]="12"
        [control]="of().controls.controls.amount"
      />
    </div>
    @if (of().hint(); as words) {
      <p class="soft">{{ words }}</p>
    }
  `,
  styles: `
    :host {
      display: grid;
      gap: 14px;
    }
    .two {
      display: grid;
      grid-template-columns: repeat(auto-fit, minmax(min(100%, 200px), 1fr));
      gap: 14px;
      align-items: start;
    }
  `,
})
export class ToldAmountFields {
  readonly of = input.required<ToldAmount>();
}
