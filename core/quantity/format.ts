import { UNITS } from './units.js';

/** Nobody counts so many cups. */
const MANY_CUPS = 32;
const THIN_SPACE = '\u2009';
const EIGHTHS = ['', '⅛', '¼', '⅜', '½', '⅝', '¾', '⅞'] as const;
const QUARTERS = ['', '¼', '½', '¾'] as const;

/** Rounds to the step of the scale that will show it. @param stepG 0.01 to 10 g */
export function roundToStep(massG: number, stepG: number): number {
  return Number((Math.round(massG / stepG) * stepG).toFixed(4));
}

/** A number with thin spaces between thousands, as scales and labels read best: 1982 → "1 982". */
export function formatNumber(value: number, decimals = 0): string {
  const [whole = '', part] = Math.abs(value).toFixed(decimals).split('.');
  const grouped = whole.replace(/\B(?=(\d{3})+$)/g, THIN_SPACE);
  const sign = value < 0 && Number(value.toFixed(decimals)) !== 0 ? '−' : '';
  return `${sign}${grouped}${part === undefined ? '' : `.${part}`}`;
}

/** A fraction in per cent, without zeros behind the point: 0.655 → "65.5 %", 0.62 → "62 %". */
export function percentWords(fraction: number, decimals = 1): string {
  return `${Number((fraction * 100).toFixed(decimals))} %`;
}

/** "14 h", "2.5 h", "12 min". */
export function durationWords(minutes: number): string {
  const hours = minutes / 60;
  return minutes >= 120
    ? `${formatNumber(hours, Number.isInteger(hours) ? 0 : 1)} h`
    : `${formatNumber(minutes)} min`;
}

/** Fewest decimals that a scale of this step can show. */
export function decimalsOf(stepG: number): number {
  return stepG >= 1 ? 0 : stepG >= 0.1 ? 1 : 2;
}

/**
 * A volume in the measures of a kitchen drawer: quarts by halves from 32 cups, cups by eighths from a quarter up,
 * below that tablespoons and teaspoons by quarters. US measures.
 */
export function kitchenMeasure(volumeMl: number): string {
  if (volumeMl >= MANY_CUPS * UNITS.cup.size) {
    const quartHalves = Math.round((volumeMl / UNITS.quart.size) * 2);
    return `${Math.floor(quartHalves / 2)}${quartHalves % 2 ? '½' : ''} quarts`;
  }
  const cupEighths = Math.round((volumeMl / UNITS.cup.size) * 8);
  if (cupEighths >= 2) {
    const cups = Math.floor(cupEighths / 8);
    const text = `${cups || ''}${EIGHTHS[cupEighths % 8] ?? ''}`;
    return `${text} ${cupEighths > 8 ? 'cups' : 'cup'}`;
  }
  const spoonQuarters = Math.round((volumeMl / UNITS.tsp.size) * 4);
  const tbsp = Math.floor(spoonQuarters / 12);
  const rest = spoonQuarters % 12;
  const tsp = `${Math.floor(rest / 4) || ''}${QUARTERS[rest % 4] ?? ''}`;
  const words = [tbsp ? `${tbsp} tbsp` : '', tsp ? `${tsp} tsp` : ''].filter(Boolean);
  return words.length ? words.join(' + ') : 'a pinch';
}
