import {
  drawsAfter,
  heatBand,
  runHeat,
  seededRandom,
  type About,
  type Observation,
  type Run,
} from '../../index.js';
import { normalDraw } from '../../base/normal-draw.js';

const RUN: Run = {
  load: {
    kind: 'solid',
    shape: { kind: 'cylinder', radiusMm: 43, heightMm: 110 },
    wallFilm: 300,
    topFilm: 7,
  },
  chamber: [
    [0, 20],
    [20, 100],
    [30, 100],
    [40, 121],
    [130, 121],
    [160, 85],
    [250, 45],
  ].map(([minutes = 0, celsius = 0]) => ({ minutes, celsius })),
  initialCelsius: 20,
  ventMinutes: 10,
  closedAtMinutes: 30,
};
/** What a bed is made of, as shares of all its spread: the household's, the cook's, the vessel's. Written apart. */
const [ALL, COOK, VESSEL] = [Math.log(3.4 / 1.2) / 2.5632, 0.1 / 1.2816, 0.12 / 1.2816];
const HOUSE = Math.sqrt(ALL ** 2 - COOK ** 2 - VESSEL ** 2);
const TRUTHS = 24;

describe('what one probe showed', () => {
  it('holds 8 in 10 of the other jars of its cook and of the next cook, though the probe is off', () => {
    const random = seededRandom(41);
    const normal = () => normalDraw(random);
    const held = { sameVessel: 0, sameCook: 0, nextCook: 0 };
    for (let k = 0; k < TRUTHS; k++) {
      const house = normal();
      const rest = Array.from({ length: 5 }, normal);
      const jar = (cook: number, vessel: number) =>
        Float64Array.of((HOUSE * house + COOK * cook + VESSEL * vessel) / ALL, ...rest);
      const [thisCook, seenJar] = [normal(), normal()];
      const seen = runHeat(RUN, jar(thisCook, seenJar), 1).coreCelsius;
      const off = 1.5 * normal();
      const readings = [40, 50, 60, 70, 80, 90, 100, 110, 120].map((minutes) => ({
        minutes,
        celsius: seen[minutes]! + off + 0.7 * normal(),
      }));
      const probe: Observation = { kind: 'probe', cook: 'this', run: RUN, readings };
      const cases: readonly (readonly [About & { of: keyof typeof held }, Float64Array])[] = [
        [{ of: 'sameVessel', observation: 0 }, jar(thisCook, seenJar)],
        [{ of: 'sameCook', cook: 'this' }, jar(thisCook, normal())],
        [{ of: 'nextCook' }, jar(normal(), normal())],
      ];
      for (const [about, truth] of cases) {
        const draws = drawsAfter([probe], 200, seededRandom(k + 1), about);
        const { low, high } = heatBand(RUN, draws, 12, 2).coreF0;
        const { coreF0 } = runHeat(RUN, truth, 1);
        held[about.of] += coreF0 >= low && coreF0 <= high ? 1 : 0;
      }
    }
    for (const [about, count] of Object.entries(held)) {
      // Of so few truths, 95 in 100 such counts lie within 0.16 of 0.8.
      expect(count / TRUTHS)
        .withContext(about)
        .toBeGreaterThan(0.62);
      expect(count / TRUTHS)
        .withContext(about)
        .toBeLessThan(0.97);
    }
  });

  it('is known best of that very jar, then of its cook, and least of the next', () => {
    const seen = runHeat(RUN, Float64Array.of(0.5, 0, 0, 0, 0, 0), 1).coreCelsius;
    const readings = [50, 70, 90, 110].map((minutes) => ({ minutes, celsius: seen[minutes]! }));
    const width = (about: About) => {
      const probe: Observation = { kind: 'probe', cook: 'this', run: RUN, readings };
      const { low, high } = heatBand(RUN, drawsAfter([probe], 400, seededRandom(3), about), 12, 2).coreF0;
      return Math.log(high / low);
    };
    const same = width({ of: 'sameVessel', observation: 0 });
    expect(width({ of: 'sameCook', cook: 'this' })).toBeGreaterThan(same);
    expect(width({ of: 'nextCook' })).toBeGreaterThan(width({ of: 'sameCook', cook: 'this' }) * 0.98);
    expect(width({ of: 'sameCook', cook: 'one that nothing was seen of' })).toBeCloseTo(
      width({ of: 'nextCook' }),
      9,
    );
  });
});
