import fc from 'fast-check';
import {
  SCHOOLS,
  dryBasis,
  hydrationProgress,
  hydrationSteps,
  likelyUptake,
  nextTime,
  pelegMoisture,
  schoolOf,
  shippedMaterials,
  stepsOf,
  uptakeAfter,
  uptakeCurve,
  uptakeStages,
  uptakeWindow,
  wetBasis,
} from '../index.js';
import { outOfRange } from '../testing/refused.js';

const materials = shippedMaterials('2026-01-01T00:00:00.000Z');
const material = (id: string) => materials.find((m) => m.id === id)!;
const wheat = material('wheat');
const moistureAfter = (minutes: Partial<Record<'soak' | 'simmer', number>>, id = 'wheat') =>
  uptakeCurve(material(id), uptakeStages('soak-simmer', 20, minutes)).points.at(-1)!.moisture;

describe('Peleg’s uptake', () => {
  it('starts at its beginning and ends at M0 + 1/k2', () => {
    expect(pelegMoisture({ initial: 0.14, k1: 90, k2: 0.7, minutes: 0 })).toBe(0.14);
    expect(pelegMoisture({ initial: 0.14, k1: 90, k2: 0.7, minutes: 1e6 })).toBeCloseTo(0.14 + 1 / 0.7, 3);
  });

  it('is the rate form, so that pieces of a soak add up to the whole', () => {
    const number = (min: number, max: number) => fc.double({ min, max, noNaN: true });
    fc.assert(
      fc.property(
        number(0.05, 0.3),
        number(20, 400),
        number(0.4, 1.2),
        number(0, 900),
        number(0, 900),
        (m0, k1, k2, a, b) => {
          const [end, rate] = [m0 + 1 / k2, k2 ** 2 / k1];
          const whole = pelegMoisture({ initial: m0, k1, k2, minutes: a + b });
          expect(uptakeAfter(uptakeAfter(m0, end, rate, a), end, rate, b)).toBeCloseTo(whole, 9);
          expect(uptakeAfter(m0, end, rate, a + b)).toBeCloseTo(whole, 9);
        },
      ),
    );
  });

  it('refuses constants that are none, by name', () => {
    expect(() => pelegMoisture({ initial: 0.1, k1: 0, k2: 1, minutes: 1 })).toThrowMatching(outOfRange('k1'));
    expect(() => pelegMoisture({ initial: 0.1, k1: 1, k2: 1, minutes: -1 })).toThrowMatching(
      outOfRange('time'),
    );
    expect(() => pelegMoisture({ initial: NaN, k1: 1, k2: 1, minutes: 1 })).toThrowMatching(
      outOfRange('dryBasisMoisture'),
    );
  });

  it('turns wet basis into dry basis and back', () => {
    fc.assert(
      fc.property(fc.double({ min: 0, max: 0.98, noNaN: true }), (w) => {
        expect(wetBasis(dryBasis(w))).toBeCloseTo(w, 12);
      }),
    );
    expect(() => dryBasis(1)).toThrowMatching(outOfRange('moisture', { max: 0.99 }));
  });
});

