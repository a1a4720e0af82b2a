import fc from 'fast-check';
import {
  MIDDLING,
  chamberAir,
  chamberTemperature,
  drawsAfter,
  effectiveCount,
  f0OfNineInTen,
  heatBand,
  measuredAir,
  overcook,
  priorDraws,
  runHeat,
  saturationPressure,
  seededRandom,
  simulateLoad,
  vesselAir,
  weightedQuantiles,
  type Observation,
  type Run,
} from '../../index.js';
import { outOfRange } from '../../testing/refused.js';

/** A quart of grain, 90 min at 121 °C. */
function quartRun(
  over: { vent?: number; hold?: number; chamberC?: number; radiusMm?: number; measured?: boolean } = {},
): Run {
  const { vent = 10, hold = 90, chamberC = 121, radiusMm = 43, measured } = over;
  const off = 30 + vent + hold;
  return {
    load: {
      kind: 'solid',
      shape: { kind: 'cylinder', radiusMm, heightMm: (110 * radiusMm) / 43 },
      wallFilm: 300,
      topFilm: 7,
    },
    chamber: [
      { minutes: 0, celsius: 20 },
      { minutes: 20, celsius: 100 },
      { minutes: 20 + vent, celsius: 100 },
      { minutes: 30 + vent, celsius: chamberC },
      { minutes: off, celsius: chamberC },
      { minutes: off + 30, celsius: 85 },
      { minutes: off + 120, celsius: 45 },
    ],
    initialCelsius: 20,
    ventMinutes: vent,
    closedAtMinutes: 20 + vent,
    measured,
  };
}
const draws = priorDraws(200, seededRandom(1));
const middle = (run: Run) => runHeat(run, MIDDLING, 1).coreF0;

describe('the heat in a vessel of a run', () => {
  it('never falls with pressure, venting, hold and a smaller vessel', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 112, max: 122, noNaN: true }),
        fc.double({ min: 0, max: 20, noNaN: true }),
        fc.double({ min: 30, max: 150, noNaN: true }),
        fc.double({ min: 30, max: 55, noNaN: true }),
        (chamberC, vent, hold, radiusMm) => {
          const over = { chamberC, vent, hold, radiusMm };
          const here = middle(quartRun(over));
          expect(middle(quartRun({ ...over, chamberC: chamberC + 1 }))).toBeGreaterThan(here);
          expect(middle(quartRun({ ...over, vent: vent + 2 }))).toBeGreaterThan(here);
          expect(middle(quartRun({ ...over, hold: hold + 5 }))).toBeGreaterThan(here);
          expect(middle(quartRun({ ...over, radiusMm: radiusMm * 0.95 }))).toBeGreaterThan(here);
        },
      ),
      { numRuns: 40 },
    );
  });

  it('never rises with the altitude at the same gauge', () => {
    fc.assert(
      fc.property(fc.double({ min: 0, max: 3000, noNaN: true }), (altitudeM) => {
        const at = (m: number) =>
          middle(quartRun({ chamberC: chamberTemperature({ gaugeKPa: 103.4, altitudeM: m }) }));
        expect(at(altitudeM + 100)).toBeLessThan(at(altitudeM));
      }),
      { numRuns: 20 },
    );
  });

  it('the wall gets more than the average, the average more than the middle; a liquid has neither', () => {
    const found = overcook(quartRun())!;
    expect(found.wallF0).toBeGreaterThan(found.meanF0);
    expect(found.meanF0).toBeGreaterThan(middle(quartRun()));
    expect(overcook({ ...quartRun(), load: { kind: 'liquid', timeConstantMinutes: 5 } })).toBeUndefined();
  });

  it('short venting harms through the air that the vessels keep', () => {
    expect(chamberAir(2)).toBeLessThan(0.01);
    expect(vesselAir(1)).toBeGreaterThan(0.4);
    expect(vesselAir(10)).toBeLessThan(0.03);
    expect(middle(quartRun({ vent: 1 })) / middle(quartRun())).toBeLessThan(0.7);
    // A thermometer beside the gauge sees the chamber's air; what stayed in the vessels it does not see.
    expect(middle(quartRun({ vent: 1, measured: true }))).toBeCloseTo(middle(quartRun({ vent: 1 })), 9);
    // What the gauge may be off is no doubt any more.
    const hot = Float64Array.of(0, 0, 0, 0, 0, 2);
    expect(runHeat(quartRun({ measured: true }), hot, 1).coreF0).toBeCloseTo(
      middle(quartRun({ measured: true })),
      9,
    );
    expect(runHeat(quartRun(), hot, 1).coreF0).toBeGreaterThan(middle(quartRun()));
  });

  it('air is measured where a thermometer sits beside the gauge', () => {
    expect(measuredAir(110, saturationPressure(110) / 0.8)).toBeCloseTo(0.2, 9);
    expect(measuredAir(121, saturationPressure(120))).toBe(0);
  });

  it('a liquid follows its chamber with a lag of one time constant', () => {
    const run: Run = { ...quartRun(), load: { kind: 'liquid', timeConstantMinutes: 5 } };
    const { coreCelsius } = runHeat(run, MIDDLING, 1);
    // Behind a ramp of 4 °C a minute it lags by four times its time constant.
    expect(100 - coreCelsius[20]!).toBeCloseTo(4 * 5 * (1 - Math.exp(-4)), 1);
    expect(middle(run)).toBeGreaterThan(75);
  });

  it('the middle draw is the solver’s own answer for middle figures', () => {
    const heat = runHeat(quartRun({ measured: true }), MIDDLING, 1);
    const same = simulateLoad({
      shape: { kind: 'cylinder', radiusMm: 43, heightMm: 110 },
      diffusivityM2PerS: Math.sqrt(1.2e-7 * 3.4e-7),
      films: { side: 25.8, bottom: 25.8, top: 0.602 },
      initialCelsius: 20,
      chamber: quartRun().chamber,
      at: 'coldest',
      cap: true,
      stepMinutes: 1,
    });
    expect(heat.coreF0 / same.coreF0).toBeCloseTo(1, 1);
  });
});

