import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { ReactiveFormsModule } from '@angular/forms';
import { MatCheckbox } from '@angular/material/checkbox';
import {
  METRIC_UNITS,
  USUAL_GRAIN_GENERATIONS,
  USUAL_OPEN_AT_ONCE,
  type Household,
  type UnitChoices,
} from '../../../core/index';
import { stepWords, unitsShown } from '../../data/words/measure-words';
import { HouseStore } from '../../data/store/house-store';
import { Definitions } from '../../data/journal/definitions';
import { Night, type Light } from '../../data/devices/night';
import { ChoiceField, type Choice } from '../../pieces/form/choice-field';
import { keptChoice, shownControl } from '../../pieces/form/form-state';
import { KeptNumberField, type KeptNumber } from '../../pieces/form/kept-number';
import { TextField } from '../../pieces/form/text-field';
import { AllowReminders } from '../../pieces/allow-reminders';
import { Appliances } from './appliances';

/** The unit of each kind of figure, and the name under which the household keeps it. */
const UNITS: readonly {
  readonly name: string;
  readonly kind: keyof UnitChoices;
  readonly kept: keyof Household;
  readonly options: readonly Choice[];
}[] = [
  {
    name: 'Pressure in',
    kind: 'pressure',
    kept: 'pressureUnit',
    options: ['psi', 'kPa', 'bar'].map((value) => ({ value, words: value })),
  },
  {
    name: 'Mass in',
    kind: 'mass',
    kept: 'massUnit',
    options: [
      { value: 'g', words: 'grams and kilograms' },
      { value: 'oz', words: 'ounces and pounds' },
    ],
  },
  {
    name: 'Warmth in',
    kind: 'temperature',
    kept: 'temperatureUnit',
    options: [
      { value: 'C', words: '°C' },
      { value: 'F', words: '°F' },
    ],
  },
  {
    name: 'Volume in',
    kind: 'volume',
    kept: 'volumeUnit',
    options: [
      { value: 'ml', words: 'milliliters and liters' },
      { value: 'cup', words: 'cups and quarts' },
    ],
  },
  {
    name: 'Length in',
    kind: 'length',
    kept: 'lengthUnit',
    options: [
      { value: 'mm', words: 'millimeters and meters' },
      { value: 'inch', words: 'inches and feet' },
    ],
  },
];

/** The facts that the numbers rest on: house, cookers, look and keys. */
@Component({
  selector: 'nw-settings',
  imports: [
    AllowReminders,
    Appliances,
    ChoiceField,
    KeptNumberField,
    MatCheckbox,
    ReactiveFormsModule,
    TextField,
  ],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './settings.html',
  styleUrl: './settings.scss',
})
export class Settings {
  private readonly store = inject(HouseStore);
  private readonly settings = inject(Definitions);
  private readonly night = inject(Night);
  protected readonly house = this.store.household;

  protected readonly units = UNITS.map(({ name, kind, kept, options }) => ({
    name,
    options,
    control: keptChoice<string>(
      METRIC_UNITS[kind],
      () => unitsShown()[kind],
      (unit) => this.keep({ [kept]: unit }),
    ),
  }));
  protected readonly steps = computed<readonly Choice[]>(() =>
    ['0.01', '0.1', '1', '5'].map((value) => ({ value, words: stepWords(Number(value)) })),
  );
  protected readonly lights: readonly Choice<Light>[] = [
    { value: 'auto', words: 'as the machine' },
    { value: 'day', words: 'day' },
    { value: 'night', words: 'night' },
  ];

  protected readonly houseFields = computed<readonly KeptNumber[]>(() => {
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
            keep: (altitudeM) => this.keep({ altitudeM }),
          },
          {
            id: 'room',
            label: 'The room',
            unit: '°C',
            min: 5,
            max: 40,
            shown: house.roomC,
            keep: (roomC) => this.keep({ roomC }),
          },
          {
            id: 'barometer',
            label: 'Barometer in the room',
            unit: 'hPa',
            min: 500,
            max: 1100,
            shown: house.barometerKPa === undefined ? undefined : Math.round(house.barometerKPa * 10),
            mayBeEmpty: true,
            keep: (hPa) => this.keep({ barometerKPa: hPa === undefined ? undefined : hPa / 10 }),
          },
        ];
  });

  protected readonly boxFields = computed<readonly KeptNumber[]>(() => {
    const house = this.house();
    return house === undefined
      ? []
      : [
          {
            id: 'open-at-once',
            label: 'Open in the box at once, at most',
            unit: '',
            min: 1,
            max: 12,
            whole: true,
            shown: house.openAtOnce ?? USUAL_OPEN_AT_ONCE,
            keep: (openAtOnce) => this.keep({ openAtOnce }),
          },
          {
            id: 'grain-generations',
            label: 'Grain fed to grain, times at most',
            unit: '',
            min: 1,
            max: 12,
            whole: true,
            shown: house.grainGenerations ?? USUAL_GRAIN_GENERATIONS,
            keep: (grainGenerations) => this.keep({ grainGenerations }),
          },
        ];
  });

  protected readonly cookFields = computed<readonly KeptNumber[]>(() => {
    const house = this.house();
    return house === undefined
      ? []
      : [
          {
            id: 'practice-weight',
            label: 'The trade’s record counts',
            unit: '%',
            min: 0,
            max: 100,
            shown: Math.round((house.practiceWeight ?? 1) * 100),
            keep: (percent) => this.keep({ practiceWeight: percent && percent / 100 }),
          },
        ];
  });

  protected readonly step = keptChoice(
    '1',
    () => String(this.house()?.scaleStepG ?? 1),
    (step) => this.keep({ scaleStepG: Number(step) as Household['scaleStepG'] }),
  );
  protected readonly light = keptChoice<Light>(
    'auto',
    () => this.night.light(),
    (light) => {
      this.night.choose(light);
    },
  );
  protected readonly singleKeys = keptChoice(
    true,
    () => this.house()?.singleKeys,
    (singleKeys) => this.keep({ singleKeys }),
  );

  protected readonly people = computed(() => this.house()?.people ?? []);
  protected readonly writers = computed<readonly Choice[]>(() => [
    { value: '', words: 'not said' },
    ...this.people().map((name) => ({ value: name, words: name })),
  ]);
  private readonly writes = signal(this.settings.who());
  protected readonly who = keptChoice('', this.writes, (name) => {
    this.settings.setWho(name);
    this.writes.set(name);
  });
  private readonly here = computed(() => {
    const ready = this.store.ready();
    return ready?.house.records.devices.find((d) => d.id === ready.device);
  });
  protected readonly device = shownControl('', () => this.here()?.name);
  protected readonly peopleText = shownControl('', () => this.people().join(', '));

  protected nameDevice(text: string): void {
    this.device.markAsPristine();
    if (text.trim() !== '') {
      void this.settings.nameDevice(text.trim());
    }
  }

  protected namePeople(text: string): void {
    this.peopleText.markAsPristine();
    const people = [...new Set(text.split(',').map((name) => name.trim()))].filter(Boolean);
    void this.keep({ people: people.length > 0 ? people : undefined });
  }

  private keep(change: Partial<Household>): Promise<boolean> {
    return this.settings.change('household', 'household', change);
  }
}
