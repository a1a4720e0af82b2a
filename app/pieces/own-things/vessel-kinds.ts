import * as z from 'zod';
import { boxMl, cylinderMl, type VesselKind } from '../../../core/index';
import { rangeOf, readWithin, typedNumber, typedNumberOrNothing } from '../form/checked-by';

/** How vessels of a kind are measured, and how full they are made. */
export interface KindForm {
  readonly kind: VesselKind;
  readonly words: string;
  readonly fields: readonly Field[];
  /** Fill that is usual, and the most: of grain and bulk, or of liquids. Common practice, no source. */
  readonly usualFill: number;
  readonly fillLimit: number;
}
/** One of their measures. */
export type Field =
  | 'diameterMm'
  | 'heightMm'
  | 'lengthMm'
  | 'widthMm'
  | 'capacityMl'
  | 'finishedG'
  | 'usualMl'
  | 'roundMm'
  | 'tallMm';

export interface SizeField {
  readonly name: string;
  readonly unit: string;
  readonly min: number;
  readonly max: number;
  /** Dishes and syringes are filled by the milliliter everywhere. */
  readonly unitStays?: boolean;
}

export const FIELDS: Readonly<Record<Field, SizeField>> = {
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
export const SIZES = z.object({
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
export const NO_SIZES: Texts = {
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
export const KINDS: readonly KindForm[] = [
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

/** Measures as they are typed. */
export type Texts = z.input<typeof SIZES>;

/** @throws CoreError where it is no measure of such a vessel */
export function measureOf(field: Field, texts: Texts): number {
  return readWithin(texts[field], rangeOf(FIELDS[field]));
}

/** What such a vessel holds to the brim. @throws CoreError where a measure is none */
export function capacityMlOf({ fields }: KindForm, texts: Texts): number {
  const of = (field: Field) => measureOf(field, texts);
  if (fields.includes('capacityMl')) {
    return of('capacityMl');
  }
  return fields.includes('diameterMm')
    ? cylinderMl(of('diameterMm'), of('heightMm'))
    : boxMl(of('lengthMm'), of('widthMm'), of('heightMm'));
}
