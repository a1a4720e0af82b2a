import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { convert, parseWithin, type Appliance, type Household } from '../../../core/index';
import { messageOf } from '../../data/message-of';
import { HouseStore } from '../../data/house-store';
import { SettingsService } from '../../data/settings-service';
import { Night, type Light } from '../../shell/night';
import { NumberFieldBox, type NumberField } from './number-field';

/** The facts that the numbers rest on: house, cookers, look and keys. */
@Component({
  selector: 'nw-settings',
  imports: [NumberFieldBox],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './settings.html',
  styleUrl: './settings.scss',
})
export class Settings {
  private readonly store = inject(HouseStore);
  private readonly settings = inject(SettingsService);
  protected readonly night = inject(Night);
  protected readonly problem = signal('');
  protected readonly house = this.store.household;
  protected readonly lights: readonly { readonly value: Light; readonly words: string }[] = [
    { value: 'auto', words: 'as the machine' },
    { value: 'day', words: 'day' },
    { value: 'night', words: 'night' },
  ];
  protected readonly appliances = computed(() => this.store.house()?.records.appliances ?? []);
  protected readonly fillable = computed(() =>
    (this.store.house()?.records.vesselTypes ?? []).filter((v) => v.kind === 'jar' || v.kind === 'bag'),
  );
  protected readonly houseFields = computed<readonly NumberField[]>(() => {
    const house = this.house();
    return house === undefined
      ? []
      : [
          {
            id: 'altitude',
            label: 'Altitude',
            unit: 'm',
            min: -430,
            max: 5100,
            shown: house.altitudeM,
            keep: (altitudeM) => this.keepHouse({ altitudeM }),
          },
          {
            id: 'room',
            label: 'The room',
            unit: '°C',
            min: 5,
            max: 40,
            shown: house.roomC,
            keep: (roomC) => this.keepHouse({ roomC }),
          },
          {
            id: 'barometer',
            label: 'Barometer in the room',
            unit: 'hPa',
            min: 500,
            max: 1100,
            shown: house.barometerKPa === undefined ? undefined : Math.round(house.barometerKPa * 10),
            keep: (hPa) => this.keepHouse({ barometerKPa: hPa / 10 }),
          },
        ];
  });

  protected applianceFields(a: Appliance): readonly NumberField[] {
    return [
      {
        id: `${a.id}-volume`,
        label: 'Volume',
        unit: 'l',
        min: 2,
        max: 200,
        shown: a.volumeL,
        keep: (volumeL) => this.keepAppliance(a, { volumeL }),
      },
      {
        id: `${a.id}-rated`,
        label: 'Printed pressure',
        unit: 'psi',
        min: 1.5,
        max: 36,
        shown: Math.round(convert(a.ratedGaugeKPa, 'kPa', 'psi') * 10) / 10,
        keep: (psi) => this.keepAppliance(a, { ratedGaugeKPa: convert(psi, 'psi', 'kPa') }),
      },
      {
        id: `${a.id}-water`,
        label: 'Least water',
        unit: 'ml',
        min: 0,
        max: 50_000,
        shown: a.leastWaterMl,
        keep: (leastWaterMl) => this.keepAppliance(a, { leastWaterMl }),
      },
      {
        id: `${a.id}-most`,
        label: 'Most water under the load',
        unit: 'ml',
        min: 1,
        max: 50_000,
        shown: a.mostWaterMl,
        keep: (mostWaterMl) => this.keepAppliance(a, { mostWaterMl }),
      },
      ...this.fillable().map((v): NumberField => ({
        id: `${a.id}-${v.id}`,
        label: `Holds ${v.plural}`,
        unit: '',
        min: 0,
        max: 500,
        shown: a.places[v.id] ?? 0,
        keep: (n) => this.keepAppliance(a, { places: { ...a.places, [v.id]: Math.round(n) } }),
      })),
    ];
  }

  protected async keep(field: NumberField, text: string): Promise<void> {
    try {
      if (field.id === 'barometer' && text.trim() === '') {
        await this.keepHouse({ barometerKPa: undefined });
        return;
      }
      const value = parseWithin(text, {
        field: field.label,
        min: field.min,
        max: field.max,
        unit: field.unit && ` ${field.unit}`,
      });
      this.problem.set('');
      await field.keep(value);
    } catch (error) {
      this.problem.set(`${messageOf(error)} Nothing was changed.`);
    }
  }

  protected setPressureUnit(unit: string): void {
    void this.keepHouse({ pressureUnit: unit === 'kPa' ? 'kPa' : unit === 'bar' ? 'bar' : 'psi' });
  }

  protected setMassUnit(unit: string): void {
    void this.keepHouse({ massUnit: unit === 'oz' ? 'oz' : 'g' });
  }

  protected setStep(step: string): void {
    void this.keepHouse({ scaleStepG: step === '0.01' ? 0.01 : step === '0.1' ? 0.1 : step === '5' ? 5 : 1 });
  }

  protected setKeys(on: boolean): void {
    void this.keepHouse({ singleKeys: on });
  }

  protected setLight(light: string): void {
    this.night.choose(light === 'day' || light === 'night' ? light : 'auto');
  }

  /** One cooker leads the plans; the other is still there to load. */
  protected async use(a: Appliance): Promise<void> {
    for (const other of this.appliances()) {
      if (other.inUse !== (other.id === a.id)) {
        await this.settings.change('appliances', other.id, { inUse: other.id === a.id });
      }
    }
  }

  private keepHouse(change: Partial<Household>): Promise<boolean> {
    return this.settings.change('household', 'household', change);
  }

  private keepAppliance(a: Appliance, change: Partial<Appliance>): Promise<boolean> {
    return this.settings.change('appliances', a.id, change);
  }
}
