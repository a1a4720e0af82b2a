import { countingsOf, shippedDefinitions, unitsEach, type CultureForm } from '../index.js';
import { usualDose } from './transfers.js';
import { START_MS } from '../testing/sample-house.js';

const { vesselTypes } = shippedDefinitions(new Date(START_MS).toISOString());
const vessel = (id: string) => vesselTypes.find((v) => v.id === id)!;

describe('how much came', () => {
  it('is told as a share of a full dish, jar or bag, or in swabs of a print', () => {
    expect(countingsOf('plate')).toEqual(['unit', 'share']);
    expect(countingsOf('print')).toEqual(['unit', 'swab']);
    expect(countingsOf('broth')).toEqual(['unit']);
    expect(0.5 * unitsEach('share', 'plate', vessel('culture-dish'))).toBe(20);
    expect(unitsEach('share', 'grain', vessel('culture-grain-bag'))).toBe(1361);
    expect(unitsEach('swab', 'print', vessel('culture-print'))).toBe(4);
    expect(unitsEach('unit', 'plate', vessel('culture-dish'))).toBe(1);
  });
});

describe('a dose says by what it is measured', () => {
  const rule = (from: CultureForm, to: CultureForm, id: string, plan = { vesselWetG: 600, vesselMl: 500 }) =>
    usualDose(from, { form: to, vessel: vessel(id), plan })!;

  it('the liter of a jar, the kilogram of a bag, the milliliter of a broth, the weight of what is poured', () => {
    expect(rule('broth', 'grain', 'quart-jar').rule).toEqual({
      per: 'liter',
      dose: 2.1,
      of: vessel('quart-jar').capacityMl / 1000,
    });
    expect(rule('broth', 'grain', 'grain-bag').rule).toEqual({ per: 'kilogram', dose: 2.2, of: 0.6 });
    expect(rule('broth', 'broth', 'pint-jar').rule).toEqual({ per: 'milliliter', dose: 0.003, of: 500 });
    expect(rule('grain', 'grain', 'quart-jar').rule).toEqual({ per: 'share', share: 0.125, ofG: 600 });
    expect(rule('plate', 'plate', 'dish-90').rule).toEqual({ per: 'vessel' });
  });

  it('and whence it is', () => {
    expect(rule('broth', 'grain', 'quart-jar').source).toBe('practice');
    expect(rule('grain', 'plate', 'dish-90').source).toBe('memory');
  });
});