describe('predicted moisture of a grain', () => {
  it('never falls with time, and is faster when hot and for small kernels', () => {
    expect(moistureAfter({ soak: 60 })).toBeLessThan(moistureAfter({ soak: 600 }));
    expect(moistureAfter({ simmer: 5 })).toBeLessThan(moistureAfter({ simmer: 20 }));
    const soaked = (roomC: number) =>
      uptakeCurve(wheat, [{ step: 'soak', words: 'soak', minutes: 300, celsius: roomC }]).points.at(-1)!
        .moisture;
    expect(soaked(10)).toBeLessThan(soaked(30));
    const { points } = uptakeCurve(material('maize'), uptakeStages('soak-simmer', 20));
    points.slice(1).forEach((p, i) => expect(p.moisture).toBeGreaterThanOrEqual(points[i]!.moisture));
    expect(moistureAfter({}, 'maize')).toBeLessThan(moistureAfter({}, 'wheat'));
  });

  it('stands between 45 and 55 % after every school that heats, and below after the cold soak', () => {
    for (const school of SCHOOLS.filter((s) => s.method !== 'measured-jar')) {
      const end = uptakeCurve(wheat, uptakeStages(school.method, 20)).points.at(-1)!.moisture;
      if (school.method === 'cold-soak') {
        expect(end).toBeLessThan(0.45);
        expect(end).toBeGreaterThan(0.38);
      } else {
        expect(end).withContext(school.method).toBeGreaterThan(0.45);
        expect(end).withContext(school.method).toBeLessThan(0.55);
      }
    }
  });

  it('ends with the last minute of its last stage, whether the pot is held or cools', () => {
    for (const method of ['soak-simmer', 'soak-hot-rest', 'cold-soak', 'simmer-only'] as const) {
      const stages = uptakeStages(method, 20);
      const { points, ends } = uptakeCurve(wheat, stages);
      let clock = 0;
      const ending = stages.map(({ minutes }) => (clock += minutes));
      ends.forEach((end, i) => expect(end.minutes).toBeCloseTo(ending[i]!, 6));
      expect(points.at(-1)).toBe(ends.at(-1));
    }
  });

  it('finds the window of the last stage, within which the target lies', () => {
    const stages = uptakeStages('soak-simmer', 20);
    const found = uptakeWindow(wheat, stages, { low: 0.45, target: 0.5, high: 0.55 });
    expect(found.low!).toBeLessThan(found.target!);
    expect(found.target!).toBeLessThan(found.high!);
    expect(moistureAfter({ simmer: found.target! })).toBeCloseTo(0.5, 3);
    expect(uptakeWindow(wheat, stages, { low: 0.1, target: 0.5, high: 0.7 })).toEqual(
      jasmine.objectContaining({ low: 0, high: undefined }),
    );
    expect(uptakeWindow(wheat, [], { low: 0.4, target: 0.5, high: 0.6 })).toEqual({});
  });
});

describe('hydration schools', () => {
  it('are seven, each with its reason and its cost', () => {
    expect(SCHOOLS.length).toBe(7);
    SCHOOLS.forEach((s) => {
      expect(schoolOf(s.method)).toBe(s);
      expect(hydrationSteps(s.method).length).toBeGreaterThan(0);
      expect(s.reason.length * s.cost.length).toBeGreaterThan(0);
    });
    expect(schoolOf('mix')).toBeUndefined();
  });

  it('end in cooling when it is pasteurized, and keep planned minutes', () => {
    const straw = { hydration: 'soak-drain', parts: [] } as const;
    expect(stepsOf({ formula: straw, plan: { treatment: 'pasteurize' } }).map((s) => s.step)).toEqual([
      'soak',
      'drain',
      'pasteurize',
      'cooled',
    ]);
    const steps = stepsOf({ formula: { hydration: 'soak-simmer' }, plan: { stepMinutes: { simmer: 9 } } });
    expect(steps.find((s) => s.step === 'simmer')!.minutes!.usual).toBe(9);
    expect(steps.find((s) => s.step === 'soak')!.minutes!.usual).toBe(840);
    expect(stepsOf({})).toEqual([]);
  });
});

