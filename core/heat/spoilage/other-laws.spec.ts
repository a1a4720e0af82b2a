import { NEXT_LOAD, drawsAfter, seededRandom, type Observation } from '../../index.js';
import { HELD } from '../../testing/held-vessels.js';
import { inCommon } from '../load/bed-spread.js';
import type { Draws } from '../load/draws.js';
import { HEAT_NORMALS, SPORE_NORMALS } from '../load/uncertain-load.js';
import { chancesOf, numbersOf, sporesOfRow } from './spoilage.js';
import { Survivors } from './survivors.js';
import { normalDraw } from '../../base/normal-draw.js';

type Random = () => number;

/** A world that is not as the forecast takes it: how what is unsure is spread, and how spores stand together. */
interface Law {
  /** In place of a standard normal, with the same 8 in 10. */
  readonly unsure: (random: Random) => number;
  /** Chance that a vessel spoils in which so many live on average. */
  readonly spoils: (left: number) => number;
}

const TENTH = 1.2816;
const poisson = (left: number) => -Math.expm1(-left);

const LAWS: Readonly<Record<string, Law>> = {
  'our own': { unsure: normalDraw, spoils: poisson },
  'even on a logarithmic scale': { unsure: (random) => (2 * random() - 1) * (TENTH / 0.8), spoils: poisson },
  // Student's with five degrees of freedom: 8 in 10 within 1.476.
  'with long tails': {
    unsure: (random) => {
      const squares = Array.from({ length: 5 }, () => normalDraw(random) ** 2);
      return (normalDraw(random) / Math.sqrt(squares.reduce((a, b) => a + b, 0) / 5)) * (TENTH / 1.476);
    },
    spoils: poisson,
  },
  // Gamma of shape a half and Poisson: most grains carry none, some carry many.
  'spores in clumps': { unsure: normalDraw, spoils: (left) => 1 - (1 + left / 0.5) ** -0.5 },
};

const COUNT = 8;
const DRY_G = 210;
const HOLDS = [60, 75, 90] as const;

/** What the vessels of a household share, by its law. */
function household({ unsure }: Law, random: Random): Float64Array {
  return Float64Array.from({ length: HEAT_NORMALS + SPORE_NORMALS }, () => unsure(random));
}

/** How many of a load sour: each cook and each vessel has a bed of its own beside, each lot its spores. */
function souredOf(law: Law, house: Float64Array, survivors: Survivors, random: Random): number {
  const [ofHouse, ofCook] = [inCommon('house'), inCommon('cook')];
  const row = house.slice();
  // The last two of a draw are the lot's.
  row.set(
    Array.from({ length: 2 }, () => law.unsure(random)),
    HEAT_NORMALS + 2,
  );
  const cook = law.unsure(random);
  let soured = 0;
  for (let vessel = 0; vessel < COUNT; vessel++) {
    const bed =
      Math.sqrt(ofHouse) * house[0]! +
      Math.sqrt(ofCook - ofHouse) * cook +
      Math.sqrt(1 - ofCook) * law.unsure(random);
    const run = { load: { kind: 'solid' } } as Parameters<typeof sporesOfRow>[0];
    const { dMinutes, perUnit } = sporesOfRow(run, row);
    const share = Math.exp(survivors.lnShare(bed, survivors.beside.lnFactorOf(row), dMinutes));
    soured += random() < law.spoils(DRY_G * perUnit * share) ? 1 : 0;
  }
  return soured;
}

/** Where in what was foretold a number lies, 0 to 1; even if all is right. */
function placeOf(soured: number, numbers: readonly number[], random: Random): number {
  const below = numbers.slice(0, soured).reduce((sum, p) => sum + p, 0);
  return below + random() * numbers[soured]!;
}

describe('a stated 8 in 10 of how many sour', () => {
  const runs = HOLDS.map((hold) => HELD.quart(hold));
  const tables = runs.map((run) => new Survivors(run));
  const numbersFor = (draws: Draws, i: number) =>
    numbersOf(chancesOf({ run: runs[i]!, count: COUNT, each: DRY_G }, draws), draws.weights, COUNT);
  const before = drawsAfter([], 1500, seededRandom(7), NEXT_LOAD);
  const foretold = HOLDS.map((_, i) => numbersFor(before, i));

  for (const [words, law] of Object.entries(LAWS)) {
    it(`holds about that before anything is known: ${words}`, () => {
      const random = seededRandom(101);
      const LOADS = 1500;
      let inside = 0;
      for (let load = 0; load < LOADS; load++) {
        const i = load % HOLDS.length;
        const place = placeOf(
          souredOf(law, household(law, random), tables[i]!, random),
          foretold[i]!,
          random,
        );
        inside += place > 0.1 && place < 0.9 ? 1 : 0;
      }
      expect(inside / LOADS).toBeGreaterThan(0.75);
      expect(inside / LOADS).toBeLessThan(0.85);
    });
  }

  it('holds about that after three cooks of one’s own, by the law that is least like ours', () => {
    const random = seededRandom(102);
    const law = LAWS['even on a logarithmic scale']!;
    // Of all four laws and 90 houses each: 79 % by our own, 73, 81 and 83 % by the others.
    const HOUSES = 50;
    let inside = 0;
    for (let k = 0; k < HOUSES; k++) {
      const house = household(law, random);
      const cooks = HOLDS.map((_, i): Observation => {
        const soured = souredOf(law, house, tables[i]!, random);
        return { kind: 'jars', run: runs[i]!, each: DRY_G, kept: COUNT - soured, soured };
      });
      const i = k % HOLDS.length;
      const draws = drawsAfter(cooks, 200, seededRandom(k), NEXT_LOAD);
      const place = placeOf(souredOf(law, house, tables[i]!, random), numbersFor(draws, i), random);
      inside += place > 0.1 && place < 0.9 ? 1 : 0;
    }
    expect(inside / HOUSES).toBeGreaterThan(0.65);
    expect(inside / HOUSES).toBeLessThan(0.92);
  });
});
