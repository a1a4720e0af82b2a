import {
  characteristicM,
  coolAfterReading,
  coreCooling,
  shippedVesselTypes,
  thermalLoadOf,
  type CoolingLoad,
  type Stage,
} from '../index.js';
import { excessAfter } from '../heat/cooling.js';
import { coreByGrid } from '../testing/finite-volume.js';
import { CANNER_COOLING_RATE } from './canner-figures.js';

const vessels = shippedVesselTypes('2026-01-01T00:00:00.000Z');
const load = (id: string, stage: Stage = 'grain', over: Partial<CoolingLoad> = {}): CoolingLoad => ({
  contents: { vessel: vessels.find((v) => v.id === id)!, stage },
  chamberC: 121,
  roomC: 20,
  ...over,
});
const minutes = (...of: Parameters<typeof load>) => coreCooling(load(...of)).minutes;

describe('a core that cools', () => {
  it('takes its time by vessel and fill: small jars first, blocks last', () => {
    const order = [
      minutes('pint-jar'),
      minutes('quart-jar'),
      minutes('half-gallon-jar'),
      minutes('block-bag', 'bulk'),
    ];
    order.slice(1).forEach((one, i) => {
      expect(one.low).toBeGreaterThan(order[i]!.low);
      expect(one.high).toBeGreaterThan(order[i]!.high);
    });
    const half = minutes('quart-jar', 'grain', {
      contents: { vessel: vessels.find((v) => v.id === 'quart-jar')!, stage: 'grain', fill: 0.35 },
    });
    expect(half.high).toBeLessThan(minutes('quart-jar').high);
  });

  it('in the shut pot: a quart in 500 to 710 min, a block of 2.3 kg in 600 to 1020', () => {
    // Both ends were found by an implicit grid written for them, films 10 to 50 W/m²K, diffusivity 1.2 to 2e-7.
    const quart = minutes('quart-jar');
    const block = minutes('block-bag', 'bulk');
    for (const [found, grid] of [
      [quart.low, 500],
      [quart.high, 710],
      [block.low, 600],
      [block.high, 1020],
    ] as const) {
      expect(found / grid).toBeGreaterThan(0.95);
      expect(found / grid).toBeLessThan(1.05);
    }
  });

  it('agrees with the grid of the tests at its latest end', () => {
    const thermal = thermalLoadOf(load('block-bag', 'bulk').contents!);
    if (thermal.kind !== 'solid') {
      throw new Error('a block is solid');
    }
    const biot = (10 * characteristicM(thermal.shape)) / 0.5;
    const chamber = Array.from({ length: 289 }, (_, i) => ({
      minutes: i * 5,
      celsius: 20 + excessAfter(101, i * 5, CANNER_COOLING_RATE),
    }));
    const core = coreByGrid({
      shape: thermal.shape,
      diffusivityM2PerS: 1.2e-7,
      biot,
      initialCelsius: 121,
      chamber,
      cells: 12,
      stepMinutes: 5,
    });
    const grid = 5 * core.findIndex((celsius) => celsius <= 30);
    expect(minutes('block-bag', 'bulk').high / grid).toBeGreaterThan(0.98);
    expect(minutes('block-bag', 'bulk').high / grid).toBeLessThan(1.02);
  });

  it('is sooner cool once it is taken out, later in a warm room, and finite in a hot one', () => {
    const shut = minutes('quart-jar').high;
    expect(minutes('quart-jar', 'grain', { openedAfterMinutes: 60 }).high).toBeLessThan(shut);
    expect(minutes('quart-jar', 'grain', { openedAfterMinutes: 200 }).high).toBeGreaterThan(
      minutes('quart-jar', 'grain', { openedAfterMinutes: 60 }).high,
    );
    expect(minutes('quart-jar', 'grain', { roomC: 26 }).high).toBeGreaterThan(shut);
    expect(Number.isFinite(minutes('quart-jar', 'grain', { roomC: 35 }).high)).toBeTrue();
    expect(minutes('quart-jar', 'grain', { contents: undefined })).toEqual(minutes('quart-jar'));
    expect(minutes('bottle-500', 'liquid').high).toBeLessThan(shut);
  });

  it('is corrected by a reading of the glass: the cooler it is, the sooner, and cool is cool', () => {
    const quart = load('quart-jar');
    const after = [60, 45, 34].map((celsius) => coolAfterReading(quart, celsius));
    expect(after[0]).toBeGreaterThan(after[1]!);
    expect(after[1]).toBeGreaterThan(after[2]!);
    expect(after[2]).toBeGreaterThan(0);
    expect(coolAfterReading(quart, 30)).toBe(0);
    expect(coolAfterReading(quart, 121)).toBeCloseTo(minutes('quart-jar').high, -1.5);
  });
});
