import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import {
  APPLIANCE_STARTS,
  ApplianceKind,
  convert,
  formatNumber,
  householdAtmosphereKPa,
  isPressureCooker,
  learnedFrom,
  newAppliance,
  newId,
  type Appliance,
  type PressureMeaning,
} from '../../../core/index';
import { HouseStore } from '../../data/store/house-store';
import { Definitions } from '../../data/journal/definitions';
import { NumberFieldBox, keepTyped, type NumberField } from './number-field';
import { PressureField } from './pressure-field';

const GAUGES: readonly { readonly value: NonNullable<Appliance['gauge']>; readonly words: string }[] = [
  { value: 'weighted', words: 'a weight that jiggles' },
  { value: 'dial', words: 'a dial' },
  { value: 'shown', words: 'a number it shows' },
  { value: 'none', words: 'none' },
];
const MOST_NAME = 60;

/** What heats: its limits, its gauge, what fits, and what it has shown of itself. */
@Component({
  selector: 'nw-appliances',
  imports: [NumberFieldBox, PressureField],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './appliances.html',
  styleUrl: './settings.scss',
})
export class Appliances {
  private readonly store = inject(HouseStore);
  private readonly settings = inject(Definitions);
  protected readonly problem = signal('');
  protected readonly gauges = GAUGES;
  protected readonly kinds = ApplianceKind.options.map((id) => ({ id, name: APPLIANCE_STARTS[id].name }));
  protected readonly appliances = computed(() => this.store.house()?.records.appliances ?? []);
  private readonly fillable = computed(() =>
    (this.store.house()?.records.vesselTypes ?? []).filter(
      (v) => v.kind !== 'dish' && v.kind !== 'syringe' && !v.id.startsWith('culture-'),
    ),
  );
  protected readonly atmosphereKPa = computed(() => {
    const house = this.store.household();
    return house === undefined ? 101.325 : householdAtmosphereKPa(house);
  });

  protected isPressure(a: Appliance): boolean {
    return isPressureCooker(a);
  }

  protected fields(a: Appliance): readonly NumberField[] {
    const psi = (kPa: number) => Math.round(convert(kPa, 'kPa', 'psi') * 10) / 10;
    return [
      {
        id: `${a.id}-volume`,
        label: 'Volume',
        unit: 'l',
        min: 2,
        max: 200,
        shown: a.volumeL,
        keep: (volumeL) => this.change(a, { volumeL }),
      },
      ...(a.gauge === 'dial'
        ? [
            {
              id: `${a.id}-over`,
              label: 'Its dial reads too much by',
              unit: 'psi',
              min: -7,
              max: 7,
              shown: psi(a.gaugeReadsOverKPa ?? 0),
              keep: (over: number) => this.change(a, { gaugeReadsOverKPa: convert(over, 'psi', 'kPa') }),
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
        keep: (leastWaterMl) => this.change(a, { leastWaterMl }),
      },
      {
        id: `${a.id}-most`,
        label: 'Most water under the load',
        unit: 'ml',
        min: 1,
        max: 50_000,
        shown: a.mostWaterMl,
        keep: (mostWaterMl) => this.change(a, { mostWaterMl }),
      },
      {
        id: `${a.id}-heat`,
        label: 'Heat that arrives in it',
        unit: 'kW',
        min: 0.1,
        max: 20,
        shown: a.netKW,
        keep: (netKW) => this.change(a, { netKW }),
      },
      {
        id: `${a.id}-longest`,
        label: 'Longest programme it can hold',
        unit: 'min',
        min: 1,
        max: 1440,
        shown: a.longestHoldMinutes,
        keep: (longestHoldMinutes) => this.change(a, { longestHoldMinutes }),
      },
      {
        id: `${a.id}-fuel`,
        label: 'Burns in an hour',
        unit: a.heat === 'gas' ? 'g' : 'kWh',
        min: 0,
        max: 10_000,
        shown: a.fuelPerHour,
        keep: (fuelPerHour) => this.change(a, { fuelPerHour }),
      },
    ];
  }

  /** How many of each vessel type fit in it. */
  protected places(a: Appliance): readonly NumberField[] {
    return this.fillable().map((v): NumberField => ({
      id: `${a.id}-${v.id}`,
      label: `Holds ${v.plural}`,
      unit: '',
      min: 0,
      max: 500,
      shown: a.places[v.id] ?? 0,
      keep: (n) => this.change(a, { places: { ...a.places, [v.id]: Math.round(n) } }),
    }));
  }

  /** What its cooks have shown, against what energy foretells. */
  protected learned(a: Appliance): string {
    const found = learnedFrom((this.store.house()?.cooks ?? []).filter((c) => c.cook.applianceId === a.id));
    const times = (factor: number | undefined, what: string, n: number) =>
      factor === undefined
        ? []
        : [`${what} ${formatNumber(factor, 2)} times the estimate (${n} ${n === 1 ? 'cook' : 'cooks'})`];
    const parts = [
      ...times(found.comeUpFactor, 'come-up', found.cooks.comeUp),
      ...times(found.waterFactor, 'water lost', found.cooks.water),
      ...(found.coolingRate === undefined ? [] : [`cooling measured (${found.cooks.cooling})`]),
    ];
    return parts.length === 0
      ? 'Come-up, water and cooling are estimated from energy until its cooks have shown them.'
      : `Its cooks have shown: ${parts.join(', ')}.`;
  }

  protected async keep(field: NumberField, text: string): Promise<void> {
    this.problem.set(await keepTyped(field, text));
  }

  protected keepPressure(a: Appliance, meaning: PressureMeaning): void {
    void this.change(a, { ratedGaugeKPa: meaning.gaugeKPa });
  }

  protected setGauge(a: Appliance, value: string): void {
    void this.change(a, { gauge: GAUGES.find((g) => g.value === value)?.value });
  }

  protected setTested(a: Appliance, date: string): void {
    void this.change(a, { gaugeTestedAt: date === '' ? undefined : date });
  }

  /** One cooker leads the plans; the other is still there to load. */
  protected async use(a: Appliance): Promise<void> {
    for (const other of this.appliances()) {
      if (other.inUse !== (other.id === a.id)) {
        await this.settings.change('appliances', other.id, { inUse: other.id === a.id });
      }
    }
  }

  protected async add(kind: string, name: string): Promise<void> {
    const known = this.kinds.find((k) => k.id === kind);
    if (known === undefined) {
      return;
    }
    const words = name.trim().slice(0, MOST_NAME) || known.name;
    const id = `appliance-${newId(Date.now(), Math.random)}`;
    await this.settings.add('appliances', newAppliance(known.id, id, words, new Date().toISOString()));
  }

  private change(a: Appliance, change: Partial<Appliance>): Promise<boolean> {
    return this.settings.change('appliances', a.id, change);
  }
}
