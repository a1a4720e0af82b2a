import fc from 'fast-check';
import {
  besselJ0J1,
  bodyOf,
  f0,
  f0OfCurve,
  holdForF0,
  mixedBody,
  respond,
  simulateLoad,
  type ProfilePoint,
  type Shape,
} from '../../index.js';
import { refinedCore } from '../../testing/finite-volume.js';
import { outOfRange, refused } from '../../testing/refused.js';

const JAR: Shape = { kind: 'cylinder', radiusMm: 43, heightMm: 110 };
const BLOCK: Shape = { kind: 'brick', lengthMm: 200, widthMm: 130, heightMm: 135 };
const BED = 1.85e-7;
const STEP: readonly ProfilePoint[] = [
  { minutes: 0, celsius: 121 },
  { minutes: 150, celsius: 121 },
];
/** Up, hold, pressure lost and found again, hold, and an exponential fall in straight pieces. */
const COOK: readonly ProfilePoint[] = [
  { minutes: 0, celsius: 20 },
  { minutes: 24, celsius: 121 },
  { minutes: 64, celsius: 121 },
  { minutes: 67, celsius: 100 },
  { minutes: 74, celsius: 100 },
  { minutes: 78, celsius: 121 },
  { minutes: 128, celsius: 121 },
  ...Array.from({ length: 20 }, (_, i) => ({
    minutes: 128 + 6 * (i + 1),
    celsius: 20 + 101 * Math.exp((-6 * (i + 1)) / 60),
  })),
];

describe('conduction against a finite-volume grid', () => {
  for (const [name, shape] of [
    ['jar', JAR],
    ['block', BLOCK],
  ] as const) {
    for (const biot of [undefined, 1, 5, 20]) {
      for (const [run, chamber] of [
        ['a step', STEP],
        ['a whole cook', COOK],
      ] as const) {
        it(`${name}, ${biot === undefined ? 'perfect contact' : `Biot ${biot}`}, ${run}: within 0.02 K and 0.3 % of F0`, () => {
          const input = { shape, diffusivityM2PerS: BED, biot, initialCelsius: 20, chamber };
          // A step wants a finer start of the grid.
          const stepMinutes = run === 'a step' ? 0.25 : 0.5;
          const byGrid = refinedCore({ ...input, stepMinutes, cells: name === 'jar' ? 24 : 12 });
          const byModes = simulateLoad({ ...input, stepMinutes });
          let worst = 0;
          byModes.coreCelsius.forEach((c, i) => (worst = Math.max(worst, Math.abs(c - byGrid[i]!))));
          expect(worst).toBeLessThan(0.02);
          const earned = f0OfCurve(Float64Array.from(byModes.minutes), byGrid);
          expect(Math.abs(byModes.coreF0 / earned - 1)).toBeLessThan(0.003);
        });
      }
    }
  }
});

