import type { UnitName } from './units.js';

/** How people write units behind a number, in small letters. "pt" and the like are the U.S. ones, as everywhere here. */
const WORDS: Readonly<Record<UnitName, readonly string[]>> = {
  ml: ['ml', 'milliliter', 'milliliters', 'millilitre', 'millilitres'],
  cc: ['cc'],
  l: ['l', 'liter', 'liters', 'litre', 'litres'],
  gallon: ['gal', 'gallon', 'gallons'],
  quart: ['qt', 'qts', 'quart', 'quarts'],
  pint: ['pt', 'pint', 'pints'],
  cup: ['c', 'cup', 'cups'],
  floz: ['floz', 'fl oz', 'fluid ounce', 'fluid ounces'],
  tbsp: ['tbsp', 'tablespoon', 'tablespoons'],
  tsp: ['tsp', 'teaspoon', 'teaspoons'],
  metricCup: ['metric cup', 'metric cups'],
  imperialPint: ['imperial pint', 'imperial pints'],
  g: ['g', 'gr', 'gram', 'grams', 'gramme', 'grammes'],
  kg: ['kg', 'kilo', 'kilos', 'kilogram', 'kilograms'],
  lb: ['lb', 'lbs', 'pound', 'pounds'],
  oz: ['oz', 'ounce', 'ounces'],
  kPa: ['kpa'],
  hPa: ['hpa', 'mbar', 'millibar', 'millibars'],
  bar: ['bar', 'bars'],
  psi: ['psi', 'psig'],
  mm: ['mm', 'millimeter', 'millimeters', 'millimetre', 'millimetres'],
  cm: ['cm', 'centimeter', 'centimeters', 'centimetre', 'centimetres'],
  m: ['m', 'meter', 'meters', 'metre', 'metres'],
  inch: ['in', 'inch', 'inches', '"', '”'],
  foot: ['ft', 'foot', 'feet'],
  C: ['°c', 'c', 'celsius', 'centigrade'],
  F: ['°f', 'f', 'fahrenheit'],
  min: ['min', 'mins', 'minute', 'minutes'],
  h: ['h', 'hr', 'hrs', 'hour', 'hours'],
};

/** The units that a word may mean: a "c" is a cup or a degree. */
export function unitsCalled(word: string): readonly UnitName[] {
  const asked = word.trim().replace(/\.$/, '').toLowerCase();
  return (Object.keys(WORDS) as UnitName[]).filter((name) => WORDS[name].includes(asked));
}
