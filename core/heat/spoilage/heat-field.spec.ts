import fc from 'fast-check';
import { bodyOf, drawLoad, f0OfCurve, respond, runHeat, seededRandom, seenByVessel } from '../../index.js';
import { HELD } from '../../testing/held-vessels.js';
import { priorDraws } from '../load/draws.js';
import type { Run } from '../load/run-heat.js';
import { coldestF0 } from '../load/coldest-f0.js';
import { heatField, lnSurvivingShare, type HeatField } from './heat-field.js';
import { gaussLegendre, lagrangeShares } from '../quadrature.js';

describe('sums over a body', () => {
  it('have the published points of Gauss and Legendre, and are exact up to their degree', () => {
    // Abramowitz and Stegun, table 25.4, on −1 to 1.
    const { at, weights } = gaussLegendre(5);
    [-0.9061798459, -0.5384693101, 0, 0.5384693101, 0.9061798459].forEach((x, i) => {
      expect(2 * at[i]! - 1).toBeCloseTo(x, 9);
    });
    [0.2369268851, 0.4786286705, 0.5688888889, 0.4786286705, 0.2369268851].forEach((w, i) => {
      expect(2 * weights[i]!).toBeCloseTo(w, 9);
    });
    for (const count of [1, 4, 10, 24]) {
      const rule = gaussLegendre(count);
      const degree = 2 * count - 1;
      const sum = rule.at.reduce((all, x, i) => all + rule.weights[i]! * x ** degree, 0);
      expect(sum).toBeCloseTo(1 / (degree + 1), 12);
    }
  });

  it('carry a polynomial from its nodes to any place', () => {
    const nodes = [0, 0.2, 0.5, 1];
    const cubic = (x: number) => 2 - 3 * x + x ** 3;
    const carried = lagrangeShares(nodes, 0.7).reduce((sum, share, i) => sum + share * cubic(nodes[i]!), 0);
    expect(carried).toBeCloseTo(cubic(0.7), 12);
  });
});

describe('what survives in a vessel', () => {
  it('is closed where all is alike, and the sum of two zones where there are two', () => {
    const alike = { f0: Float64Array.of(3), shares: Float64Array.of(1) };
    expect(survivingShare(alike, 0.5)).toBeCloseTo(1e-6, 12);
    const zones = { f0: Float64Array.of(3, 0.6), shares: Float64Array.of(0.98, 0.02) };
    expect(survivingShare(zones, 0.3)).toBeCloseTo(0.02 * 1e-2 + 0.98 * 1e-10, 12);
    // Too few for a number are still told apart.
    expect(lnSurvivingShare(alike, 0.005)).toBeCloseTo(-600 * Math.LN10, 6);
  });

  it('is what one temperature leaves in a liquid', () => {
    const run: Run = { ...HELD.quart(20), load: { kind: 'liquid', timeConstantMinutes: 6 } };
    const { coreF0 } = runHeat(run, [], 1);
    expect(survivingShare(heatField(run, []), 1)).toBeCloseTo(10 ** -coreF0, 6);
  });

  it('knows the coldest point as the band does, and all shares of the volume', () => {
    for (const run of [HELD.quart(90), HELD.pint(60), HELD.block(150)]) {
      for (const row of priorDraws(12, seededRandom(5)).normals) {
        const { f0, shares } = heatField(run, row);
        const { coreF0 } = runHeat(run, row, 0.5);
        expect(Math.abs(coldestF0(run, row) / coreF0 - 1)).toBeLessThan(0.006);
        expect(shares.reduce((sum, s) => sum + s, 0)).toBeCloseTo(1, 9);
        expect(Math.min(...shares)).toBeGreaterThanOrEqual(0);
        for (let i = 1; i < f0.length; i++) {
          expect(f0[i]!).toBeLessThanOrEqual(f0[i - 1]! * (1 + 1e-9));
        }
      }
    }
  });

  it('sums volume as a rule of four times as many points does, to half a hundredth', () => {
    for (const run of [HELD.quart(60), HELD.quart(90), HELD.block(150)]) {
      for (const row of priorDraws(12, seededRandom(6)).normals) {
        const [coarse, fine] = [heatField(run, row), heatField(run, row, gaussLegendre(40))];
        for (const dMinutes of [0.1, 0.3, 1]) {
          const [own, best] = [lnSurvivingShare(coarse, dMinutes), lnSurvivingShare(fine, dMinutes)];
          // Of fewer none lives in a thousand vessels.
          if (best > Math.log(1e-9)) {
            expect(Math.abs(own - best)).toBeLessThan(0.005);
          }
        }
      }
    }
  });

  it('gives a jar the chance that a fine grid of points gives it, to one in a hundred', () => {
    const draws = priorDraws(24, seededRandom(3)).normals;
    let between = 0;
    let [sumOfGrid, sumOfField, count] = [0, 0, 0];
    for (const hold of [60, 90]) {
      const run = HELD.quart(hold);
      for (const row of draws) {
        const grid = jarGrid(run, row);
        for (const [dMinutes, spores] of [
          [0.15, 2e5],
          [0.5, 4e4],
        ] as const) {
          const byGrid = spoils(spores * grid(dMinutes));
          const byField = spoils(spores * survivingShare(heatField(run, row), dMinutes));
          expect(Math.abs(byField - byGrid)).toBeLessThan(0.015);
          sumOfGrid += byGrid;
          sumOfField += byField;
          count++;
          between += byGrid > 0.01 && byGrid < 0.99 ? 1 : 0;
        }
      }
    }
    // Where all spoils or nothing does, agreeing is no art.
    expect(between).toBeGreaterThan(3);
    // What is told is the mean of draws.
    expect(Math.abs(sumOfField - sumOfGrid) / count).toBeLessThan(0.002);
  });

  it('gives a block the chance that a grid gives it, to two in a hundred', () => {
    // A bed that leaves the middle in doubt after two hours and a half.
    for (const bed of [-0.2, 0.1]) {
      const row = Float64Array.of(bed, 0.3, -0.4, 0.2, 0, 0);
      const run = HELD.block(150);
      const byGrid = spoils(9e5 * blockGrid(run, row)(0.3));
      expect(Math.abs(spoils(9e5 * survivingShare(heatField(run, row), 0.3)) - byGrid)).toBeLessThan(0.02);
    }
  });

  it('never is more after more heat', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 20, max: 150, noNaN: true }),
        fc.double({ min: 112, max: 122, noNaN: true }),
        fc.double({ min: -2, max: 2, noNaN: true }),
        fc.double({ min: 0.1, max: 1, noNaN: true }),
        (hold, chamberC, bed, dMinutes) => {
          const left = (minutes: number, celsius: number) =>
            survivingShare(heatField(HELD.quart(minutes, celsius), Float64Array.of(bed)), dMinutes);
          const here = left(hold, chamberC);
          // Both runs are sampled at moments of their own: what lies below the rounding of a sum says nothing.
          const most = here * 1.001 + 1e-300;
          expect(left(hold + 5, chamberC)).toBeLessThanOrEqual(most);
          expect(left(hold, chamberC + 0.5)).toBeLessThanOrEqual(most);
        },
      ),
      { numRuns: 60 },
    );
  });
});

