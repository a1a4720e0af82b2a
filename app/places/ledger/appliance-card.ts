import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import { MatButton } from '@angular/material/button';
import { MatRadioButton } from '@angular/material/radio';
import { format, parseISO } from 'date-fns';
import {
  atmosphericPressure,
  formatNumber,
  householdAtmosphereKPa,
  isCookedHere,
  isPressureCooker,
  learnedFrom,
  usualGaugeKPa,
  type Appliance,
  type PressureMeaning,
} from '../../../core/index';
import { HouseStore } from '../../data/store/house-store';
import { Time } from '../../data/clock/time';
import { Definitions } from '../../data/journal/definitions';
import { ChoiceField, type Choice } from '../../pieces/form/choice-field';
import { DateField } from '../../pieces/form/date-field';
import { keptChoice } from '../../pieces/form/form-state';
import { KeptNumberField, type KeptNumber } from '../../pieces/form/kept-number';
import { PressureBlank } from '../../pieces/pressure-blank';
import { CareLog } from './care-log';
import { PressureField } from './pressure-field';
import { StepsField } from './steps-field';
import { Fold } from '../../pieces/fold';

type Gauge = NonNullable<Appliance['gauge']>;

/** One cooker: its limits, its gauge, what fits, and what it has shown of itself. */
@Component({
  selector: 'nw-appliance-card',
  imports: [
    CareLog,
    ChoiceField,
    DateField,
    Fold,
    KeptNumberField,
    MatButton,
    MatRadioButton,
    PressureBlank,
    PressureField,
    StepsField,
  ],
  host: { role: 'group', '[attr.aria-label]': 'appliance().name' },
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @let a = appliance();
    <h2>{{ a.name }}</h2>
    @if (isPressure()) {
      <mat-radio-button [value]="a.id">plans use this one</mat-radio-button>
      <nw-pressure-field
        [inputId]="a.id + '-rated'"
        [gaugeKPa]="a.ratedGaugeKPa"
        [atmosphereKPa]="atmosphereKPa()"
        (kept)="keepPressure($event)"
      />
      <p>
        Plans hold
        <nw-pressure-blank
          [appliance]="a"
          [gaugeKPa]="usualKPa()"
          (chosen)="change({ usualGaugeKPa: $event })"
        />
      </p>
      <nw-choice-field name="Its pressure is known by" [control]="gauge" [options]="gauges" />
      @if (a.gauge === 'shown' || a.gauge === 'none') {
        <nw-steps-field [appliance]="a" (kept)="change({ gaugeStepsKPa: $event })" />
      }
      @if (a.gauge === 'dial') {
        <nw-date-field name="Dial tested on" [control]="tested" [latest]="today()" />
      }
    }
    @for (field of fields(); track field.id) {
      <nw-kept-number [field]="field" />
    }
    <nw-fold title="How many vessels fit in it">
      @for (field of places(); track field.id) {
        <nw-kept-number [field]="field" />
      }
    </nw-fold>
    <nw-fold title="Cleaning, valves, gasket">
      <nw-care-log [appliance]="a" (changed)="change({ careEveryDays: $event })" />
    </nw-fold>
    <p class="small">{{ learned() }}</p>
    <p class="soft small">
      Figures {{ a.source }}; change them to what is printed on yours. Never above the printed pressure.
    </p>
    @if (!a.inUse) {
      <button type="button" matButton class="word" (click)="takeOut()">It is no longer here</button>
    }
  `,
})
export class ApplianceCard {
  readonly appliance = input.required<Appliance>();

  private readonly store = inject(HouseStore);
  private readonly settings = inject(Definitions);
  private readonly time = inject(Time);
  protected readonly gauges: readonly Choice<Gauge>[] = [
    { value: 'weighted', words: 'a weight that jiggles' },
    { value: 'dial', words: 'a dial' },
    { value: 'shown', words: 'a number it shows' },
    { value: 'none', words: 'none' },
  ];
  protected readonly gauge = keptChoice<Gauge>(
    'none',
    () => this.appliance().gauge,
    (gauge) => this.change({ gauge }),
  );
  protected readonly tested = keptChoice<Date | null>(
    null,
    () => this.testedOn(),
    (day) => {
      if (this.tested.valid) {
        void this.change({ gaugeTestedAt: day === null ? undefined : format(day, 'yyyy-MM-dd') });
      }
    },
  );
  protected readonly today = computed(() => new Date(this.time.minute()));
  protected readonly usualKPa = computed(() => usualGaugeKPa(this.appliance()));
  protected readonly isPressure = computed(() => isPressureCooker(this.appliance()));
  protected readonly atmosphereKPa = computed(() => {
    const house = this.store.household();
    return house === undefined ? atmosphericPressure(0) : householdAtmosphereKPa(house);
  });
  private readonly testedOn = computed(() => {
    const { gaugeTestedAt } = this.appliance();
    return gaugeTestedAt === undefined ? null : parseISO(gaugeTestedAt);
  });
  private readonly fillable = computed(() =>
    (this.store.house()?.records.vesselTypes ?? []).filter(isCookedHere),
  );

  protected readonly fields = computed((): readonly KeptNumber[] => {
    const a = this.appliance();
    return [
      {
        id: `${a.id}-volume`,
        label: 'Volume',
        unit: 'l',
        min: 2,
        max: 200,
        shown: a.volumeL,
        keep: (volumeL) => this.change({ volumeL }),
      },
      {
        id: `${a.id}-across`,
        label: 'Inner diameter, if measured',
        unit: 'mm',
        min: 50,
        max: 2000,
        shown: a.innerDiameterMm,
        mayBeEmpty: true,
        keep: (innerDiameterMm) => this.change({ innerDiameterMm }),
      },
      {
        id: `${a.id}-tall`,
        label: 'Height above its rack, if measured',
        unit: 'mm',
        min: 50,
        max: 2000,
        shown: a.innerHeightMm,
        mayBeEmpty: true,
        keep: (innerHeightMm) => this.change({ innerHeightMm }),
      },
      ...(a.gauge === 'dial'
        ? [
            {
              id: `${a.id}-over`,
              label: 'Its dial reads too much by',
              unit: 'kPa',
              min: -50,
              max: 50,
              shown: a.gaugeReadsOverKPa ?? 0,
              keep: (gaugeReadsOverKPa = 0) => this.change({ gaugeReadsOverKPa }),
            },
          ]
        : []),
      {
        id: `${a.id}-water`,
        label: 'Least water',
        unit: 'ml',
        min: 0,
        max: 50_000,
        shown: a.leastWaterMl,
        keep: (leastWaterMl) => this.change({ leastWaterMl }),
      },
      {
        id: `${a.id}-most`,
        label: 'Most water under the load',
        unit: 'ml',
        min: 1,
        max: 50_000,
        shown: a.mostWaterMl,
        keep: (mostWaterMl) => this.change({ mostWaterMl }),
      },
      {
        id: `${a.id}-heat`,
        label: 'Heat that arrives in it',
        unit: 'kW',
        min: 0.1,
        max: 20,
        shown: a.netKW,
        keep: (netKW) => this.change({ netKW }),
      },
      {
        id: `${a.id}-longest`,
        label: 'Longest programme it can hold',
        unit: 'min',
        min: 1,
        max: 1440,
        shown: a.longestHoldMinutes,
        keep: (longestHoldMinutes) => this.change({ longestHoldMinutes }),
      },
      {
        id: `${a.id}-fuel`,
        label: 'Burns in an hour',
        unit: a.heat === 'gas' ? 'g' : 'kWh',
        min: 0,
        max: 10_000,
        shown: a.fuelPerHour,
        keep: (fuelPerHour) => this.change({ fuelPerHour }),
      },
    ];
  });

  /** How many of each vessel type fit in it. */
  protected readonly places = computed((): readonly KeptNumber[] => {
    const a = this.appliance();
    return this.fillable().map((v) => ({
      id: `${a.id}-${v.id}`,
      label: `Holds ${v.plural}`,
      unit: '',
      min: 0,
      max: 500,
      shown: a.places[v.id] ?? 0,
      keep: (n = 0) => this.change({ places: { ...a.places, [v.id]: Math.round(n) } }),
    }));
  });

  /** What its cooks have shown, against what energy foretells. */
  protected readonly learned = computed(() => {
    const a = this.appliance();
    const found = learnedFrom(this.store.house()?.cooks ?? [], a);
    const times = (factor: number | undefined, what: string, n: number) =>
      factor === undefined
        ? []
        : [`${what} ${formatNumber(factor, 2)} times the estimate (${n} ${n === 1 ? 'cook' : 'cooks'})`];
    const parts = [
      ...times(found.comeUpFactor, 'come-up', found.cooks.comeUp),
      ...times(found.waterFactor, 'water lost', found.cooks.water),
      ...times(found.fuelFactor, 'fuel', found.cooks.fuel),
      ...(found.coolingRate === undefined ? [] : [`cooling measured (${found.cooks.cooling})`]),
    ];
    return parts.length === 0
      ? 'Come-up, water and cooling are estimated from energy until its cooks have shown them.'
      : `Its cooks have shown: ${parts.join(', ')}.`;
  });

  /** What was cooked in it stays; nothing is planned for it any more. */
  protected takeOut(): void {
    void this.change({ isGone: true });
  }

  protected keepPressure(meaning: PressureMeaning): void {
    void this.change({ ratedGaugeKPa: meaning.gaugeKPa });
  }

  protected change(change: Partial<Appliance>): Promise<boolean> {
    return this.settings.change('appliances', this.appliance().id, change);
  }
}
