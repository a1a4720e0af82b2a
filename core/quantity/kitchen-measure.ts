import { UNITS } from './units.js';

/** Nobody counts so many cups. */
const MANY_CUPS = 32;
/** Nobody adds spoons to so many cups: an eighth of a cup is near enough. */
const CUPS_WITHOUT_SPOONS = 2;
/** Coarser measures are taken where they are so near; a scoop by hand is no nearer. Our choice. */
const NEAR = 0.03;
/** Below so many teaspoons a quarter of one is more than a twentieth off. */
const BY_EIGHTHS_TSP = 2.5;

type Part = readonly [share: number, sign: string];
const THIRDS_AND_QUARTERS: readonly Part[] = [
  [0, ''],
  [1 / 4, '¼'],
  [1 / 3, '⅓'],
  [1 / 2, '½'],
  [2 / 3, '⅔'],
  [3 / 4, '¾'],
  [1, ''],
];
const EIGHTHS = ['', '⅛', '¼', '⅜', '½', '⅝', '¾', '⅞'] as const;
const EIGHTHS_OF_ONE: readonly Part[] = [...EIGHTHS.map((sign, i): Part => [i / 8, sign]), [1, '']];

/**
 * A volume in the measures of a kitchen drawer, as few as come near it: quarts by halves from 32 cups; cups by quarters, thirds and
 * eighths; between them, and below a quarter cup, spoons. US measures. Within 5 % from one and a quarter teaspoons up.
 *
 * @param volumeMl 0 or more
 */
export function kitchenMeasure(volumeMl: number): string {
  const cups = volumeMl / UNITS.cup.size;
  if (cups >= MANY_CUPS) {
    const quartHalves = Math.round((volumeMl / UNITS.quart.size) * 2);
    return `${Math.floor(quartHalves / 2)}${quartHalves % 2 ? '½' : ''} quarts`;
  }
  const teaspoons = volumeMl / UNITS.tsp.size;
  if (cups < (1 - NEAR) / 4) {
    return spoonsOf(teaspoons, teaspoons < BY_EIGHTHS_TSP ? 1 / 8 : 1 / 4);
  }
  const coarse = near(cups, THIRDS_AND_QUARTERS);
  const fine = near(cups, EIGHTHS_OF_ONE);
  if (cups >= CUPS_WITHOUT_SPOONS) {
    return (fine.off < coarse.off ? fine : coarse).words;
  }
  return [coarse, fine].find((measure) => measure.off <= NEAR * cups)?.words ?? withSpoons(cups);
}

/** The nearest number of cups with one of these parts. */
function near(cups: number, parts: readonly Part[]): { readonly words: string; readonly off: number } {
  const whole = Math.floor(cups);
  const off = ([part]: Part) => Math.abs(whole + part - cups);
  const nearest = parts.reduce((a, b) => (off(b) < off(a) ? b : a));
  const [part, sign] = nearest;
  return { words: cupWords(part === 1 ? whole + 1 : whole, sign), off: off(nearest) };
}

/** Quarters of a cup and what is over in spoons. */
function withSpoons(cups: number): string {
  const quarters = Math.floor(cups * 4);
  const over = (cups - quarters / 4) * (UNITS.cup.size / UNITS.tsp.size);
  const all = cups * (UNITS.cup.size / UNITS.tsp.size);
  const step = [3, 1, 1 / 2].find((s) => Math.abs(Math.round(over / s) * s - over) <= NEAR * all) ?? 1 / 2;
  return `${cupWords(Math.floor(quarters / 4), EIGHTHS[(quarters % 4) * 2] ?? '')} + ${spoonsOf(over, step)}`;
}

function cupWords(whole: number, sign: string): string {
  return `${whole || ''}${sign} ${whole > 1 || (whole === 1 && sign !== '') ? 'cups' : 'cup'}`;
}

function spoonsOf(teaspoons: number, step: number): string {
  const eighths = Math.round(teaspoons / step) * step * 8;
  const tbsp = Math.floor(eighths / 24);
  const rest = eighths % 24;
  const tsp = `${Math.floor(rest / 8) || ''}${EIGHTHS[rest % 8] ?? ''}`;
  const words = [tbsp ? `${tbsp} tbsp` : '', tsp ? `${tsp} tsp` : ''].filter(Boolean);
  return words.length ? words.join(' + ') : 'a pinch';
}
