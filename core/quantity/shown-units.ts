import { convert } from './convert.js';
import { unitsCalled } from './unit-words.js';
import { UNITS, type UnitName } from './units.js';

/** Units in which a household reads and types its figures. What is kept is in the units of its fields' names. */
export interface UnitChoices {
  readonly temperature: 'C' | 'F';
  readonly mass: 'g' | 'oz';
  readonly volume: 'ml' | 'cup';
  readonly length: 'mm' | 'inch';
  readonly pressure: 'psi' | 'kPa' | 'bar';
}

export const METRIC_UNITS: UnitChoices = {
  temperature: 'C',
  mass: 'g',
  volume: 'ml',
  length: 'mm',
  pressure: 'psi',
};

/** A figure's own unit as it is shown: the sign behind it, and the way there and back. */
export interface ShownUnit {
  readonly sign: string;
  /** How many digits more than in its own unit tell as much. */
  readonly digitsMore: number;
  readonly toShown: (own: number) => number;
  readonly toOwn: (shown: number) => number;
}

/** As units stand behind a number, where that is not their name. */
const SIGNS: Readonly<Record<string, string>> = {
  C: '°C',
  F: '°F',
  inch: 'in',
  foot: 'ft',
  cup: 'cups',
  quart: 'quarts',
  floz: 'fl oz',
};

/** Below half a cup everybody reads a syringe or a dish, which are graded in milliliters. Our choice. */
export const LEAST_CUP_ML = UNITS.cup.size / 2;

/** A gram is 0.04 oz, a millimeter 0.04 in, a milliliter 0.004 cup. */
const DIGITS_MORE: Readonly<Partial<Record<UnitName, number>>> = { oz: 2, inch: 2, cup: 2 };

/** As a unit stands behind a number: "°F", "oz". */
export function signOf(unit: string): string {
  return SIGNS[unit] ?? unit;
}

/** The unit of which this is the sign. @returns undefined for "%", "ppm" and whatever else has one unit only */
export function unitOfSign(sign: string): UnitName | undefined {
  return unitsCalled(sign)[0];
}

/** The unit in which a figure of this unit is shown. Hectopascals are read off a barometer, and stay. */
export function unitShown(own: UnitName, choices: UnitChoices): UnitName {
  switch (UNITS[own].kind) {
    case 'temperature':
      return choices.temperature;
    case 'mass':
      return choices.mass === 'g' ? own : own === 'kg' ? 'lb' : 'oz';
    case 'volume':
      return choices.volume === 'ml' ? own : own === 'l' ? 'quart' : 'cup';
    case 'length':
      return choices.length === 'mm' ? own : own === 'm' ? 'foot' : 'inch';
    case 'pressure':
      return own === 'hPa' ? own : choices.pressure;
    case 'time':
      return own;
  }
}

/** A figure that everybody reads in the unit of this sign, or that has one unit only. */
export function shownAsItIs(sign: string): ShownUnit {
  return { sign: sign.trim(), digitsMore: 0, toShown: same, toOwn: same };
}

/** How a figure in the unit of this sign is shown. A sign of no unit that has others stays as it is. */
export function shownIn(sign: string, choices: UnitChoices): ShownUnit {
  const own = unitOfSign(sign.trim());
  return own === undefined ? shownAsItIs(sign) : unitShownAs(own, choices, sign);
}

/** How a figure in this unit is shown. @param sign behind it where it stays in that unit */
export function unitShownAs(own: UnitName, choices: UnitChoices, sign = signOf(own)): ShownUnit {
  const shown = unitShown(own, choices);
  if (own === shown) {
    return shownAsItIs(sign);
  }
  return {
    sign: signOf(shown),
    digitsMore: DIGITS_MORE[shown] ?? 0,
    toShown: (value) => convert(value, own, shown),
    toOwn: (value) => convert(value, shown, own),
  };
}

function same(value: number): number {
  return value;
}
