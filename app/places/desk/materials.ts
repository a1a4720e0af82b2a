import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import { FormControl } from '@angular/forms';
import { MatButton } from '@angular/material/button';
import { Router, RouterLink } from '@angular/router';
import {
  formatNumber,
  moistureOf,
  newId,
  stockLeftG,
  type Figure,
  type Household,
  type Material,
} from '../../../core/index';
import { HouseStore } from '../../data/store/house-store';
import { Definitions } from '../../data/journal/definitions';
import { FAMILY_WORDS } from '../../data/words/family-words';
import { amountWords } from '../../data/words/measure-words';
import { DryDownSheet } from './dry-down-sheet';
import { MaterialPrice } from './material-price';
import { checkedBy, typedLine } from '../../pieces/form/checked-by';
import { shownControl, valueOf } from '../../pieces/form/form-state';
import { KeptNumberField, type KeptNumber } from '../../pieces/form/kept-number';
import { TextField } from '../../pieces/form/text-field';
import { OwnThings } from '../../pieces/own-things/own-things';

const OWN = 'Your own figure';
const MOST_PRICE = 10_000;
const MOST_STOCK_G = 10_000_000;
const NAME = typedLine({ label: 'Name' });

/** A number of a material that can be typed over. */
interface FigureField {
  readonly key: 'densityGPerL' | 'moisture' | 'carbon' | 'nitrogen' | 'solids' | 'sugar' | 'fieldCapacity';
  readonly words: string;
  readonly unit: string;
  /** Shown number is the value times this. */
  readonly times: number;
  readonly most: number;
}

const FIGURES: readonly FigureField[] = [
  { key: 'densityGPerL', words: 'Density as scooped', unit: 'g/l', times: 1, most: 3000 },
  { key: 'moisture', words: 'Moisture as bought', unit: '%', times: 100, most: 99 },
  { key: 'carbon', words: 'Carbon of dry mass', unit: '%', times: 100, most: 60 },
  { key: 'nitrogen', words: 'Nitrogen of dry mass', unit: '%', times: 100, most: 20 },
  { key: 'solids', words: 'Dissolved solids', unit: '%', times: 100, most: 100 },
  { key: 'sugar', words: 'Sugars', unit: '%', times: 100, most: 100 },
  { key: 'fieldCapacity', words: 'Field capacity', unit: '%', times: 100, most: 95 },
];

interface FigureRow {
  readonly field: FigureField;
  readonly value: string;
  readonly range: string;
  readonly source: string;
  readonly kept: KeptNumber;
}

/** The shelf: what each ingredient is, what is known of it and from where, what it costs, and how much is left. */
@Component({
  selector: 'nw-materials',
  imports: [DryDownSheet, KeptNumberField, MatButton, MaterialPrice, RouterLink, TextField],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './materials.html',
  styleUrls: ['./desk-page.scss', './materials.scss'],
})
export class Materials {
  /** The one that is open, from the address. */
  readonly open = input<string>();

  private readonly store = inject(HouseStore);
  private readonly settings = inject(Definitions);
  private readonly router = inject(Router);
  private readonly own = inject(OwnThings);

  protected readonly search = new FormControl('', { nonNullable: true });
  private readonly wanted = valueOf(this.search);
  private readonly all = computed(() => this.store.house()?.records.materials ?? []);
  protected readonly groups = computed(() => {
    const wanted = this.wanted().trim().toLowerCase();
    const found = this.all().filter((m) =>
      [m.name, ...(m.words ?? [])].some((w) => w.toLowerCase().includes(wanted)),
    );
    return Object.entries(FAMILY_WORDS).flatMap(([family, name]) => {
      const materials = found
        .filter((m) => (m.family ?? 'supplement') === family)
        .sort((a, b) => a.name.localeCompare(b.name));
      return materials.length === 0 ? [] : [{ name, materials }];
    });
  });
  protected readonly counted = computed(() => {
    const all = this.all();
    return { known: all.length, onShelf: all.filter((m) => m.stock !== undefined).length };
  });
  protected readonly chosen = computed(
    () =>
      this.all().find((m) => m.id === this.open()) ??
      this.all().find((m) => m.id === 'wheat') ??
      this.all()[0],
  );
  protected readonly left = computed(() => {
    const [house, chosen] = [this.store.house(), this.chosen()];
    const leftG = house && chosen ? stockLeftG(house, chosen.id) : undefined;
    return leftG === undefined
      ? 'never counted'
      : leftG < 0
        ? `short by ${amountWords(-leftG)}`
        : `${amountWords(leftG)} left`;
  });
  protected readonly currency = computed(() => this.store.household()?.currency ?? '');
  private readonly boughtKinds = [
    { key: 'dish', words: 'A bought plate' },
    { key: 'syringe', words: 'A bought syringe' },
    { key: 'jar', words: 'A bought jar' },
    { key: 'block', words: 'A bought block' },
  ] as const;