describe('next time', () => {
  const now = { method: 'soak-simmer', material: wheat, targetMoisture: 0.5, roomC: 20 } as const;

  it('simmers shorter after two wet weighings, longer after two dry ones', () => {
    const wet = nextTime(
      [
        { targetMoisture: 0.5, weighedMoisture: 0.515 },
        { targetMoisture: 0.5, weighedMoisture: 0.522 },
      ],
      now,
    );
    const dry = nextTime(
      [
        { targetMoisture: 0.5, weighedMoisture: 0.47 },
        { targetMoisture: 0.5, weighedMoisture: 0.48 },
      ],
      now,
    );
    expect(wet).toEqual(jasmine.objectContaining({ kind: 'minutes', step: 'simmer', from: 12 }));
    expect(wet?.to).toBeLessThan(12);
    expect(dry?.to).toBeGreaterThan(12);
    expect(dry?.to).toBeLessThanOrEqual(24);
    expect(wet?.because).toContain('51.5 % and 52.2 %');
  });

  it('says nothing after one weighing, two that disagree, or two that were right', () => {
    const at = (...moistures: number[]) =>
      moistures.map((weighedMoisture) => ({ targetMoisture: 0.5, weighedMoisture }));
    expect(nextTime(at(0.53), now)).toBeUndefined();
    expect(nextTime(at(0.53, 0.47), now)).toBeUndefined();
    expect(nextTime(at(0.501, 0.505), now)).toBeUndefined();
    expect(nextTime([], now)).toBeUndefined();
  });

  it('takes a wet spot or a dry core where nothing was weighed', () => {
    expect(nextTime([{ targetMoisture: 0.5, tissue: 'wet' }], now)).toEqual(
      jasmine.objectContaining({ step: 'simmer', to: 10 }),
    );
    expect(nextTime([{ targetMoisture: 0.5, tissue: 'wet' }], now)?.because).toContain('left a wet spot');
    expect(nextTime([{ targetMoisture: 0.5, tissue: 'dry' }], now)?.to).toBe(14);
    expect(nextTime([{ targetMoisture: 0.5, tissue: 'dry' }], now)?.because).toContain('kept a dry core');
    expect(nextTime([{ targetMoisture: 0.5, tissue: 'dry' }], { ...now, method: 'cold-soak' })?.to).toBe(
      16 * 60 + 120,
    );
    expect(nextTime([{ targetMoisture: 0.5, tissue: 'right' }], now)).toBeUndefined();
    expect(nextTime([{ targetMoisture: 0.5, tissue: 'wet', weighedMoisture: 0.5 }], now)).toBeUndefined();
  });

  it('learns from a squeeze: what was right is taken, what was wet or dry moves the target', () => {
    const mix = { ...now, method: 'mix', targetMoisture: 0.62 } as const;
    const past = (squeeze: 'dry' | 'right' | 'wet', mixedMoisture: number) => [
      { targetMoisture: 0.62, squeeze, mixedMoisture },
    ];
    expect(nextTime(past('right', 0.655), mix)).toEqual(
      jasmine.objectContaining({ kind: 'moisture', to: 0.655 }),
    );
    expect(nextTime(past('wet', 0.62), mix)?.to).toBeCloseTo(0.6, 9);
    expect(nextTime(past('dry', 0.62), mix)?.to).toBeCloseTo(0.64, 9);
    expect(nextTime(past('right', 0.621), mix)).toBeUndefined();
  });

  it('dries on after a wet spot and heats on for a dry core, from the test on; a clean one changes nothing', () => {
    const steps = hydrationSteps('soak-simmer');
    const at = (result: 'wet' | 'dry' | 'right', testMs: number) =>
      hydrationProgress(steps, 'drain', 1e9, { result, atMs: testMs });
    expect(at('wet', 1e9 + 60_000)).toEqual(
      jasmine.objectContaining({ sinceMs: 1e9 + 60_000, dueMs: 1e9 + 11 * 60_000 }),
    );
    expect(at('dry', 1e9).dueMs).toBe(1e9 + 5 * 60_000);
    const untouched = hydrationProgress(steps, 'drain', 1e9);
    expect(at('right', 1e9 + 60_000)).toEqual(untouched);
    // A test of an earlier step says nothing of this one.
    expect(at('wet', 1e9 - 1)).toEqual(untouched);
    expect(at('wet', 1e9).following?.step).toBe('dryEnough');
  });

  it('brings flat maize to what soaks and steeps are known for, and says where a school misses what is wanted', () => {
    const maize = uptakeCurve(material('maize'), uptakeStages('soak-simmer', 20)).ends.map((e) => e.moisture);
    // 14 h in the cold, and simmered after it: from memory; a steep for wet milling ends at about 45 %.
    expect(maize[0]).toBeGreaterThan(0.27);
    expect(maize[0]).toBeLessThan(0.36);
    expect(maize[1]).toBeGreaterThan(0.36);
    expect(maize[1]).toBeLessThan(0.45);
    expect(likelyUptake(material('sorghum'), 'cold-soak', 0.5)!.gap).toBe('drier');
    expect(likelyUptake(wheat, 'soak-simmer', 0.5)!.gap).toBeUndefined();
    expect(likelyUptake(wheat, 'simmer-only', 0.35)!.gap).toBe('wetter');
    expect(likelyUptake(wheat, 'measured-jar', 0.5)).toBeUndefined();
    expect(likelyUptake(wheat, 'soak-simmer', 0.5, { minutes: { simmer: 60 } })!.moisture).toBeGreaterThan(
      0.53,
    );
  });
});
