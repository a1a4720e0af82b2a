import { ChangeDetectionStrategy, Component, computed, inject, input, output } from '@angular/core';
import { format, parseISO } from 'date-fns';
import { Time } from '../../data/clock/time';
import { DateField } from '../../pieces/form/date-field';
import { keptChoice } from '../../pieces/form/form-state';
import { KeptNumberField, type KeptNumber } from '../../pieces/form/kept-number';

/** As a package may cost at most. */
const MOST_PRICE = 100_000;

/** A package as it was bought: what was paid for how much, and when. */
export interface Package {
  readonly price: number;
  /** Grams or pieces. */
  readonly amount: number;
  /** A day; left out where it is not known. */
  readonly on?: string | undefined;
}

/** What a package is counted in. */
export interface PackageAmount {
  readonly label: string;
  /** Empty for pieces. */
  readonly unit: string;
  readonly min: number;
  readonly max: number;
  readonly whole?: boolean;
  /** Taken until it is said. */
  readonly usual: number;
}

/** Asks for the package that was bought last. A price alone is that of the usual amount, bought today. */
@Component({
  selector: 'nw-package-price',
  imports: [DateField, KeptNumberField],
  changeDetection: ChangeDetectionStrategy.OnPush,
  styles: ':host { display: contents; }',
  template: `
    @for (field of fields(); track field.id) {
      <nw-kept-number [field]="field" />
    }
    @if (bought()) {
      <nw-date-field name="Bought on" [control]="day" [latest]="today()" />
    }
  `,
})
export class PackagePrice {
  /** What it is the price of; another one is asked for anew. */
  readonly of = input.required<string>();
  readonly money = input.required<string>();
  readonly amount = input.required<PackageAmount>();
  readonly bought = input<Package>();
  readonly changed = output<Package | undefined>();

  private readonly time = inject(Time);
  protected readonly today = computed(() => new Date(this.time.minute()));
  private readonly boughtOn = computed(() => {
    const on = this.bought()?.on;
    return on === undefined ? null : parseISO(on);
  });
  protected readonly day = keptChoice<Date | null>(null, this.boughtOn, (day) => {
    const bought = this.bought();
    if (bought !== undefined && this.day.valid) {
      const { price, amount } = bought;
      this.changed.emit({ price, amount, on: day === null ? undefined : dayOf(day) });
    }
  });
  protected readonly fields = computed((): readonly KeptNumber[] => {
    const [bought, { usual, ...amount }] = [this.bought(), this.amount()];
    return [
      {
        id: `price-${this.of()}`,
        label: 'Price of a package',
        unit: this.money(),
        min: 0,
        max: MOST_PRICE,
        mayBeEmpty: true,
        shown: bought?.price,
        // Another price is that of another package.
        keep: (price) =>
          this.keep(
            price === undefined
              ? undefined
              : { amount: bought?.amount ?? usual, price, on: dayOf(this.today()) },
          ),
      },
      ...(bought === undefined
        ? []
        : [
            {
              ...amount,
              id: `package-${this.of()}`,
              shown: bought.amount,
              keep: (typed: number | undefined) => this.keep({ ...bought, amount: typed ?? usual }),
            },
          ]),
    ];
  });

  private keep(bought: Package | undefined): Promise<boolean> {
    this.changed.emit(bought);
    return Promise.resolve(true);
  }
}

function dayOf(day: Date): string {
  return format(day, 'yyyy-MM-dd');
}