  protected readonly rows = computed<readonly FigureRow[]>(() => {
    const material = this.chosen();
    return material === undefined ? [] : FIGURES.map((field) => this.rowOf(material, field));
  });

  private rowOf(material: Material, field: FigureField): FigureRow {
    const figure = material[field.key];
    const shown = (value: number) => String(Number((value * field.times).toPrecision(4)));
    const value = figure === undefined ? '' : shown(figure.value);
    const kept: KeptNumber = {
      id: `figure-${material.id}-${field.key}`,
      label: field.words,
      unit: field.unit,
      min: field.key === 'densityGPerL' ? 1 : 0,
      max: field.most,
      shown: value,
      mayBeEmpty: field.key !== 'moisture',
      keep: (typed) => this.keepFigure(material, field, typed),
    };
    if (figure === undefined) {
      return { field, value, range: 'not known', source: '', kept };
    }
    const range = figure.low === figure.high ? '' : `${shown(figure.low)} to ${shown(figure.high)}`;
    return { field, value, range, source: figure.source, kept };
  }

  protected moistureWords(material: Material): string {
    const { value, source } = moistureOf(material);
    return `${formatNumber(value * 100, 1)} %, ${source}`;
  }

  protected isOwn(material: Material): boolean {
    return material.copyOf !== undefined || material.shipped === undefined;
  }

  protected async addOwn(): Promise<void> {
    const open = await this.own.ask({ what: 'material', called: this.search.value.trim() });
    if (open !== undefined) {
      this.search.reset();
      await this.router.navigate(['/desk/materials'], { queryParams: { open } });
    }
  }

  /** Figures of what ships are changed in a copy, so that a newer table never mixes with one's own numbers. */
  protected async copy(material: Material): Promise<void> {
    const id = newId(Date.now(), Math.random);
    const copied: Material = {
      ...material,
      id,
      name: `${material.name}, mine`.slice(0, 80),
      copyOf: material.copyOf ?? material.id,
      updatedAt: new Date().toISOString(),
    };
    if (await this.settings.add('materials', copied)) {
      await this.router.navigate(['/desk/materials'], { queryParams: { open: id } });
    }
  }

  protected readonly stock = computed((): KeptNumber | undefined => {
    const material = this.chosen();
    return (
      material && {
        id: `stock-${material.id}`,
        label: 'On the shelf',
        unit: 'g',
        min: 0,
        max: MOST_STOCK_G,
        shown: material.stock?.massG,
        mayBeEmpty: true,
        keep: (massG) =>
          this.settings.change('materials', material.id, {
            stock: massG === undefined ? undefined : { massG, countedAt: new Date().toISOString() },
          }),
      }
    );
  });
  /** What else a batch costs; the same for all materials. */
  protected readonly priceFields = computed<readonly KeptNumber[]>(() => {
    const house = this.store.household();
    const price = { unit: this.currency(), min: 0, max: MOST_PRICE, mayBeEmpty: true };
    return [
      {
        ...price,
        id: 'price-cook',
        label: 'A cook, gas or power',
        shown: house?.cookPrice,
        keep: (cookPrice) => this.changeHouse({ cookPrice }),
      },
      ...this.boughtKinds.map(({ key, words }): KeptNumber => ({
        ...price,
        id: `price-${key}`,
        label: words,
        shown: house?.boughtPrice?.[key],
        keep: (value) => this.changeHouse({ boughtPrice: { ...house?.boughtPrice, [key]: value } }),
      })),
    ];
  });
  protected readonly name = shownControl('', () => this.chosen()?.name);
  protected readonly lot = shownControl('', () => this.chosen()?.lot ?? '');
  protected readonly money = shownControl('', this.currency);

  constructor() {
    this.name.addValidators(checkedBy(() => NAME));
  }

  protected setName(material: Material): void {
    this.name.markAsPristine();
    void this.settings.change('materials', material.id, { name: NAME.parse(this.name.value) });
  }

  protected setLot(material: Material): void {
    this.lot.markAsPristine();
    void this.settings.change('materials', material.id, { lot: this.lot.value.trim() || undefined });
  }

  protected setMoney(): void {
    this.money.markAsPristine();
    void this.changeHouse({ currency: this.money.value.trim() });
  }

  protected measured(material: Material, figure: Figure | undefined): void {
    void this.settings.change('materials', material.id, { measuredMoisture: figure });
  }

  private keepFigure(material: Material, field: FigureField, typed: number | undefined): Promise<boolean> {
    if (typed === undefined) {
      return this.settings.change('materials', material.id, { [field.key]: undefined });
    }
    const value = typed / field.times;
    const was = material[field.key];
    const figure: Figure = {
      value,
      low: Math.min(value, was?.low ?? value),
      high: Math.max(value, was?.high ?? value),
      source: OWN,
    };
    return this.settings.change('materials', material.id, { [field.key]: figure });
  }

  private changeHouse(change: Partial<Household>): Promise<boolean> {
    return this.settings.change('household', 'household', change);
  }
}
