/** What a unit measures; conversions stay inside one kind, except volume ↔ mass through a density. */
export type UnitKind = 'volume' | 'mass' | 'pressure' | 'length' | 'temperature' | 'time';

export interface Unit {
  readonly kind: UnitKind;
  /** Size of one unit in the base unit of its kind: ml, g, kPa, mm, °C, min. */
  readonly size: number;
  /** Added after scaling; only temperatures have one. */
  readonly offset?: number;
}

// Exact definitions, NIST Handbook 44 Appendix C. Everything below is derived from these four.
const INCH_MM = 25.4;
const POUND_G = 453.59237;
const STANDARD_GRAVITY_M_PER_S2 = 9.80665;
const GALLON_CUBIC_INCHES = 231;

const CUBIC_INCH_ML = INCH_MM ** 3 / 1000;
const GALLON_ML = GALLON_CUBIC_INCHES * CUBIC_INCH_ML;
// pound-force per square inch: kg · m/s² / mm² gives MPa, hence the factor to kPa
const PSI_KPA = ((POUND_G / 1000) * STANDARD_GRAVITY_M_PER_S2 * 1000) / INCH_MM ** 2;

export const UNITS = {
  ml: { kind: 'volume', size: 1 },
  cc: { kind: 'volume', size: 1 },
  l: { kind: 'volume', size: 1000 },
  gallon: { kind: 'volume', size: GALLON_ML },
  quart: { kind: 'volume', size: GALLON_ML / 4 },
  pint: { kind: 'volume', size: GALLON_ML / 8 },
  cup: { kind: 'volume', size: GALLON_ML / 16 },
  floz: { kind: 'volume', size: GALLON_ML / 128 },
  tbsp: { kind: 'volume', size: GALLON_ML / 256 },
  tsp: { kind: 'volume', size: GALLON_ML / 768 },
  metricCup: { kind: 'volume', size: 250 },
  imperialPint: { kind: 'volume', size: 568.26125 },
  g: { kind: 'mass', size: 1 },
  kg: { kind: 'mass', size: 1000 },
  lb: { kind: 'mass', size: POUND_G },
  oz: { kind: 'mass', size: POUND_G / 16 },
  kPa: { kind: 'pressure', size: 1 },
  hPa: { kind: 'pressure', size: 0.1 },
  bar: { kind: 'pressure', size: 100 },
  psi: { kind: 'pressure', size: PSI_KPA },
  mm: { kind: 'length', size: 1 },
  cm: { kind: 'length', size: 10 },
  m: { kind: 'length', size: 1000 },
  inch: { kind: 'length', size: INCH_MM },
  foot: { kind: 'length', size: 12 * INCH_MM },
  C: { kind: 'temperature', size: 1 },
  F: { kind: 'temperature', size: 1 / 1.8, offset: -32 / 1.8 },
  min: { kind: 'time', size: 1 },
  h: { kind: 'time', size: 60 },
} as const satisfies Record<string, Unit>;

export type UnitName = keyof typeof UNITS;