describe('the band', () => {
  it('is wide before anything was measured, the same for the same seed, and holds 8 in 10', () => {
    const band = heatBand(quartRun(), draws, 12);
    expect(band.coreF0.low).toBeLessThan(4);
    expect(band.coreF0.high).toBeGreaterThan(30);
    expect(band.chance).toBeGreaterThan(0.3);
    expect(band.chance).toBeLessThan(0.75);
    expect(heatBand(quartRun(), priorDraws(200, seededRandom(1)), 12)).toEqual(band);
    const inside = draws.normals.filter((row) => {
      const f0 = runHeat(quartRun(), row, 1).coreF0;
      return f0 >= band.coreF0.low && f0 <= band.coreF0.high;
    });
    expect(inside.length / 200).toBeCloseTo(0.8, 1);
    band.middle.forEach((c, i) => {
      expect(c).toBeGreaterThanOrEqual(band.low[i]!);
      expect(c).toBeLessThanOrEqual(band.high[i]!);
    });
  });

  it('counts on more draws give nearly the same band', () => {
    const many = heatBand(quartRun(), priorDraws(1500, seededRandom(5)), 12, 2);
    const few = heatBand(quartRun(), draws, 12, 2);
    expect(Math.log(few.coreF0.middle / many.coreF0.middle)).toBeCloseTo(0, 0);
    expect(few.chance).toBeCloseTo(many.chance, 0);
  });

  it('of nine in ten is told by a dozen runs as by two thousand draws, to a tenth', () => {
    const lots = priorDraws(2000, seededRandom(9));
    const broth: Run = { ...quartRun({ hold: 20 }), load: { kind: 'liquid', timeConstantMinutes: 5 } };
    for (const run of [broth, { ...broth, chamber: quartRun({ hold: 120, chamberC: 111 }).chamber }]) {
      const { low } = heatBand(run, lots, 12, 2).coreF0;
      expect(f0OfNineInTen(run) / low).toBeGreaterThan(0.9);
      expect(f0OfNineInTen(run) / low).toBeLessThan(1.1);
    }
  });

  it('quantiles follow the weights', () => {
    const [half, most] = weightedQuantiles([3, 1, 2], Float64Array.of(0.2, 0.5, 0.3), [0.5, 0.9]);
    expect(half).toBe(1);
    expect(most).toBe(3);
  });

  it('refuses a senseless target', () => {
    expect(() => heatBand(quartRun(), draws, NaN)).toThrowMatching(outOfRange('targetF0'));
  });
});

