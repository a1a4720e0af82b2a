import {
  NEXT_LOAD,
  PRACTICE,
  drawsAfter,
  effectiveCount,
  seededRandom,
  spoilageOf,
  type Observation,
  type Practice,
} from '../../index.js';
import { HELD } from '../../testing/held-vessels.js';
import { normalRows, priorDraws } from '../load/draws.js';
import { inCommon } from '../load/bed-spread.js';
import { HEAT_NORMALS } from '../load/uncertain-load.js';
import { chanceTable } from './chance-table.js';
import { heatField, lnSurvivingShare } from './heat-field.js';
import { chancesOf, numbersOf, sporesOfRow } from './spoilage.js';

const QUART_DRY_G = 210;
const PINT_DRY_G = 110;
const BLOCK_DRY_G = 900;
const practised = (practice: Practice, seed = 1, more: readonly Observation[] = []) =>
  drawsAfter([{ kind: 'practice', practice }, ...more], 300, seededRandom(seed), NEXT_LOAD);
const quarts = (hold: number) => ({ run: HELD.quart(hold), count: 8, each: QUART_DRY_G });

describe('how many vessels sour', () => {
  it('is binomial for one draw, and their mixture for several', () => {
    const [none, one, two] = numbersOf([0.25], [1], 2);
    expect([none, one, two]).toEqual([0.5625, 0.375, 0.0625]);
    const mixed = numbersOf([0, 1], [0.7, 0.3], 5);
    expect(mixed[0]).toBeCloseTo(0.7, 12);
    expect(mixed[5]).toBeCloseTo(0.3, 12);
    expect(mixed.reduce((sum, p) => sum + p, 0)).toBeCloseTo(1, 12);
  });

  it('holds what is stated in 8 of 10 loads, the truth drawn vessel by vessel', () => {
    const random = seededRandom(11);
    const forecasts = [60, 75, 90].map((hold) => {
      const run = HELD.quart(hold);
      // Of fewer draws the forecast itself is noise by a per cent or two.
      const draws = drawsAfter([], 1200, seededRandom(7), NEXT_LOAD);
      const chances = chancesOf({ run, count: 8, each: QUART_DRY_G }, draws);
      return { run, numbers: numbersOf(chances, draws.weights, 8) };
    });
    const LOADS = 1000;
    let inside = 0;
    for (let load = 0; load < LOADS; load++) {
      const { run, numbers } = forecasts[load % forecasts.length]!;
      const [shared] = priorDraws(1, random).normals as [Float64Array];
      let soured = 0;
      for (let vessel = 0; vessel < 8; vessel++) {
        const [[own]] = normalRows(1, random, 1) as unknown as [[number]];
        const row = shared.slice();
        row[0] = Math.sqrt(inCommon('cook')) * shared[0]! + Math.sqrt(1 - inCommon('cook')) * own;
        const { dMinutes, perUnit } = sporesOfRow(run, row);
        const left = QUART_DRY_G * perUnit * Math.exp(lnSurvivingShare(heatField(run, row), dMinutes));
        soured += random() < -Math.expm1(-left) ? 1 : 0;
      }
      // Whole numbers: a place within the step of this number, drawn at random, is even from 0 to 1 if all is right.
      const below = numbers.slice(0, soured).reduce((sum, p) => sum + p, 0);
      const place = below + random() * numbers[soured]!;
      inside += place > 0.1 && place < 0.9 ? 1 : 0;
    }
    expect(inside / LOADS).toBeGreaterThan(0.77);
    expect(inside / LOADS).toBeLessThan(0.83);
  });

  it('falls with the hold and rises with the vessel, before and after practice had its say', () => {
    const prior = drawsAfter([], 300, seededRandom(1), NEXT_LOAD);
    for (const draws of [prior, practised(PRACTICE.quarts)]) {
      const chances = [60, 75, 90, 120].map((hold) => spoilageOf(quarts(hold), draws).perVessel);
      expect(chances).toEqual([...chances].sort((a, b) => b - a));
      const pint = spoilageOf({ run: HELD.pint(60), count: 8, each: PINT_DRY_G }, draws);
      expect(pint.perVessel).toBeLessThan(chances[0]!);
    }
  });

  it('leaves a broth clean after any hold of the trade', () => {
    const run = { ...HELD.quart(20), load: { kind: 'liquid', timeConstantMinutes: 6 } as const };
    const found = spoilageOf({ run, count: 6, each: 350 }, priorDraws(200, seededRandom(2)));
    expect(found.perVessel).toBeLessThan(0.02);
    expect(found.high).toBe(0);
  });
});

