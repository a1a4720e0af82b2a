import { seededRandom } from '../../index.js';
import { HELD } from '../../testing/held-vessels.js';
import { normalRows } from '../load/draws.js';
import { HEAT_NORMALS } from '../load/uncertain-load.js';
import { foretold, nearlyForetold } from './foretold.js';

describe('what a draw nearly foretells of a run', () => {
  it('is what it foretells where only the bed differs, and lies near where all does', () => {
    const run = HELD.quart(90);
    const minutes = [45, 60, 75, 90, 120];
    const nearly = nearlyForetold(run, minutes);
    const plain = Float64Array.of(-1, 0, 0, 0, 0, 0);
    const exact = foretold(run, minutes, plain);
    expect(nearly(plain).f0).toBeCloseTo(exact.f0, 9);
    expect(nearly(plain).hottestC).toBeCloseTo(exact.hottestC, 9);
    nearly(plain).celsius.forEach((c, i) => {
      expect(c).toBeCloseTo(exact.celsius[i]!, 9);
    });
    const misses = normalRows(200, seededRandom(5), HEAT_NORMALS).map((row) => {
      const [near, real] = [nearly(row), foretold(run, minutes, row)];
      return {
        celsius: Math.max(...near.celsius.map((c, i) => Math.abs(c - real.celsius[i]!))),
        f0: Math.abs(Math.log(near.f0 / real.f0)),
      };
    });
    const middle = (of: (miss: (typeof misses)[number]) => number) =>
      misses.map(of).sort((a, b) => a - b)[misses.length / 2]!;
    expect(middle((m) => m.celsius)).toBeLessThan(1);
    expect(middle((m) => m.f0)).toBeLessThan(0.15);
  });
});
