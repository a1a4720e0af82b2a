import {
  ChangeDetectionStrategy,
  Component,
  ElementRef,
  computed,
  effect,
  inject,
  untracked,
  viewChild,
} from '@angular/core';
import { FormControl, FormRecord } from '@angular/forms';
import { MatButton } from '@angular/material/button';
import { MatSort, MatSortHeader } from '@angular/material/sort';
import { MatTableDataSource, MatTableModule } from '@angular/material/table';
import { RouterLink } from '@angular/router';
import * as z from 'zod';
import {
  MOST_LINE_LETTERS,
  boxMl,
  cylinderMl,
  formatNumber,
  newId,
  isCookedFull,
  isFilledHere,
  likelyPlaces,
  pluralOf,
  type VesselKind,
  type VesselType,
  unlessRefused,
} from '../../../core/index';
import { amountWords, figureOf, shownUnit, volumeWords } from '../../data/words/measure-words';
import { HouseStore } from '../../data/store/house-store';
import { Definitions } from '../../data/journal/definitions';
import { VesselGlyph } from '../../pieces/vessel-glyph';
import {
  checkedBy,
  formOf,
  rangeOf,
  readWithin,
  typedLine,
  typedNumber,
  typedNumberOrNothing,
} from '../../pieces/form/checked-by';
import { ChoiceField, type Choice } from '../../pieces/form/choice-field';
import { isSound, valueOf } from '../../pieces/form/form-state';
import { TextField } from '../../pieces/form/text-field';
import { VesselPrice } from './vessel-price';

interface KindForm {
  readonly kind: VesselKind;
  readonly words: string;
  readonly fields: readonly Field[];
  /** Fill that is usual, and the most: of grain and bulk, or of liquids. Common practice, no source. */
  readonly usualFill: number;
  readonly fillLimit: number;
}
type Field =
  | 'diameterMm'
  | 'heightMm'
  | 'lengthMm'
  | 'widthMm'
  | 'capacityMl'
  | 'finishedG'
  | 'usualMl'
  | 'roundMm'
  | 'tallMm';

interface SizeField {
  readonly name: string;
  readonly unit: string;
  readonly min: number;
  readonly max: number;
  /** Dishes and syringes are filled by the milliliter everywhere. */
  readonly unitStays?: boolean;
}

const FIELDS: Readonly<Record<Field, SizeField>> = {
  diameterMm: { name: 'Inner diameter', unit: 'mm', min: 5, max: 1000 },
  heightMm: { name: 'Inner height', unit: 'mm', min: 1, max: 1000 },
  lengthMm: { name: 'Length', unit: 'mm', min: 10, max: 2000 },
  widthMm: { name: 'Width', unit: 'mm', min: 10, max: 2000 },
  capacityMl: { name: 'Brimful', unit: 'ml', min: 1, max: 200_000 },
  finishedG: { name: 'Filled', unit: 'g', min: 10, max: 50_000 },
  roundMm: { name: 'Inner diameter, if measured', unit: 'mm', min: 5, max: 1000 },
  tallMm: { name: 'Inner height, if measured', unit: 'mm', min: 1, max: 1000 },
  usualMl: { name: 'Usual fill', unit: 'ml', min: 0.5, max: 20_000, unitStays: true },
};
const size = (field: Field) => typedNumber(rangeOf(FIELDS[field]));
const sizeOrNothing = (field: Field) => typedNumberOrNothing(rangeOf(FIELDS[field]));
const SIZES = z.object({
  diameterMm: size('diameterMm'),
  heightMm: size('heightMm'),
  lengthMm: size('lengthMm'),
  widthMm: size('widthMm'),
  capacityMl: size('capacityMl'),
  finishedG: size('finishedG'),
  usualMl: size('usualMl'),
  roundMm: sizeOrNothing('roundMm'),
  tallMm: sizeOrNothing('tallMm'),
});
const NONE: z.input<typeof SIZES> = {
  diameterMm: '',
  heightMm: '',
  lengthMm: '',
  widthMm: '',
  capacityMl: '',
  finishedG: '',
  usualMl: '',
  roundMm: '',
  tallMm: '',
};
/** As many as any cooker takes. */
const FITS = typedNumberOrNothing(rangeOf({ name: 'How many fit', unit: '', min: 0, max: 500, whole: true }));
const NAME = typedLine({ label: 'Name' });
const KINDS: readonly KindForm[] = [
  {
    kind: 'jar',
    words: 'jar',
    fields: ['capacityMl', 'roundMm', 'tallMm'],
    usualFill: 2 / 3,
    fillLimit: 0.75,
  },
  { kind: 'bag', words: 'bag', fields: ['capacityMl', 'finishedG'], usualFill: 0.6, fillLimit: 0.75 },
  {
    kind: 'dish',
    words: 'dish',
    fields: ['diameterMm', 'heightMm', 'usualMl'],
    usualFill: 0.25,
    fillLimit: 0.6,
  },
  {
    kind: 'bottle',
    words: 'bottle',
    fields: ['capacityMl', 'roundMm', 'tallMm'],
    usualFill: 0.5,
    fillLimit: 0.5,
  },
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
  imports: [
    ChoiceField,
    MatButton,
    MatSort,
    MatSortHeader,
    MatTableModule,
    RouterLink,
    TextField,
    VesselGlyph,
    VesselPrice,
  ],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './vessels.html',
  styleUrls: ['./desk-page.scss'],
  styles: `
    .cards {
      display: grid;
      gap: 16px;
    }
    .glyph {
      --glyph-height: 34px;
      width: 52px;
    }
    @media (max-width: 560px) {
      .mat-column-fillLimit {
        display: none;
      }
    }
  `,
})
export class Vessels {
  private readonly store = inject(HouseStore);
  private readonly settings = inject(Definitions);
  private readonly host = inject<ElementRef<HTMLElement>>(ElementRef).nativeElement;

