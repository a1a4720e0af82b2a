import fc from 'fast-check';
import {
  coolingMinutes,
  equalLethalityHold,
  excessAfter,
  f0,
  lethalRate,
  minutesToCool,
  type ProfilePoint,
} from '../index.js';
import { outOfRange, refused } from '../testing/refused.js';

const profile = fc
  .array(
    fc.tuple(fc.double({ min: 0.1, max: 60, noNaN: true }), fc.double({ min: 20, max: 130, noNaN: true })),
    { minLength: 2, maxLength: 12 },
  )
  .map((steps) => {
    let minutes = 0;
    return steps.map(([dt, celsius]): ProfilePoint => ({ minutes: (minutes += dt), celsius }));
  });

describe('F0', () => {
  it('is exact on straight segments: a fine trapezoid converges to it', () => {
    fc.assert(
      fc.property(profile, (points) => {
        expect(f0(points)).toBeCloseTo(trapezoid(points, 4000), 2);
      }),
      { numRuns: 30 },
    );
  });

  it('adds up over any cut and never falls with more heat or time', () => {
    fc.assert(
      fc.property(profile, fc.nat({ max: 11 }), (points, cut) => {
        const at = Math.min(cut, points.length - 1);
        expect(f0(points.slice(0, at + 1)) + f0(points.slice(at))).toBeCloseTo(f0(points), 8);
        expect(f0(points.map((p) => ({ ...p, celsius: p.celsius + 1 })))).toBeGreaterThanOrEqual(f0(points));
      }),
    );
  });

  it('is nothing for a single point and refuses time that runs backwards', () => {
    expect(f0([{ minutes: 0, celsius: 121 }])).toBe(0);
    expect(() =>
      f0([
        { minutes: 5, celsius: 100 },
        { minutes: 4, celsius: 100 },
      ]),
    ).toThrowMatching(outOfRange('timeStep'));
    expect(() => lethalRate(NaN)).toThrowMatching(outOfRange('temperature'));
  });

  it('holds the same lethality at another temperature', () => {
    expect(equalLethalityHold(15, 111.1, 121.1)).toBeCloseTo(150, 9);
    expect(equalLethalityHold(90, 121, 121)).toBeCloseTo(90, 9);
  });
});

describe('cooling', () => {
  const excess = fc.double({ min: 5, max: 110, noNaN: true });

  it('time and temperature are each other’s inverse, for Newton too', () => {
    fc.assert(
      fc.property(
        excess,
        fc.double({ min: 1, max: 600, noNaN: true }),
        fc.constantFrom(1, 1.25, 1.5),
        (from, minutes, exponent) => {
          const to = excessAfter(from, minutes, 1e-3, exponent);
          expect(coolingMinutes(from, to, 1e-3, exponent)).toBeCloseTo(minutes, 4);
          expect(to).toBeLessThan(from);
        },
      ),
    );
  });

  it('finds the time from readings that follow the law', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 60, max: 100, noNaN: true }),
        fc.double({ min: 4e-4, max: 4e-3, noNaN: true }),
        (start, rate) => {
          const at = (minutes: number) => ({ minutes, celsius: 20 + excessAfter(start, minutes, rate) });
          const predicted = minutesToCool({
            readings: [at(0), at(10), at(25)],
            ambientCelsius: 20,
            targetCelsius: 30,
          });
          expect(predicted).toBeCloseTo(coolingMinutes(start, 10, rate) - 25, 3);
        },
      ),
    );
  });

  it('asks not when its clock began: readings ten hours into a cook foretell the same', () => {
    const readings = [0, 10, 25].map((minutes) => ({
      minutes,
      celsius: 20 + excessAfter(80, minutes, 1e-3),
    }));
    const later = readings.map((r) => ({ ...r, minutes: r.minutes + 600 }));
    const left = (from: typeof readings) =>
      minutesToCool({ readings: from, ambientCelsius: 20, targetCelsius: 30 });
    expect(left(later)).toBeCloseTo(left(readings), 6);
  });

  it('says later than Newton when carried far below the readings', () => {
    const readings = [
      { minutes: 0, celsius: 90 },
      { minutes: 15, celsius: 75 },
    ];
    const carried = (exponent: number) =>
      minutesToCool({ readings, ambientCelsius: 20, targetCelsius: 30, exponent });
    expect(carried(1.25)).toBeGreaterThan(carried(1) * 1.2);
  });

  it('is over when the target is passed, and refuses readings that rise or a target below the room', () => {
    const falling = [
      { minutes: 0, celsius: 60 },
      { minutes: 10, celsius: 40 },
    ];
    expect(minutesToCool({ readings: falling, ambientCelsius: 20, targetCelsius: 45 })).toBe(0);
    expect(() =>
      minutesToCool({
        readings: [...falling].map((r, i) => ({ ...r, celsius: 60 + i })),
        ambientCelsius: 20,
        targetCelsius: 30,
      }),
    ).toThrowMatching(refused('not-falling'));
    expect(() => minutesToCool({ readings: falling, ambientCelsius: 20, targetCelsius: 15 })).toThrowMatching(
      outOfRange('targetAboveRoom'),
    );
    expect(() =>
      minutesToCool({ readings: falling.slice(1), ambientCelsius: 20, targetCelsius: 30 }),
    ).toThrowMatching(refused('too-few', { of: 'readings' }));
  });
});

/** A second method for the integral, with no closed form in it. */
function trapezoid(points: readonly ProfilePoint[], pieces: number): number {
  let sum = 0;
  for (let i = 1; i < points.length; i++) {
    const [a, b] = [points[i - 1]!, points[i]!];
    const step = (b.minutes - a.minutes) / pieces;
    for (let k = 0; k < pieces; k++) {
      const at = (n: number) => lethalRate(a.celsius + ((b.celsius - a.celsius) * n) / pieces);
      sum += (step * (at(k) + at(k + 1))) / 2;
    }
  }
  return sum;
}
