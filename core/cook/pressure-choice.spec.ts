import {
  convert,
  defaultHousehold,
  planCook,
  pressuresOf,
  readPressureSteps,
  shippedDefinitions,
  usualGaugeKPa,
  type Appliance,
} from '../index.js';
import { outOfRange } from '../testing/refused.js';

const AT = '2026-01-01T00:00:00.000Z';
const { appliances, vesselTypes } = shippedDefinitions(AT);
const house = defaultHousehold(AT);
const psi = (value: number) => convert(value, 'psi', 'kPa');
const canner = (more: Partial<Appliance>): Appliance => ({ ...appliances[0]!, ...more });
const inPsi = (kPas: readonly number[]) =>
  kPas.map((kPa) => Math.round(convert(kPa, 'kPa', 'psi') * 10) / 10);
const jars = { house, vessel: vesselTypes.find((v) => v.id === 'quart-jar')!, count: 7, vesselWetG: 650 };

describe('the pressure that a cooker is set to', () => {
  it('is one of its weights, up to what is printed on it', () => {
    expect(inPsi(pressuresOf(canner({})).steps)).toEqual([5, 10, 15]);
    expect(inPsi(pressuresOf(canner({ ratedGaugeKPa: psi(10.2) })).steps)).toEqual([5, 10]);
    // Printed between two weights: then it has one of its own.
    expect(inPsi(pressuresOf(canner({ ratedGaugeKPa: psi(12) })).steps)).toEqual([5, 10, 12]);
    expect(inPsi(pressuresOf(canner({ ratedGaugeKPa: psi(20) })).steps)).toEqual([5, 10, 15, 20]);
    expect(pressuresOf(canner({})).isFree).toBeFalse();
    expect(inPsi([usualGaugeKPa(canner({ ratedGaugeKPa: psi(12) }))])).toEqual([12]);
    expect(inPsi([usualGaugeKPa(canner({ ratedGaugeKPa: psi(20) }))])).toEqual([20]);
  });

  it('is anything up to the rating where a dial shows it: 17 psi where it may', () => {
    const dial = canner({ gauge: 'dial', ratedGaugeKPa: psi(20) });
    expect(pressuresOf(dial).isFree).toBeTrue();
    expect(inPsi([usualGaugeKPa(dial)])).toEqual([15]);
    const at = planCook({ ...jars, appliance: dial, gaugeKPa: psi(17) });
    expect(inPsi([at.gaugeKPa])).toEqual([17]);
    expect(at.holdMinutes).toBeLessThan(planCook({ ...jars, appliance: dial }).holdMinutes);
    // Never above what is printed on it, whoever asks.
    expect(planCook({ ...jars, appliance: canner({ gauge: 'dial' }), gaugeKPa: psi(17) }).gaugeKPa).toBe(
      psi(15),
    );
  });

  it('is one of the steps of an electric one, and its only one where nothing is told', () => {
    const shut = { ...appliances[1]! };
    expect(inPsi(pressuresOf(shut).steps)).toEqual([11.6]);
    const steps = { ...shut, gaugeStepsKPa: [psi(7.2), psi(10.2), psi(15)] };
    // A step above what is printed on it is none.
    expect(inPsi(pressuresOf(steps).steps)).toEqual([7.2, 10.2]);
    expect(inPsi([usualGaugeKPa(steps)])).toEqual([10.2]);
  });

  it('of a cooker of 2 bar above the air outside is 2 bar, else what the house said of it', () => {
    const twoBar = canner({ ratedGaugeKPa: 200 });
    const plan = planCook({ ...jars, appliance: twoBar });
    expect(plan.gaugeKPa).toBe(200);
    // Saturated steam at 301.3 kPa: 133.7 °C, IAPWS-IF97.
    expect(plan.chamberC).toBeCloseTo(133.7, 1);
    expect(inPsi([usualGaugeKPa(canner({ usualGaugeKPa: psi(10) }))])).toEqual([10]);
    // What was said before its rating was put lower.
    expect(usualGaugeKPa(canner({ usualGaugeKPa: 200 }))).toBe(psi(15));
    expect(usualGaugeKPa(canner({ kind: 'steamDrum', ratedGaugeKPa: 0 }))).toBe(0);
  });

  it('of an electric one is read from a list, and none above its rating', () => {
    const read = (text: string) => inPsi(readPressureSteps(text, 'psi', psi(11.6), 'pressure'));
    expect(read('10.2, 7.2')).toEqual([7.2, 10.2]);
    expect(read('7.2; 11.6 11.6')).toEqual([7.2, 11.6]);
    expect(read('')).toEqual([]);
    expect(() => read('7.2, 15')).toThrowMatching(outOfRange('pressure', { value: 15, max: 11.6 }));
    expect(() => read('7.2, high')).toThrowError();
  });
});
