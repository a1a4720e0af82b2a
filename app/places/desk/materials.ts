import { ChangeDetectionStrategy, Component, computed, inject, input, signal } from '@angular/core';
import { Router, RouterLink } from '@angular/router';
import {
  formatNumber,
  moistureOf,
  newId,
  parseWithin,
  stockLeftG,
  type Figure,
  type Material,
  type RangeRule,
} from '../../../core/index';
import { messageOf } from '../../data/words/message-of';
import { HouseStore } from '../../data/store/house-store';
import { Definitions } from '../../data/journal/definitions';
import { amountWords } from '../../data/words/words';
import { DryDownSheet } from './dry-down-sheet';

const FAMILY_WORDS: Readonly<Record<string, string>> = {
  gel: 'Agar and gels',
  sugar: 'Sugars',
  malt: 'Malts',
  nutrient: 'Nutrients',
  vegetable: 'Potato and starch',
  grain: 'Grain and seed',
  wood: 'Wood',
  supplement: 'Supplements',
  fiber: 'Straw, coir, hulls',
  manure: 'Manure and compost',
  paper: 'Paper',
  mineral: 'Minerals',
  liquid: 'Liquids',
};
const OWN = 'Your own figure';
const MOST_PRICE = 10_000;

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

/** The shelf: what each ingredient is, what is known of it and from where, what it costs, and how much is left. */
@Component({
  selector: 'nw-materials',
  imports: [DryDownSheet, RouterLink],
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

  protected readonly figures = FIGURES;
  protected readonly search = signal('');
  protected readonly problems = signal<Readonly<Record<string, string>>>({});
  private readonly all = computed(() => this.store.house()?.records.materials ?? []);
  protected readonly groups = computed(() => {
    const wanted = this.search().trim().toLowerCase();
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
  protected readonly count = computed(() => this.all().length);
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
  protected readonly house = this.store.household;
  protected readonly boughtKinds = [
    { key: 'dish', words: 'A bought plate' },
    { key: 'syringe', words: 'A bought syringe' },
    { key: 'jar', words: 'A bought jar' },
    { key: 'block', words: 'A bought block' },
  ] as const;

  protected figureOf(
    material: Material,
    field: FigureField,
  ): { value: string; range: string; source: string } {
    const figure = material[field.key];
    if (figure === undefined) {
      return { value: '', range: 'not known', source: '' };
    }
    const shown = (value: number) => String(Number((value * field.times).toPrecision(4)));
    return {
      value: shown(figure.value),
      range: figure.low === figure.high ? '' : `${shown(figure.low)} to ${shown(figure.high)}`,
      source: figure.source,
    };
  }

  protected moistureWords(material: Material): string {
    const { value, source } = moistureOf(material);
    return `${formatNumber(value * 100, 1)} %, ${source}`;
  }

  protected isOwn(material: Material): boolean {
    return material.copyOf !== undefined;
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

  protected async setFigure(material: Material, field: FigureField, text: string): Promise<void> {
    await this.keep(field.key, async () => {
      if (text.trim() === '' && field.key !== 'moisture') {
        return this.settings.change('materials', material.id, { [field.key]: undefined });
      }
      const shown = parseWithin(text, {
        field: { label: field.words },
        min: field.key === 'densityGPerL' ? 1 : 0,
        max: field.most,
        unit: ` ${field.unit}`,
      });
      const value = shown / field.times;
      const figure: Figure = {
        value,
        low: Math.min(value, material[field.key]?.low ?? value),
        high: Math.max(value, material[field.key]?.high ?? value),
        source: OWN,
      };
      return this.settings.change('materials', material.id, { [field.key]: figure });
    });
  }

  protected async setPrice(material: Material, text: string): Promise<void> {
    await this.keep('pricePerKg', async () => {
      const pricePerKg = numberOrNothing(text, { field: 'price', min: 0, max: MOST_PRICE, unit: ' a kg' });
      return this.settings.change('materials', material.id, { pricePerKg });
    });
  }

  protected async setStock(material: Material, text: string): Promise<void> {
    await this.keep('stock', async () => {
      const massG = numberOrNothing(text, {
        field: { label: 'On the shelf' },
        min: 0,
        max: 10_000_000,
        unit: ' g',
      });
      return this.settings.change('materials', material.id, {
        stock: massG === undefined ? undefined : { massG, countedAt: new Date().toISOString() },
      });
    });
  }

  protected async setText(material: Material, key: 'lot' | 'name', text: string): Promise<void> {
    await this.keep(key, async () => {
      const line = text.trim().slice(0, 80);
      return line === '' && key === 'name'
        ? false
        : this.settings.change('materials', material.id, { [key]: line === '' ? undefined : line });
    });
  }

  protected async setHouse(key: 'currency' | 'cookPrice', text: string): Promise<void> {
    await this.keep(key, async () => {
      const value =
        key === 'currency'
          ? text.trim().slice(0, 8)
          : numberOrNothing(text, { field: { label: 'A cook costs' }, min: 0, max: MOST_PRICE });
      return this.settings.change('household', 'household', { [key]: value });
    });
  }

  protected async setBought(key: 'dish' | 'syringe' | 'jar' | 'block', text: string): Promise<void> {
    await this.keep(key, async () => {
      const value = numberOrNothing(text, { field: { label: `A bought ${key}` }, min: 0, max: MOST_PRICE });
      return this.settings.change('household', 'household', {
        boughtPrice: { ...this.store.household()?.boughtPrice, [key]: value },
      });
    });
  }

  protected measured(material: Material, figure: Figure | undefined): void {
    void this.settings.change('materials', material.id, { measuredMoisture: figure });
  }

  /** Keeps a change, or says at its field why not. */
  private async keep(key: string, act: () => Promise<boolean>): Promise<void> {
    let problem = '';
    try {
      await act();
    } catch (error) {
      problem = `${messageOf(error)} Nothing was changed.`;
    }
    this.problems.update((all) => ({ ...all, [key]: problem }));
  }
}

/** An emptied field takes the number away. */
function numberOrNothing(text: string, rule: RangeRule): number | undefined {
  return text.trim() === '' ? undefined : parseWithin(text, rule);
}
