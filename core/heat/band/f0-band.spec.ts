import { drawsAfter, f0Band, heatBand, runHeat, seededRandom, type Observation } from '../../index.js';
import { HELD } from '../../testing/held-vessels.js';
import { outOfRange } from '../../testing/refused.js';

describe('the band of F0 alone', () => {
  const CASES = {
    'quarts 90 min': HELD.quart(90),
    'quarts 75 min at 118 °C': HELD.quart(75, 118),
    'pints 60 min': HELD.pint(60),
    'blocks 150 min': HELD.block(150),
    'bottles 25 min': { ...HELD.quart(25), load: { kind: 'liquid', timeConstantMinutes: 6 } as const },
  };
  const near = (run: (typeof CASES)['quarts 90 min'], seen: readonly Observation[], words: string) => {
    const draws = drawsAfter(seen, 200, seededRandom(3));
    const [quick, whole] = [f0Band(run, draws, 12), heatBand(run, draws, 12)];
    for (const end of ['low', 'middle', 'high'] as const) {
      expect(Math.abs(quick.coreF0[end] / whole.coreF0[end] - 1))
        .withContext(`${words}, ${end}`)
        .toBeLessThan(0.06);
    }
    expect(Math.abs(quick.chance - whole.chance))
      .withContext(words)
      .toBeLessThan(0.02);
    expect([quick.draws, quick.isDoubted]).toEqual([whole.draws, whole.isDoubted]);
  };

  for (const [words, run] of Object.entries(CASES)) {
    it(`is nearly the band with its curve: ${words}`, () => {
      near(run, [], words);
    });
  }

  it('is so after a probe too', () => {
    const run = HELD.quart(90);
    const heat = runHeat(run, Float64Array.of(-0.9, 0.5, 0, 0, 0, -0.4), 1);
    const readings = [40, 55, 70, 85, 100, 115].map((m) => ({
      minutes: m,
      celsius: heat.coreCelsius[m]!,
    }));
    near(run, [{ kind: 'probe', run, readings }], 'probe');
  });

  it('refuses a senseless target', () => {
    expect(() => f0Band(HELD.pint(60), drawsAfter([], 200, seededRandom(1)), -1)).toThrowMatching(
      outOfRange('targetF0'),
    );
  });
});
