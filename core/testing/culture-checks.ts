import {
  drawOff,
  fitLine,
  keepsDays,
  shippedDefinitions,
  wedgesOf,
  type CultureForm,
  type Medium,
} from '../index.js';
import { usualDose } from '../culture/transfers.js';
import type { Check } from './checks.js';

const PRACTICE = 'common practice, no source';
const AT = '2026-01-01T00:00:00.000Z';

/** NIST Statistical Reference Datasets, linear regression, Norris: y by x. */
const NORRIS: readonly (readonly [y: number, x: number])[] = [
  [0.1, 0.2],
  [338.8, 337.4],
  [118.1, 118.2],
  [888.0, 884.6],
  [9.2, 10.1],
  [228.1, 226.5],
  [668.5, 666.3],
  [998.5, 996.3],
  [449.1, 448.6],
  [778.9, 777.0],
  [559.2, 558.2],
  [0.3, 0.4],
  [0.1, 0.6],
  [778.1, 775.5],
  [668.8, 666.9],
  [339.3, 338.0],
  [448.9, 447.5],
  [10.8, 11.6],
  [557.7, 556.0],
  [228.3, 228.1],
  [998.0, 995.8],
  [888.8, 887.6],
  [119.6, 120.2],
  [0.3, 0.3],
  [0.6, 0.3],
  [557.6, 556.8],
  [339.3, 339.1],
  [888.0, 887.2],
  [998.5, 999.0],
  [778.9, 779.0],
  [10.2, 11.1],
  [117.6, 118.3],
  [228.9, 229.2],
  [668.4, 669.1],
  [449.2, 448.9],
  [0.2, 0.5],
];
/** Certified: slope, intercept, and the standard deviation of the slope. */
const NORRIS_SLOPE = 1.00211681802045;
const NORRIS_INTERCEPT = -0.262323073774029;
const NORRIS_SLOPE_ERROR = 0.429796848199937e-3;

/** What the trade says of cultures, and what ours computes; and a line by least squares as NIST certifies it. */
export function cultureChecks(): readonly Check[] {
  const { vesselTypes } = shippedDefinitions(AT);
  const vessel = (id: string) => vesselTypes.find((v) => v.id === id)!;
  const dose = (from: CultureForm, to: CultureForm, id: string, plan?: Medium['plan']) =>
    usualDose(from, { form: to, vessel: vessel(id), plan })!;
  const trade = (what: string, expected: number, computed: number, within: number, unit: string): Check => ({
    subject: 'culture',
    what,
    source: PRACTICE,
    expected,
    computed,
    within,
    unit,
  });
  const line = fitLine(NORRIS.map(([y, x]) => [x, y]));
  const nist = (what: string, expected: number, computed: number, within: number): Check => ({
    subject: 'culture',
    what,
    source: 'NIST StRD, linear regression, Norris (certified values)',
    expected,
    computed,
    within,
    unit: '–',
  });
  const wedges = wedgesOf(vessel('dish-90'));
  const ofDish = dose('plate', 'grain', 'quart-jar');
  const ofGrain = dose('grain', 'grain', 'quart-jar', { vesselWetG: 600 });
  return [
    nist('slope of a line', NORRIS_SLOPE, line.slope, 1e-10),
    nist('its intercept', NORRIS_INTERCEPT, line.intercept, 1e-8),
    nist('error of its slope', NORRIS_SLOPE_ERROR, line.slopeError, 1e-12),
    trade('wedges of a 90 mm dish', 40, wedges, 1, 'wedges'),
    trade('quart jars of one dish, at most', 10, wedges / ofDish.low, 0.5, 'jars'),
    trade('quart jars of one dish, at least', 4, wedges / ofDish.high, 0.5, 'jars'),
    trade('broth to a quart', 2, dose('broth', 'grain', 'quart-jar').value, 0.5, 'ml'),
    trade('broth to a 1.4 kg bag', 3, dose('broth', 'grain', 'grain-bag').value, 1, 'ml'),
    trade(
      'broth to 500 ml of broth',
      1.5,
      dose('broth', 'broth', 'bottle-1000', { vesselWetG: 500, vesselMl: 500 }).value,
      0.5,
      'ml',
    ),
    trade(
      'spores to 300 ml of broth',
      10,
      dose('spores', 'broth', 'litre-jar', { vesselWetG: 300, vesselMl: 300 }).value,
      0.5,
      'ml',
    ),
    trade('jars of a 10 ml spore syringe', 6, 10 / dose('spores', 'grain', 'quart-jar').value, 1, 'jars'),
    trade('grain to grain, richest: one to', 5, 600 / ofGrain.high, 0.1, '–'),
    trade('grain to grain, leanest: one to', 10, 600 / ofGrain.low, 0.1, '–'),
    trade(
      'spawn to a five-pound block',
      340,
      dose('grain', 'bulk', 'block-bag', { vesselWetG: 2268 }).value,
      10,
      'g',
    ),
    trade('30 ml syringes of 300 ml', 9.5, drawOff(300, 30).full, 0.5, 'syringes'),
    trade('broth keeps cold', 180, keepsDays('broth', 'cold').value, 5, 'days'),
    trade('spores keep cold, at least', 240, keepsDays('spores', 'cold').low, 5, 'days'),
    trade('spores keep cold, at most', 365, keepsDays('spores', 'cold').high, 5, 'days'),
    trade('an unwrapped plate dries', 7, keepsDays('plate', 'room', false).value, 1, 'days'),
  ];
}
