import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import type { Household } from '../../../core/index';
import { HouseStore } from '../../data/store/house-store';
import { Definitions } from '../../data/journal/definitions';
import { Night, type Light } from '../../data/devices/night';
import { Appliances } from './appliances';
import { NumberFieldBox, keepTyped, type NumberField } from './number-field';

/** The facts that the numbers rest on: house, cookers, look and keys. */
@Component({
  selector: 'nw-settings',
  imports: [Appliances, NumberFieldBox],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './settings.html',
  styleUrl: './settings.scss',
})
export class Settings {
  private readonly store = inject(HouseStore);
  private readonly settings = inject(Definitions);
  protected readonly night = inject(Night);
  protected readonly problem = signal('');
  protected readonly house = this.store.household;
  protected readonly lights: readonly { readonly value: Light; readonly words: string }[] = [
    { value: 'auto', words: 'as the machine' },
    { value: 'day', words: 'day' },
    { value: 'night', words: 'night' },
  ];
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

  protected async keep(field: NumberField, text: string): Promise<void> {
    if (field.id === 'barometer' && text.trim() === '') {
      await this.keepHouse({ barometerKPa: undefined });
      return;
    }
    this.problem.set(await keepTyped(field, text));
  }

  private readonly here = computed(() => {
    const ready = this.store.ready();
    return ready?.house.records.devices.find((d) => d.id === ready.device);
  });
  protected readonly deviceName = computed(() => this.here()?.name ?? '');
  protected readonly people = computed(() => this.house()?.people ?? []);
  protected readonly writes = signal(this.settings.who());

  protected nameDevice(text: string): void {
    if (text.trim() !== '') {
      void this.settings.nameDevice(text.trim());
    }
  }

  protected namePeople(text: string): void {
    const people = [...new Set(text.split(',').map((name) => name.trim()))].filter(Boolean);
    void this.keepHouse({ people: people.length > 0 ? people : undefined });
  }

  protected setWho(name: string): void {
    this.settings.setWho(name);
    this.writes.set(name);
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

  private keepHouse(change: Partial<Household>): Promise<boolean> {
    return this.settings.change('household', 'household', change);
  }
}
