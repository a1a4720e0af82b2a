import fc from 'fast-check';
import {
  atmosphericPressure,
  chamberTemperature,
  convert,
  gaugePressureFor,
  saturationPressure,
  saturationTemperature,
  boiledMlPerMin,
  waterBudget,
  waterLostMl,
} from '../index.js';
import { outOfRange } from '../testing/refused.js';

describe('saturation', () => {
  it('pressure and temperature are each other’s inverse', () => {
    fc.assert(
      fc.property(fc.double({ min: 1, max: 300, noNaN: true }), (celsius) => {
        expect(saturationTemperature(saturationPressure(celsius))).toBeCloseTo(celsius, 6);
      }),
    );
  });

  it('refuses what the equation does not cover', () => {
    expect(() => saturationTemperature(0)).toThrowMatching(outOfRange('absolutePressure'));
    expect(() => saturationTemperature(NaN)).toThrowMatching(outOfRange('absolutePressure'));
    expect(() => saturationPressure(-1)).toThrowMatching(outOfRange('temperature', { min: 0 }));
    expect(() => saturationPressure(400)).toThrowMatching(outOfRange('temperature'));
  });
});

describe('the chamber', () => {
  const psi15 = convert(15, 'psi', 'kPa');

  it('is 2.9 °C cooler at 1 600 m at the same gauge', () => {
    expect(
      chamberTemperature({ gaugeKPa: psi15 }) - chamberTemperature({ gaugeKPa: psi15, altitudeM: 1600 }),
    ).toBeCloseTo(2.9, 1);
  });

  it('gets hotter with pressure, cooler with air and altitude', () => {
    const gauge = fc.double({ min: 0, max: 200, noNaN: true });
    const altitude = fc.double({ min: 0, max: 4000, noNaN: true });
    const air = fc.double({ min: 0, max: 0.8, noNaN: true });
    fc.assert(
      fc.property(gauge, altitude, air, (gaugeKPa, altitudeM, airFraction) => {
        const here = chamberTemperature({ gaugeKPa, altitudeM, airFraction });
        expect(chamberTemperature({ gaugeKPa: gaugeKPa + 1, altitudeM, airFraction })).toBeGreaterThan(here);
        expect(chamberTemperature({ gaugeKPa, altitudeM: altitudeM + 50, airFraction })).toBeLessThan(here);
        expect(chamberTemperature({ gaugeKPa, altitudeM, airFraction: airFraction + 0.01 })).toBeLessThan(
          here,
        );
      }),
    );
  });

  it('a barometer in the room wins over the altitude', () => {
    expect(chamberTemperature({ gaugeKPa: 0, altitudeM: 3000, atmosphereKPa: 101.325 })).toBeCloseTo(
      99.97,
      2,
    );
  });

  it('the gauge for a temperature gives that temperature', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 101, max: 135, noNaN: true }),
        fc.double({ min: 0, max: 3000, noNaN: true }),
        (celsius, altitudeM) => {
          expect(
            chamberTemperature({ gaugeKPa: gaugePressureFor({ celsius, altitudeM }), altitudeM }),
          ).toBeCloseTo(celsius, 6);
        },
      ),
    );
  });

  it('refuses senseless gauges, airs, altitudes and barometers', () => {
    expect(() => chamberTemperature({ gaugeKPa: -1 })).toThrowMatching(outOfRange('gaugePressure'));
    expect(() => chamberTemperature({ gaugeKPa: 1000 })).toThrowMatching(
      outOfRange('gaugePressure', { min: 0, max: 300 }),
    );
    expect(() => chamberTemperature({ gaugeKPa: 100, airFraction: 1 })).toThrowMatching(
      outOfRange('airShare'),
    );
    expect(() => atmosphericPressure(20_000)).toThrowMatching(
      outOfRange('altitude', { min: -430, max: 11_000 }),
    );
    expect(() => chamberTemperature({ gaugeKPa: 0, atmosphereKPa: 1013 })).toThrowMatching(
      outOfRange('barometer'),
    );
  });
});

describe('water', () => {
  it('starts with the loss and half as much again, in full bottles of 100 ml', () => {
    const budget = waterBudget({ ventMinutes: 10, holdMinutes: 150, leastMl: 500, mostMl: 5000 });
    expect(budget.lossMl).toBe(waterLostMl(10, 150));
    expect(budget.startMl).toBe(2100);
    expect(budget.leftMl).toBeGreaterThan(budget.lossMl * 0.4);
  });

  it('loses no more than its heat can boil: 0.85 kW makes 23 ml of steam a minute, never 35', () => {
    // 2 257 kJ/kg at 100 °C, steam tables: 0.85 kJ/s over 2 257 kJ/kg is 0.377 g/s.
    expect(boiledMlPerMin(0.85)).toBeCloseTo(0.377 * 60, 1);
    const loss = { ventMlPerMin: boiledMlPerMin(0.85), holdMlPerMin: 1 };
    expect(waterLostMl(10, 90, loss)).toBeCloseTo(316, 0);
    expect(waterLostMl(10, 90, { ...loss, factor: 2 })).toBeCloseTo(632, 0);
    expect(waterBudget({ ventMinutes: 10, holdMinutes: 90, leastMl: 300, mostMl: 1500, loss }).startMl).toBe(
      500,
    );
  });

  it('never starts below the manual’s least nor above what the load allows, and says when both cannot be', () => {
    expect(waterBudget({ ventMinutes: 10, holdMinutes: 30, leastMl: 2000, mostMl: 3500 }).startMl).toBe(2000);
    const long = waterBudget({ ventMinutes: 10, holdMinutes: 600, leastMl: 2000, mostMl: 3500 });
    expect(long.startMl).toBe(3500);
    expect(long.tooLong).toBeTrue();
  });
});