describe('what measuring changes', () => {
  const band = (seen: readonly Observation[]) =>
    heatBand(quartRun(), drawsAfter(seen, 400, seededRandom(2)), 12);
  const before = band([]);
  const truth = (z: number) => {
    const normals = Float64Array.of(z, 0, 0, 0, 0, 0);
    const run = quartRun();
    const heat = runHeat(run, normals, 1);
    const readings = [40, 55, 70, 85, 100, 115].map((minutes) => ({
      minutes,
      celsius: heat.coreCelsius[minutes]!,
    }));
    return { f0: heat.coreF0, hottest: Math.max(...heat.coreCelsius), readings, run };
  };

  it('a probe log narrows the band around the truth it came from', () => {
    for (const z of [-1.2, 0, 1.2]) {
      const real = truth(z);
      const after = band([{ kind: 'probe', run: real.run, readings: real.readings }]);
      const width = (b: typeof after) => Math.log(b.coreF0.high / b.coreF0.low);
      expect(width(after))
        .withContext(`z ${z}`)
        .toBeLessThan(0.7 * width(before));
      expect(real.f0).toBeGreaterThan(after.coreF0.low * 0.7);
      expect(real.f0).toBeLessThan(after.coreF0.high * 1.4);
    }
  });

  it('a reading counts at its own moment, also between the steps that are reckoned', () => {
    // The same jar, read while it heats up by a degree and more a minute, at whole and at odd minutes.
    const fine = runHeat(quartRun(), Float64Array.of(-1, 0, 0, 0, 0, 0), 0.25);
    const seenAt = (offset: number) => {
      const readings = [44, 49, 54, 59, 64, 69].map((minute) => ({
        minutes: minute + offset,
        celsius: fine.coreCelsius[(minute + offset) * 4]!,
      }));
      return band([{ kind: 'probe', run: quartRun(), readings }]).coreF0.middle;
    };
    for (const offset of [0.25, 0.75, 1.5]) {
      expect(Math.abs(seenAt(offset) / seenAt(0) - 1))
        .withContext(`${offset}`)
        .toBeLessThan(0.12);
    }
  });

  it('a probe in a slow jar lowers the chance, in a fast one it raises it', () => {
    const chance = (z: number) => {
      const real = truth(z);
      return band([{ kind: 'probe', run: real.run, readings: real.readings }]).chance;
    };
    expect(chance(-1.2)).toBeLessThan(0.1);
    expect(chance(1.2)).toBeGreaterThan(0.9);
  });

  it('spores that died say “at least so much”, spores that lived “less than that”', () => {
    const indicator = (survived: boolean): Observation => ({
      kind: 'indicator',
      run: quartRun(),
      survived,
      logPopulation: 6,
      dMinutes: 1.7,
    });
    const died = band([indicator(false)]);
    const lived = band([indicator(true)]);
    expect(died.coreF0.low).toBeGreaterThan(8);
    expect(died.coreF0.high).toBeGreaterThanOrEqual(before.coreF0.high * 0.9);
    expect(lived.coreF0.high).toBeLessThan(15);
    // Another cook’s beds may differ: what one jar shows holds for the next only in part.
    expect(died.chance).toBeGreaterThan(0.8);
    expect(lived.chance).toBeLessThan(0.15);
  });

  it('a maximum thermometer moves it the way it reads', () => {
    const at = (celsius: number) => band([{ kind: 'maximum', run: quartRun(), celsius }]).coreF0.middle;
    expect(at(119)).toBeGreaterThan(at(112));
    // It is read to a degree or so: what it shows is what the middle reached.
    const hottest = (z: number) => {
      const seen = band([{ kind: 'maximum', run: quartRun(), celsius: truth(z).hottest }]);
      return seen.coreF0.middle / truth(z).f0;
    };
    expect(hottest(-0.8)).toBeGreaterThan(0.6);
    expect(hottest(-0.8)).toBeLessThan(1.6);
  });

  it('proofs that contradict each other widen the band, and never leave it to one draw', () => {
    const probe = (z: number): Observation => {
      const { run, readings } = truth(z);
      return { kind: 'probe', run, readings };
    };
    const spores = (survived: boolean): Observation => ({
      kind: 'indicator',
      run: quartRun(),
      survived,
      logPopulation: 6,
      dMinutes: 1.7,
    });
    const width = (seen: readonly Observation[]) => {
      const { low, high } = band(seen).coreF0;
      return Math.log(high / low);
    };
    for (const [one, other] of [
      [probe(1.5), spores(true)],
      [probe(-1.5), spores(false)],
      [probe(-1.2), probe(1.2)],
      [spores(true), spores(false)],
      [{ kind: 'maximum', run: quartRun(), celsius: 100 }, spores(false)],
    ] satisfies [Observation, Observation][]) {
      const both = width([one, other]);
      const words = `${one.kind} and ${other.kind}`;
      expect(both)
        .withContext(words)
        .toBeGreaterThan(0.95 * Math.min(width([one]), width([other])));
      expect(effectiveCount(drawsAfter([one, other], 400, seededRandom(2))))
        .withContext(words)
        .toBeGreaterThan(50);
    }
    expect(band([probe(1.5), spores(true)]).isDoubted).toBe(true);
    expect(band([probe(1.5), spores(false)]).isDoubted).toBe(false);
    // A fast probe beside spores that lived: both ends stay possible.
    const torn = band([probe(1.5), spores(true)]).coreF0;
    expect(torn.low).toBeLessThan(12);
    expect(torn.high).toBeGreaterThan(20);
  });

  it('keeps enough draws when what was seen was unlikely', () => {
    const real = truth(2);
    const after = drawsAfter(
      [{ kind: 'probe', run: real.run, readings: real.readings }],
      400,
      seededRandom(3),
    );
    expect(effectiveCount(after)).toBeGreaterThan(40);
    expect(after.weights.reduce((a, b) => a + b, 0)).toBeCloseTo(1, 9);
  });
});

describe('shares of weighed draws', () => {
  it('are the values under which so much weight lies, and the last where the weights fall short', () => {
    const values = Float64Array.of(30, 10, 20);
    expect(weightedQuantiles(values, Float64Array.of(0.25, 0.5, 0.25), [0.5, 0.75, 1])).toEqual([10, 20, 30]);
    expect(weightedQuantiles(values, Float64Array.of(0.2, 0.3, 0.3), [0.95])).toEqual([30]);
  });
});
