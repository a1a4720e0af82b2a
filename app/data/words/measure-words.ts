import { signal } from '@angular/core';
import type {
  Appliance,
  CultureUnit,
  FigureWords,
  ShownUnit,
  UnitChoices,
  UnitName,
} from '../../../core/index';
import { METRIC_WORDS } from '../../../core/quantity/figure-words';
import { decimalsOf, formatNumber } from '../../../core/quantity/format';
import {
  LEAST_CUP_ML,
  METRIC_UNITS,
  shownAsItIs,
  shownIn,
  signOf,
  unitShown,
  unitShownAs,
} from '../../../core/quantity/shown-units';
import { UNITS } from '../../../core/quantity/units';

/**
 * The units of the household that is open. As a language is, they are one for the whole page: whatever words a
 * figure reads them, and what was drawn with it is drawn anew when they change.
 */
export const unitsShown = signal<UnitChoices>(METRIC_UNITS, {
  equal: (a, b) =>
    a.temperature === b.temperature &&
    a.mass === b.mass &&
    a.volume === b.volume &&
    a.length === b.length &&
    a.pressure === b.pressure,
});

/** From four cups on it is quarts. */
const LEAST_QUART_ML = UNITS.quart.size;
/** From a pound on it is pounds. */
const LEAST_POUND_G = UNITS.lb.size;
const PER_LITER = 1000;

/** A figure in the unit in which it is shown, and the sign behind it, for where the two are set apart. */
export interface Figure {
  readonly figure: string;
  readonly sign: string;
}

/**
 * A figure in the unit that this household reads.
 * @param own the unit of the value
 * @param digits behind the point, in its own unit
 */
export function figureOf(value: number, own: UnitName, digits = 0): Figure {
  return figureIn(unitShownAs(own, unitsShown()), value, digits);
}

/** The same where how it is shown is known. */
export function figureIn({ sign, digitsMore, toShown }: ShownUnit, value: number, digits: number): Figure {
  const text = formatNumber(toShown(value), digits + digitsMore);
  return { figure: digitsMore === 0 ? text : withoutZeros(text), sign };
}

/** The same in one: "98 °C", "208 °F". */
export function measureWords(value: number, own: UnitName, digits = 0): string {
  return words(figureOf(value, own, digits));
}

export function temperatureWords(celsius: number, digits = 0): string {
  return measureWords(celsius, 'C', digits);
}

/** So many degrees more or less, which have no zero of their own. */
export function degreesWords(difference: number, digits = 1): string {
  const unit = unitShown('C', unitsShown());
  return `${formatNumber(difference / UNITS[unit].size, digits)} ${signOf(unit)}`;
}

/** A range that shares one sign: "48 to 55 °C". */
export function temperatureRange(fromC: number, toC: number): string {
  const to = figureOf(toC, 'C');
  return `${figureOf(fromC, 'C').figure} to ${to.figure} ${to.sign}`;
}

/** Above the air outside, in the unit of this household's gauges. */
export function pressureWords(gaugeKPa: number): string {
  const { pressure } = unitsShown();
  const value = gaugeKPa / UNITS[pressure].size;
  return `${formatNumber(value, pressure === 'bar' ? 2 : Math.abs(value - Math.round(value)) < 0.05 ? 0 : 1)} ${pressure}`;
}

/** What a cook is held at: "15 psi"; or "open steam". */
export function heldAtWords(gaugeKPa: number): string {
  return gaugeKPa === 0 ? 'open steam' : pressureWords(gaugeKPa);
}

/** As the scale of this household shows it. @param stepG of the scale */
export function weighedFigure(massG: number, stepG: number): Figure {
  return figureOf(massG, 'g', decimalsOf(stepG));
}

/** The same read aloud: "471 grams". */
export function weighedAloud(massG: number, stepG: number): string {
  const { figure, sign } = weighedFigure(massG, stepG);
  return `${figure} ${sign === 'g' ? 'grams' : 'ounces'}`;
}

export function weighedWords(massG: number, stepG: number): string {
  return words(weighedFigure(massG, stepG));
}

/** The step of a scale, which is made for grams: "1 g", or "1 g, about 0.04 oz". */
export function stepWords(stepG: number): string {
  return unitsShown().mass === 'oz'
    ? `${stepG} g, about ${measureWords(stepG, 'g', decimalsOf(stepG))}`
    : `${stepG} g`;
}

/** Told rather than weighed: "4.4 g", "1 980 g", "5.2 oz", "4.37 lb". */
export function amountWords(massG: number): string {
  if (unitsShown().mass === 'oz') {
    return Math.abs(massG) < LEAST_POUND_G ? measureWords(massG, 'g') : poundWords(massG);
  }
  return `${formatNumber(massG, massG < 100 && !Number.isInteger(massG) ? 1 : 0)} g`;
}

