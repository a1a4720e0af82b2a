import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { RouterLink } from '@angular/router';
import {
  MOST_LINE_LETTERS,
  requireText,
  boxMl,
  cylinderMl,
  formatNumber,
  newId,
  isFilledHere,
  parseWithin,
  pluralOf,
  type VesselKind,
  type VesselType,
  unlessRefused,
} from '../../../core/index';
import { messageOf } from '../../data/words/message-of';
import { HouseStore } from '../../data/store/house-store';
import { Definitions } from '../../data/journal/definitions';
import { VesselGlyph } from '../../pieces/vessel-glyph';

interface KindForm {
  readonly kind: VesselKind;
  readonly words: string;
  readonly fields: readonly Field[];
  /** Fill that is usual, and the most: of grain and bulk, or of liquids. Common practice, no source. */
  readonly usualFill: number;
  readonly fillLimit: number;
}
type Field = 'diameterMm' | 'heightMm' | 'lengthMm' | 'widthMm' | 'capacityMl' | 'finishedG' | 'usualMl';

const FIELD_WORDS: Readonly<Record<Field, string>> = {
  diameterMm: 'Inner diameter, mm',
  heightMm: 'Inner height, mm',
  lengthMm: 'Length, mm',
  widthMm: 'Width, mm',
  capacityMl: 'Brimful, ml',
  finishedG: 'Filled, g',
  usualMl: 'Usual fill, ml',
};
const LIMITS: Readonly<Record<Field, readonly [number, number]>> = {
  diameterMm: [5, 1000],
  heightMm: [1, 1000],
  lengthMm: [10, 2000],
  widthMm: [10, 2000],
  capacityMl: [1, 200_000],
  finishedG: [10, 50_000],
  usualMl: [0.5, 20_000],
};
const KINDS: readonly KindForm[] = [
  { kind: 'jar', words: 'jar', fields: ['capacityMl'], usualFill: 2 / 3, fillLimit: 0.75 },
  { kind: 'bag', words: 'bag', fields: ['capacityMl', 'finishedG'], usualFill: 0.6, fillLimit: 0.75 },
  {
    kind: 'dish',
    words: 'dish',
    fields: ['diameterMm', 'heightMm', 'usualMl'],
    usualFill: 0.25,
    fillLimit: 0.6,
  },
  { kind: 'bottle', words: 'bottle', fields: ['capacityMl'], usualFill: 0.5, fillLimit: 0.5 },
  { kind: 'syringe', words: 'syringe', fields: ['capacityMl'], usualFill: 1, fillLimit: 1 },
  {
    kind: 'tray',
    words: 'tray',
    fields: ['lengthMm', 'widthMm', 'heightMm'],
    usualFill: 2 / 3,
    fillLimit: 0.75,
  },
  { kind: 'tub', words: 'tub', fields: ['lengthMm', 'widthMm', 'heightMm'], usualFill: 0.6, fillLimit: 0.75 },
];

/** The vessels one owns, odd ones too: measured, or by what they hold. */
@Component({
  selector: 'nw-vessels',
  imports: [RouterLink, VesselGlyph],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './vessels.html',
  styleUrls: ['./desk-page.scss'],
  styles: `
    .glyph {
      --glyph-height: 34px;
      width: 52px;
    }
  `,
})
export class Vessels {
  private readonly store = inject(HouseStore);
  private readonly settings = inject(Definitions);

  protected readonly kinds = KINDS;
  protected readonly fieldWords = FIELD_WORDS;
  protected readonly form_ = signal<KindForm>(KINDS[0]!);
  protected readonly name = signal('');
  protected readonly texts = signal<Readonly<Partial<Record<Field, string>>>>({});
  protected readonly problem = signal('');
  protected readonly vessels = computed(() =>
    KINDS.flatMap(({ kind }) =>
      (this.store.house()?.records.vesselTypes ?? []).filter((v) => v.kind === kind && isFilledHere(v)),
    ),
  );
  /** What the typed measures come to, while they are typed. */
  protected readonly preview = computed(() =>
    unlessRefused(() => {
      const ml = this.capacityMl();
      return `Holds ${this.volume(ml)} to the brim, ${this.volume(ml * this.form_().fillLimit)} at most.`;
    }, ''),
  );

  protected choose(kind: string): void {
    this.form_.set(KINDS.find((k) => k.kind === kind) ?? KINDS[0]!);
    this.texts.set({});
    this.problem.set('');
  }

  protected type(field: Field, text: string): void {
    this.texts.update((all) => ({ ...all, [field]: text }));
  }

  protected async add(): Promise<void> {
    try {
      const name = requireText(this.name(), { label: 'Name' }, MOST_LINE_LETTERS);
      const { kind, fields, usualFill, fillLimit } = this.form_();
      const capacityMl = this.capacityMl();
      const size = Object.fromEntries(
        fields.filter((f) => f !== 'capacityMl').map((f) => [f, this.number(f)]),
      );
      const usualMl = fields.includes('usualMl') ? this.number('usualMl') : undefined;
      const vessel: VesselType = {
        id: newId(Date.now(), Math.random),
        schemaVersion: 1,
        updatedAt: new Date().toISOString(),
        name,
        plural: pluralOf(name).slice(0, 80),
        kind,
        capacityMl,
        fillLimit,
        usualFill: usualMl === undefined ? usualFill : Math.min(fillLimit, usualMl / capacityMl),
        emptyG: 0,
        source: 'your own measures',
        ...size,
      };
      this.problem.set('');
      if (await this.settings.add('vesselTypes', vessel)) {
        this.name.set('');
        this.texts.set({});
      }
    } catch (error) {
      this.problem.set(`${messageOf(error)} Nothing was changed.`);
    }
  }

  protected volume(ml: number): string {
    return ml >= 1000 ? `${formatNumber(ml / 1000, 2)} l` : `${formatNumber(ml)} ml`;
  }

  protected percent(fraction: number): string {
    return `${formatNumber(fraction * 100)} %`;
  }

  protected sizeWords(vessel: VesselType): string {
    const { diameterMm, lengthMm, widthMm, heightMm, finishedG } = vessel;
    const mm = (value: number | undefined) => formatNumber(value ?? 0);
    return diameterMm !== undefined
      ? `${mm(diameterMm)} × ${mm(heightMm)} mm inside`
      : lengthMm !== undefined
        ? `${mm(lengthMm)} × ${mm(widthMm)} × ${mm(heightMm)} mm inside`
        : finishedG === undefined
          ? ''
          : `${formatNumber(finishedG)} g filled`;
  }

  private number(field: Field): number {
    const [min, max] = LIMITS[field];
    const name = FIELD_WORDS[field].split(',')[0]!;
    return parseWithin(this.texts()[field] ?? '', {
      field: { label: name },
      min,
      max,
      unit: field.endsWith('Mm') ? ' mm' : field.endsWith('G') ? ' g' : ' ml',
    });
  }

  private capacityMl(): number {
    const { fields } = this.form_();
    if (fields.includes('capacityMl')) {
      return this.number('capacityMl');
    }
    return fields.includes('diameterMm')
      ? cylinderMl(this.number('diameterMm'), this.number('heightMm'))
      : boxMl(this.number('lengthMm'), this.number('widthMm'), this.number('heightMm'));
  }
}