  protected readonly fields = FIELDS;
  protected readonly kinds: readonly Choice<VesselKind>[] = KINDS.map(({ kind, words }) => ({
    value: kind,
    words,
  }));
  protected readonly kind = new FormControl<VesselKind>('jar', { nonNullable: true });
  protected readonly name = new FormControl('', { nonNullable: true, validators: checkedBy(() => NAME) });
  protected readonly sizes = formOf(SIZES, NONE);
  private readonly kindOf = valueOf(this.kind);
  private readonly typed = valueOf(this.sizes);
  protected readonly form = computed(() => KINDS.find((k) => k.kind === this.kindOf()) ?? KINDS[0]!);
  protected readonly columns = ['drawing', 'name', 'capacityMl', 'fillLimit', 'out'];
  protected readonly source = new MatTableDataSource<VesselType>();
  private readonly sort = viewChild.required(MatSort);
  protected readonly shown = computed(() =>
    KINDS.flatMap(({ kind }) =>
      (this.store.house()?.records.vesselTypes ?? []).filter((v) => v.kind === kind && isFilledHere(v)),
    ),
  );
  /** What the typed measures come to, while they are typed. */
  protected readonly preview = computed(() =>
    unlessRefused(() => {
      const ml = this.capacityMl(this.typed());
      return `Holds ${this.volume(ml)} to the brim, ${this.volume(ml * this.form().fillLimit)} at most.`;
    }, ''),
  );

  protected readonly gone = computed(() =>
    (this.store.house()?.records.vesselTypes ?? []).filter((v) => v.isGone === true),
  );
  /** What it may be cooked in; dishes and syringes are not. */
  protected readonly cookers = computed(() =>
    isCookedFull({ kind: this.kindOf() })
      ? (this.store.house()?.records.appliances ?? []).filter((a) => a.isGone !== true)
      : [],
  );
  protected readonly fits = new FormRecord<FormControl<string>>({});
  /** How many are likely to fit, by cooker, as far as it is measured. */
  protected readonly likely = computed((): ReadonlyMap<string, string> => {
    const vessel = unlessRefused(() => this.vesselOf('', this.typed()), undefined);
    return new Map(
      vessel === undefined ? [] : this.cookers().map((a) => [a.id, `about ${likelyPlaces(a, vessel)}`]),
    );
  });