describe('conduction', () => {
  const run = (shape: Shape, biot?: number, chamber = COOK, diffusivityM2PerS = BED) =>
    simulateLoad({ shape, diffusivityM2PerS, biot, initialCelsius: 20, chamber });

  it('goes over into an infinite cylinder when it is very long', () => {
    const long = run({ kind: 'cylinder', radiusMm: 43, heightMm: 4000 }, 5);
    const endless = respondOf(
      bodyOf({ kind: 'cylinder', radiusMm: 43, heightMm: 110 }, { side: 5, bottom: 0, top: 0 }, BED),
    );
    expect(worstOf(long.coreCelsius, endless)).toBeLessThan(0.01);
  });

  it('a slab with one insulated face is half of one that is twice as thick', () => {
    const brick = (heightMm: number): Shape => ({ kind: 'brick', lengthMm: 900, widthMm: 900, heightMm });
    const none = { side: 0, bottom: 0, top: 0 };
    const at = (heightMm: number, films: typeof none, up: number) => {
      const body = bodyOf(brick(heightMm), films, BED);
      return respond(body, [body.sharesAt({ out: 0, up })], COOK, 20, 1 / 6).celsius[0];
    };
    const half = at(50, { side: 0, bottom: 0, top: 9 }, 0);
    expect(worstOf([...half], at(50, { side: 0, bottom: 9, top: 0 }, 1))).toBeLessThan(1e-6);
    // Biot numbers are of half the least width, so the same film is twice as much here.
    expect(worstOf([...half], at(100, { side: 0, bottom: 18, top: 18 }, 0.5))).toBeLessThan(0.02);
    expect(half[half.length - 1]!).toBeGreaterThan(60);
    expect(worstOf([...at(50, none, 0.5)], 20)).toBeLessThan(1e-9);
  });

  it('goes over into one lumped temperature when the film is thin', () => {
    // λ = h A/(ρ c V) = Bi α/L · A/V, with A/V = 2/R + 2/H.
    const biot = 1e-3;
    const perS = ((biot * BED) / 0.043) * (2 / 0.043 + 2 / 0.11);
    const lumped = respondOf(mixedBody(1 / (perS * 60)));
    expect(worstOf(run(JAR, biot).coreCelsius, lumped)).toBeLessThan(0.05);
  });

  it('keeps a body at its temperature in a chamber of the same, to the last digit', () => {
    const still = [20, 20].map((celsius, i) => ({ minutes: 60 * i, celsius }));
    expect(worstOf(run(BLOCK, 20, still).coreCelsius, 20)).toBeLessThan(1e-9);
  });

  it('never overshoots its chamber and warms the surface before the middle', () => {
    const heat = run(JAR, 20);
    expect(Math.max(...heat.coreCelsius)).toBeLessThan(121.01);
    expect(heat.surfaceF0).toBeGreaterThan(heat.meanF0);
    expect(heat.meanF0).toBeGreaterThan(heat.coreF0);
  });

  it('finds the coldest point above the middle under a headspace, and in the middle without', () => {
    const films = { side: 26, bottom: 26, top: 0.6 };
    const at = (f: typeof films) =>
      simulateLoad({
        shape: JAR,
        diffusivityM2PerS: BED,
        films: f,
        initialCelsius: 20,
        chamber: COOK,
        at: 'coldest',
      });
    const under = at(films);
    expect((under.place.up - 0.5) * 110).toBeGreaterThan(10);
    expect((under.place.up - 0.5) * 110).toBeLessThan(22);
    expect(at({ side: 26, bottom: 26, top: 26 }).place.up).toBeCloseTo(0.5, 1);
    const middle = simulateLoad({
      shape: JAR,
      diffusivityM2PerS: BED,
      films,
      initialCelsius: 20,
      chamber: COOK,
      cap: true,
    });
    expect(
      simulateLoad({
        shape: JAR,
        diffusivityM2PerS: BED,
        films,
        initialCelsius: 20,
        chamber: COOK,
        at: 'coldest',
        cap: true,
      }).coreF0,
    ).toBeLessThan(middle.coreF0);
  });

  it('credits no heat above the boiling point while pressure falls', () => {
    const free = run(JAR, 20);
    const capped = simulateLoad({
      shape: JAR,
      diffusivityM2PerS: BED,
      biot: 20,
      initialCelsius: 20,
      chamber: COOK,
      cap: true,
    });
    expect(capped.coreF0).toBeLessThan(free.coreF0 * 0.8);
    expect(capped.uncappedF0).toBeCloseTo(free.coreF0, 9);
  });

  it('is the same whether a straight piece is given whole or in parts, and wherever the clock starts', () => {
    fc.assert(
      fc.property(fc.double({ min: 0.01, max: 0.99, noNaN: true }), fc.nat({ max: 500 }), (cut, start) => {
        const parts = [COOK[0]!, { minutes: 24 * cut, celsius: 20 + 101 * cut }, ...COOK.slice(1)].map(
          (p) => ({ ...p, minutes: p.minutes + start }),
        );
        const heat = run(JAR, 20, parts);
        expect(heat.coreF0).toBeCloseTo(run(JAR, 20).coreF0, 6);
        expect(heat.minutes[0]).toBe(start);
      }),
      { numRuns: 20 },
    );
  });

  it('never gives a middle less for more heat, a longer hold, a smaller vessel or a better conductor', () => {
    const held = (hold: number, celsius: number): readonly ProfilePoint[] => [
      { minutes: 0, celsius: 20 },
      { minutes: 25, celsius },
      { minutes: 25 + hold, celsius },
    ];
    fc.assert(
      fc.property(
        fc.double({ min: 30, max: 150, noNaN: true }),
        fc.double({ min: 110, max: 124, noNaN: true }),
        fc.double({ min: 0.5, max: 40, noNaN: true }),
        fc.boolean(),
        (hold, celsius, biot, jar) => {
          const shape = jar ? JAR : BLOCK;
          const films = biot;
          const here = run(shape, films, held(hold, celsius)).coreF0;
          expect(run(shape, films, held(hold, celsius + 1)).coreF0).toBeGreaterThan(here);
          expect(run(shape, films, held(hold + 5, celsius)).coreF0).toBeGreaterThan(here);
          expect(run(shape, films, held(hold, celsius), BED * 1.1).coreF0).toBeGreaterThan(here);
          const smaller: Shape = jar
            ? { kind: 'cylinder', radiusMm: 40, heightMm: 104 }
            : { kind: 'brick', lengthMm: 190, widthMm: 124, heightMm: 130 };
          // The same film in W/m²K on a smaller body.
          expect(
            run(smaller, biot * (jar ? 40 / 43 : 124 / 130), held(hold, celsius)).coreF0,
          ).toBeGreaterThan(here);
        },
      ),
      { numRuns: 25 },
    );
  });

  it('the hold for a target gives that target, and more after heat off shortens it', () => {
    const chamber = COOK.slice(0, 2);
    const input = { shape: JAR, diffusivityM2PerS: BED, biot: 20, initialCelsius: 20, chamber };
    const hold = holdForF0({ ...input, targetF0: 12 });
    const after = [...chamber, { minutes: 24 + hold, celsius: 121 }];
    expect(simulateLoad({ ...input, chamber: after }).coreF0).toBeCloseTo(12, 1);
    const afterHold = [{ minutes: 60, celsius: 60 }];
    expect(holdForF0({ ...input, targetF0: 12, afterHold })).toBeLessThan(hold);
    expect(holdForF0({ ...input, targetF0: 12, afterHold, cap: true })).toBeGreaterThan(
      holdForF0({ ...input, targetF0: 12, afterHold }),
    );
    expect(holdForF0({ ...input, targetF0: 0 })).toBe(0);
    expect(() => holdForF0({ ...input, targetF0: 500, mostMinutes: 60 })).toThrowMatching(
      refused('f0-out-of-reach', { targetF0: 500, mostMinutes: 60 }),
    );
  });

  it('refuses what is no vessel, no bed and no run', () => {
    expect(() => run({ kind: 'cylinder', radiusMm: 0, heightMm: 110 })).toThrowMatching(outOfRange('radius'));
    expect(() => run(JAR, -1)).toThrowMatching(outOfRange('biotNumber'));
    expect(() => run(JAR, 5, COOK, 1)).toThrowMatching(outOfRange('diffusivity'));
    expect(() => run(JAR, 5, COOK.slice(0, 1))).toThrowMatching(refused('too-few', { of: 'chamberPoints' }));
    expect(() => run(JAR, 5, [...COOK].reverse())).toThrowMatching(outOfRange('chamberTimeStep'));
    expect(() => run(JAR, 5, [{ minutes: 0, celsius: NaN }, ...COOK])).toThrowMatching(
      outOfRange('chamberTemperature'),
    );
  });

  it('Bessel functions keep the recurrence and the Wronskian across both ways of reckoning', () => {
    // d/dx (x J1) = x J0 (Abramowitz & Stegun 9.1.30), by central differences.
    for (const x of [0.5, 5, 12.9, 13.1, 30, 80]) {
      const h = 1e-4;
      const g = (v: number) => v * besselJ0J1(v).j1;
      expect((g(x + h) - g(x - h)) / (2 * h)).toBeCloseTo(x * besselJ0J1(x).j0, 5);
    }
  });

  it('F0 of a curve in arrays is F0 of its points', () => {
    const heat = run(JAR, 20);
    const points = heat.minutes.map((minutes, i) => ({ minutes, celsius: heat.coreCelsius[i]! }));
    expect(f0(points)).toBeCloseTo(heat.coreF0, 8);
  });
});

function respondOf(body: ReturnType<typeof bodyOf>): Float64Array {
  const shares = body.sharesAt({ out: 0, up: 0.5 });
  return respond(body, [shares], COOK, 20, 1 / 6).celsius[0];
}

function worstOf(values: readonly number[], expected: ArrayLike<number> | number): number {
  return values.reduce(
    (most, v, i) => Math.max(most, Math.abs(v - (typeof expected === 'number' ? expected : expected[i]!))),
    0,
  );
}
