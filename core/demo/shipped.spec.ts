import {
  HydrationMethod,
  TABLE_NAMES,
  expectedFraction,
  forecastTogether,
  hydrationSteps,
  planCook,
  readRow,
  resolveFormula,
  scaleFormula,
  shippedDefinitions,
  tradeHold,
  vesselsFor,
} from '../index.js';
import { START_MS } from '../testing/sample-house.js';

const shipped = shippedDefinitions(new Date(START_MS).toISOString());

describe('what ships', () => {
  it('satisfies its schemas and names no id twice', () => {
    for (const table of TABLE_NAMES) {
      const ids = shipped[table].map((row) => row.id);
      expect(new Set(ids).size).withContext(table).toBe(ids.length);
      shipped[table].forEach((row) =>
        expect(readRow(table, row).ok).withContext(`${table} ${row.id}`).toBeTrue(),
      );
    }
  });

  it('has a source beside every figure', () => {
    const figures = [
      ...shipped.materials.flatMap((m) => [
        m.densityGPerL ?? m.moisture,
        m.moisture,
        m.carbon ?? m.moisture,
        m.nitrogen ?? m.moisture,
        m.solids ?? m.moisture,
        m.fieldCapacity ?? m.moisture,
      ]),
      ...shipped.formulas.flatMap((f) =>
        f.basis === 'perLiter' ? [f.strength, f.ph ?? f.strength] : [f.targetMoisture, f.settledGPerL],
      ),
      ...shipped.species.flatMap((s) => [s.incubationC, s.grainFullDay, s.blockFullDay, s.harvestDay]),
    ];
    figures.forEach((f) => {
      expect(f.source).toMatch(
        /from memory|common practice, no source|USDA|US test weight|NRAES-54|Codex STAN 12|chemical formula|FDA BAM/,
      );
      expect(f.low).toBeLessThanOrEqual(f.value);
      expect(f.high).toBeGreaterThanOrEqual(f.value);
    });
  });

  it('can be scaled into every vessel that may hold it, with sane amounts', () => {
    for (const formula of shipped.formulas) {
      const resolved = resolveFormula(formula, shipped.materials);
      const vessels = vesselsFor(formula.stage, shipped.vesselTypes);
      expect(vessels.length).withContext(formula.id).toBeGreaterThan(2);
      for (const vessel of vessels) {
        const scaled = scaleFormula(resolved, { vessel, count: 4, spare: 0.05, scaleStepG: 0.01 });
        // Compost comes as wet as it is wanted.
        expect(scaled.waterG).withContext(`${formula.id} ${vessel.id}`).toBeGreaterThan(-1e-6);
        expect(scaled.parts.every((p) => p.massG > 0)).toBeTrue();
        if (formula.basis !== 'perLiter') {
          expect(scaled.predictedMoisture).toBeCloseTo(formula.targetMoisture.value, 2);
        }
      }
    }
  });

  it('has only steps that can be told apart, the last of which fills', () => {
    for (const method of HydrationMethod.options) {
      const steps = hydrationSteps(method);
      expect(new Set(steps.map((s) => s.deed)).size).toBe(steps.length);
      expect(steps.at(-1)!.step).toBe('fill');
      steps.forEach((s) => {
        if (s.minutes !== undefined) {
          expect(s.minutes.least).toBeLessThanOrEqual(s.minutes.usual);
          expect(s.minutes.usual).toBeLessThanOrEqual(s.minutes.most);
        }
      });
    }
  });

  it('keeps every appliance’s water between its least and its most', () => {
    for (const appliance of shipped.appliances) {
      for (const [id, places] of Object.entries(appliance.places)) {
        const vessel = shipped.vesselTypes.find((v) => v.id === id)!;
        const plan = planCook({
          appliance,
          house: { altitudeM: 0, roomC: 20 },
          vessel,
          count: places,
          vesselWetG: 420,
        });
        expect(plan.water.startMl)
          .withContext(`${appliance.id} ${id}`)
          .toBeGreaterThanOrEqual(appliance.leastWaterMl);
        expect(plan.water.startMl).toBeLessThanOrEqual(appliance.mostWaterMl);
        expect(plan.holdMinutes).toBeGreaterThanOrEqual(tradeHold(vessel).least);
      }
    }
  });

  it('has species whose usual range is a forecast that a look can move', () => {
    for (const species of shipped.species) {
      const prior = {
        fullDay: species.grainFullDay.value,
        low: species.grainFullDay.low,
        high: species.grainFullDay.high,
      };
      const before = forecastTogether([], prior).batch;
      const day = Math.round(prior.fullDay * 0.5);
      const marks = [{ day, fraction: Math.min(1, expectedFraction(before, day) + 0.25) }];
      const ahead = forecastTogether([{ marks }], prior).batch;
      expect(ahead.fullDay).withContext(species.id).toBeLessThan(before.fullDay);
    }
  });
});