  constructor() {
    effect(() => {
      const ids = this.cookers().map((a) => a.id);
      untracked(() => {
        for (const id of Object.keys(this.fits.controls).filter((k) => !ids.includes(k))) {
          this.fits.removeControl(id);
        }
        for (const id of ids) {
          this.fits.addControl(
            id,
            new FormControl('', { nonNullable: true, validators: checkedBy(() => FITS) }),
          );
        }
      });
    });
    effect(() => {
      this.source.data = this.shown();
      this.source.sort = this.sort();
    });
    // Another kind is measured anew; only what is asked of it counts.
    effect(() => {
      const { fields } = this.form();
      untracked(() => {
        this.sizes.reset(NONE);
        for (const [field, control] of Object.entries(this.sizes.controls)) {
          if (fields.includes(field as Field)) {
            control.enable();
          } else {
            control.disable();
          }
        }
      });
    });
  }

  protected async add(): Promise<void> {
    const areSizesSound = isSound(this.sizes, this.host);
    if (!isSound(this.name, this.host) || !areSizesSound || !isSound(this.fits, this.host)) {
      return;
    }
    const vessel = this.vesselOf(NAME.parse(this.name.value), this.sizes.getRawValue());
    const places = new Map(
      this.cookers().map((a) => [
        a.id,
        FITS.parse(this.fits.controls[a.id]?.value ?? '') ?? likelyPlaces(a, vessel),
      ]),
    );
    if (await this.settings.addVesselType(vessel, places)) {
      this.name.reset();
      this.sizes.reset(NONE);
      this.fits.reset();
    }
  }

  protected takeOut(vessel: VesselType): void {
    void this.settings.change('vesselTypes', vessel.id, { isGone: true });
  }

  protected putBack(vessel: VesselType): void {
    void this.settings.change('vesselTypes', vessel.id, { isGone: undefined });
  }

  /** What is typed, as a kind of vessel. @throws CoreError where a measure is none */
  private vesselOf(name: string, texts: Texts): VesselType {
    const { kind, fields, usualFill, fillLimit } = this.form();
    const capacityMl = this.capacityMl(texts);
    const has = (field: Field) => fields.includes(field) && texts[field].trim() !== '';
    const sizes = Object.fromEntries(
      fields
        .filter((f) => f !== 'capacityMl' && has(f))
        .map((f) => [f === 'roundMm' ? 'diameterMm' : f === 'tallMm' ? 'heightMm' : f, measureOf(f, texts)]),
    );
    const usualMl = has('usualMl') ? measureOf('usualMl', texts) : undefined;
    return {
      id: newId(Date.now(), Math.random),
      schemaVersion: 1,
      updatedAt: new Date().toISOString(),
      name,
      plural: pluralOf(name).slice(0, MOST_LINE_LETTERS),
      kind,
      capacityMl,
      fillLimit,
      usualFill: usualMl === undefined ? usualFill : Math.min(fillLimit, usualMl / capacityMl),
      emptyG: 0,
      source: 'your own measures',
      ...sizes,
    };
  }

  protected readonly volume = volumeWords;

  protected percent(fraction: number): string {
    return `${formatNumber(fraction * 100)} %`;
  }

  protected sizeWords(vessel: VesselType): string {
    const { diameterMm, lengthMm, widthMm, heightMm, finishedG } = vessel;
    const inside = (...sizes: readonly (number | undefined)[]) =>
      `${sizes.map((mm) => figureOf(mm ?? 0, 'mm').figure).join(' × ')} ${shownUnit('mm').sign} inside`;
    return diameterMm !== undefined
      ? inside(diameterMm, heightMm)
      : lengthMm !== undefined
        ? inside(lengthMm, widthMm, heightMm)
        : finishedG === undefined
          ? ''
          : `${amountWords(finishedG)} filled`;
  }

  private capacityMl(texts: Texts): number {
    const { fields } = this.form();
    const of = (field: Field) => measureOf(field, texts);
    if (fields.includes('capacityMl')) {
      return of('capacityMl');
    }
    return fields.includes('diameterMm')
      ? cylinderMl(of('diameterMm'), of('heightMm'))
      : boxMl(of('lengthMm'), of('widthMm'), of('heightMm'));
  }
}

type Texts = z.input<typeof SIZES>;

/** @throws CoreError where it is no measure of such a vessel */
function measureOf(field: Field, texts: Texts): number {
  return readWithin(texts[field], rangeOf(FIELDS[field]));
}