/** A mass of kilograms: "1.25 kg", "2.76 lb". */
export function heavyWords(massG: number): string {
  return unitsShown().mass === 'oz' ? poundWords(massG) : `${formatNumber(massG / PER_LITER, 2)} kg`;
}

function poundWords(massG: number): string {
  return `${formatNumber(massG / UNITS.lb.size, 2)} lb`;
}

/** "440 ml", "1.52 l"; "1.86 cups", "1.61 quarts". What a syringe or a dish takes stays in milliliters. */
export function volumeFigure(volumeMl: number, digits = 0): Figure {
  if (unitsShown().volume === 'cup' && volumeMl >= LEAST_CUP_ML) {
    const isCups = volumeMl < LEAST_QUART_ML;
    const value = volumeMl / (isCups ? UNITS.cup.size : UNITS.quart.size);
    return { figure: withoutZeros(formatNumber(value, 2)), sign: isCups ? 'cups' : 'quarts' };
  }
  return volumeMl >= PER_LITER
    ? { figure: formatNumber(volumeMl / PER_LITER, 2), sign: 'l' }
    : { figure: formatNumber(volumeMl, digits), sign: 'ml' };
}

export function volumeWords(volumeMl: number, digits = 0): string {
  return words(volumeFigure(volumeMl, digits));
}

/** What is counted and not measured, one and several. */
const COUNTED: Readonly<Record<Exclude<CultureUnit, 'g' | 'ml'>, readonly [one: string, several: string]>> = {
  wedge: ['wedge', 'wedges'],
  scrape: ['scrape', 'scrapes'],
  piece: ['piece', 'pieces'],
};

/** What a vessel is given, or still has: spawn by mass, broth in the milliliters of a syringe, plates by wedges. */
export function doseFigure(
  value: number,
  unit: CultureUnit,
  digits = value < 10 && !Number.isInteger(value) ? 1 : 0,
): Figure {
  if (unit === 'g' || unit === 'ml') {
    return figureIn(shownUnit(unit, unit === 'ml'), value, digits);
  }
  return { figure: formatNumber(value, digits), sign: COUNTED[unit][value === 1 ? 0 : 1] };
}

export function doseWords(value: number, unit: CultureUnit, digits?: number): string {
  return words(doseFigure(value, unit, digits));
}

/** Water in a pot, to a tenth of a liter or quart. */
export function literFigure(volumeMl: number): Figure {
  return figureOf(volumeMl / PER_LITER, 'l', 1);
}

export function literWords(volumeMl: number): string {
  return words(literFigure(volumeMl));
}

function words({ figure, sign }: Figure): string {
  return `${figure} ${sign}`;
}

/** "2.50" as "2.5", "3.00" as "3". */
function withoutZeros(text: string): string {
  return text.includes('.') ? text.replace(/\.?0+$/, '') : text;
}

/** The same for what core explains. @param stepG of the scale: an explained figure is the one that stands beside it */
export function figureWords(stepG: number): FigureWords {
  const { mass, volume } = unitsShown();
  return {
    mass: mass === 'g' ? METRIC_WORDS.mass : (massG) => weighedWords(massG, stepG),
    volume: volume === 'ml' ? METRIC_WORDS.volume : volumeWords,
    water: literWords,
    temperature: temperatureWords,
    massSign: mass,
    volumeSign: signOf(volume),
  };
}

/**
 * How a field of this unit is shown and typed: "°C" may be "°F".
 * @param unitStays where everybody reads it in its own unit
 */
export function shownUnit(unit: string, unitStays = false): ShownUnit {
  return unitStays ? shownAsItIs(unit) : shownIn(unit, unitsShown());
}

/** Digits of a value that is turned into another unit, in a field or as its limit. */
export const TURNED_DIGITS = 4;

/** A value of its own unit as it stands in a field, to be typed over. */
export function fieldText(value: number, unit: string, unitStays = false): string {
  const { sign, toShown } = shownUnit(unit, unitStays);
  return String(sign === unit.trim() ? value : Number(toShown(value).toPrecision(TURNED_DIGITS)));
}

/** What a cook burns: gas by its mass, power in kilowatt-hours. */
export function fuelWords(fuel: number, heat: Appliance['heat'] | undefined, digits = 1): string {
  return heat === 'gas' ? `${amountWords(fuel)} of gas` : `${formatNumber(fuel, digits)} kWh`;
}

/** What a cook really burned: a meter shows more digits than a reckoning has. */
export function burnedWords({
  amount,
  unit,
}: {
  readonly amount: number;
  readonly unit: 'g' | 'kWh';
}): string {
  return fuelWords(amount, unit === 'g' ? 'gas' : 'electric', 2);
}
