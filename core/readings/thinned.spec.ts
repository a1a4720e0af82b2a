import fc from 'fast-check';
import { MIDDLING, runHeat, type Run } from '../index.js';
import { heldAsUsual, QUART } from '../heat/spoilage/practice.js';
import { thinned } from './thinned.js';

describe('a log that is thinned', () => {
  it('passes no reading by more than it may, and keeps its ends and its order', () => {
    const reading = fc.tuple(
      fc.double({ min: 0, max: 9, noNaN: true }),
      fc.double({ min: 20, max: 121, noNaN: true }),
    );
    fc.assert(
      fc.property(fc.array(reading, { minLength: 2, maxLength: 60 }), (readings) => {
        let minutes = 0;
        const points = readings.map(([after, celsius]) => ({ minutes: (minutes += after), celsius }));
        const few = thinned(points, 2);
        expect([few[0], few.at(-1)]).toEqual([points[0], points.at(-1)]);
        const firstAfter = (m: number) => few.findIndex((p, i) => i > 0 && p.minutes >= m);
        for (const point of points.filter((p) => !few.includes(p))) {
          const next = firstAfter(point.minutes);
          const [a, b] = [few[next - 1]!, few[next]!];
          const span = b.minutes - a.minutes;
          const straight =
            span > 0 ? a.celsius + ((b.celsius - a.celsius) * (point.minutes - a.minutes)) / span : a.celsius;
          // Points of one minute are a jump: either side of it will do.
          if (points.filter((p) => p.minutes === point.minutes).length === 1) {
            expect(Math.abs(straight - point.celsius)).toBeLessThanOrEqual(2 + 1e-9);
          }
        }
      }),
    );
  });

  it('leaves a few points of a cook read every ten seconds, and the same F0 in its middle within a fiftieth', () => {
    const run = heldAsUsual(QUART, 90);
    const { minutes, chamberCelsius } = runHeat(run, MIDDLING, 1 / 6);
    const noisy = Array.from(minutes, (m, i) => ({
      minutes: m,
      celsius: chamberCelsius[i]! + 0.15 * Math.sin(i * 7.3),
    }));
    const few = thinned(noisy, 0.4);
    expect(noisy.length).toBeGreaterThan(1000);
    expect(few.length).toBeLessThan(60);
    const f0 = (chamber: Run['chamber']) => runHeat({ ...run, chamber }, MIDDLING, 1).coreF0;
    expect(Math.abs(f0(few) / f0(noisy) - 1)).toBeLessThan(0.02);
  });
});