function survivingShare(field: HeatField, dMinutes: number): number {
  return Math.exp(lnSurvivingShare(field, dMinutes));
}

function spoils(left: number): number {
  return -Math.expm1(-left);
}

/** Point by point with Gauss's rule in area and height, quarter-minute steps and all modes: slow, and written apart. */
function jarGrid(run: Run, row: Float64Array): (dMinutes: number) => number {
  const drawn = drawLoad(run.load, row);
  const solid = drawn.body as Extract<typeof drawn.body, { kind: 'solid' }>;
  const body = bodyOf(solid.shape, solid.films, solid.diffusivityM2PerS, 1);
  const [rings, heights] = [gaussLegendre(9), gaussLegendre(16)];
  const places = rings.at.flatMap((area) => heights.at.map((up) => ({ out: Math.sqrt(area), up })));
  const weights = rings.weights.flatMap((a) => heights.weights.map((b) => a * b));
  return summed(run, body, places, weights, seenByVessel(run, drawn), 0.5);
}

function blockGrid(run: Run, row: Float64Array): (dMinutes: number) => number {
  const drawn = drawLoad(run.load, row);
  const solid = drawn.body as Extract<typeof drawn.body, { kind: 'solid' }>;
  const body = bodyOf(solid.shape, solid.films, solid.diffusivityM2PerS, 3);
  const [halves, heights] = [gaussLegendre(6), gaussLegendre(10)];
  const places = halves.at.flatMap((along) =>
    halves.at.flatMap((out) => heights.at.map((up) => ({ along, out, up }))),
  );
  const weights = halves.weights.flatMap((a) =>
    halves.weights.flatMap((b) => heights.weights.map((c) => a * b * c)),
  );
  return summed(run, body, places, weights, seenByVessel(run, drawn), 1);
}

function summed(
  run: Run,
  body: ReturnType<typeof bodyOf>,
  places: readonly { readonly out: number; readonly up: number }[],
  weights: readonly number[],
  chamber: ReturnType<typeof seenByVessel>,
  stepMinutes: number,
): (dMinutes: number) => number {
  const { minutes, chamberCelsius, celsius } = respond(
    body,
    places.map((p) => body.sharesAt(p)),
    chamber,
    run.initialCelsius,
    stepMinutes,
  );
  const f0s = celsius.map((own) =>
    f0OfCurve(
      minutes,
      own.map((c, n) => Math.min(c, chamberCelsius[n]!)),
    ),
  );
  return (dMinutes) => f0s.reduce((sum, f0, i) => sum + weights[i]! * 10 ** (-f0 / dMinutes), 0);
}