describe('what practice finds', () => {
  it('sets the level: of 100 quarts at 90 min 1 to 5, of 100 blocks at 150 min 2 to 8', () => {
    const quart = spoilageOf(quarts(90), practised(PRACTICE.quarts)).perVessel;
    expect(quart).toBeGreaterThan(0.01);
    expect(quart).toBeLessThan(0.06);
    const block = spoilageOf(
      { run: HELD.block(150), count: 8, each: BLOCK_DRY_G },
      practised(PRACTICE.blocks),
    ).perVessel;
    expect(block).toBeGreaterThan(0.02);
    expect(block).toBeLessThan(0.09);
  });

  it('is believed as told: who loses fewer is promised fewer', () => {
    const of = (low: number, high: number) =>
      spoilageOf(quarts(90), practised({ of: 'quarts', low, high })).perVessel;
    expect(of(0.001, 0.01)).toBeLessThan(of(0.01, 0.05));
    expect(of(0.1, 0.3)).toBeGreaterThan(of(0.01, 0.05));
  });

  it('leaves enough draws to speak of, also beside a probe, an indicator and what contradicts it', () => {
    const run = HELD.quart(90);
    const indicator = (survived: boolean): Observation => ({
      kind: 'indicator',
      run,
      survived,
      logPopulation: 6,
      dMinutes: 1.6,
    });
    const cold: Observation = { kind: 'maximum', run, celsius: 108 };
    for (const more of [[], [indicator(false)], [indicator(true)], [cold]]) {
      expect(effectiveCount(practised(PRACTICE.quarts, 4, more))).toBeGreaterThan(50);
    }
    // A middle that was far too cold, and spores that died in it: it is told, and enough draws are left all the same.
    const torn = practised(PRACTICE.quarts, 4, [indicator(false), { ...cold, celsius: 102 }]);
    expect(effectiveCount(torn)).toBeGreaterThan(50);
    expect(torn.doubt).toBeGreaterThan(0.5);
  });
});

describe('what became of one’s own jars', () => {
  const outcome = (hold: number, kept: number, soured: number): Observation => ({
    kind: 'jars',
    run: HELD.quart(hold),
    each: QUART_DRY_G,
    kept,
    soured,
  });

  it('moves what is likely of the next load the right way, in every one of 200 cases', () => {
    const before = chanceAfter([]);
    for (let hold = 60; hold < 85; hold += 5) {
      for (let count = 5; count < 25; count++) {
        expect(chanceAfter([outcome(hold, count, 0)])).toBeLessThan(before);
        expect(chanceAfter([outcome(hold + 20, 0, count)])).toBeGreaterThan(before);
      }
    }
  });

  it('says more the more cooks there were', () => {
    const after = (cooks: number) => chanceAfter(Array.from({ length: cooks }, () => outcome(75, 8, 0)));
    expect(after(6)).toBeLessThan(after(2));
    expect(after(2)).toBeLessThan(after(0));
  });

  const next = chanceTable(HELD.quart(75), QUART_DRY_G, 'cook');
  /** Of the next load, by its table: many draws, so that their noise does not hide what they say. */
  function chanceAfter(more: readonly Observation[]): number {
    const { normals, weights } = drawsAfter(
      [{ kind: 'practice', practice: PRACTICE.quarts }, ...more],
      150,
      seededRandom(1),
      NEXT_LOAD,
    );
    return normals.reduce(
      (sum, row, k) => sum + weights[k]! * next(row[0]!, row[HEAT_NORMALS]!, row[HEAT_NORMALS + 1]!),
      0,
    );
  }
});
