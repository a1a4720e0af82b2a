import {
  METRIC_UNITS,
  adviseTreatment,
  costOf,
  defaultHousehold,
  planCook,
  resolveFormula,
  scaleFormula,
  shippedDefinitions,
  type Material,
} from '../../../core/index';
import { unitsShown } from '../../data/words/measure-words';
import { reasonForCost, reasonForHold, reasonForShopping, reasonForTreatment } from './desk-reasons';

const records = shippedDefinitions();
const house = { ...defaultHousehold('2026-01-01T00:00:00.000Z'), altitudeM: 640 };
const priced = (materials: readonly Material[]) =>
  materials.map((m) => (m.id === 'wheat' ? { ...m, pricePerKg: 1.5 } : m));

function planned(formulaId: string, vesselId: string, materials = records.materials) {
  const formula = resolveFormula(
    records.formulas.find((f) => f.id === formulaId)!,
    materials,
  );
  const vessel = records.vesselTypes.find((v) => v.id === vesselId)!;
  const scaled = scaleFormula(formula, { vessel, count: 8, spare: 0.05 });
  return { formula, vessel, scaled };
}

describe('why a number of the Desk is what it is', () => {
  afterEach(() => {
    unitsShown.set(METRIC_UNITS);
  });

  it('a hold: the trade’s at the sea, this pressure here, the same heat, rounded up', () => {
    const { vessel, scaled } = planned('wheat-spawn', 'quart-jar');
    const appliance = records.appliances.find((a) => a.id === 'canner')!;
    const cook = planCook({ appliance, house, vessel, count: 8, vesselWetG: scaled.vesselWetG });
    const reason = reasonForHold(cook);
    expect(reason.title).toBe(`Why ${cook.holdMinutes} min`);
    expect(reason.steps.map((s) => s.text)[0]).toContain('at 15 psi at the sea');
    expect(reason.steps[1]).toEqual({ text: 'your pressure, where you are', result: '119.8 °C' });
    expect(reason.steps.at(-1)!.result).toBe(`${cook.holdMinutes} min`);
    expect(cook.holdMinutes % 5).toBe(0);
    unitsShown.set({ ...METRIC_UNITS, temperature: 'F', pressure: 'kPa' });
    expect(
      reasonForHold(cook)
        .steps.map((s) => `${s.text} ${s.result}`)
        .join(),
    ).toMatch(/at 103\.4 kPa at the sea.*247\.6 °F/);
  });

  it('sterilize or pasteurize: the nitrogen of each, and that the choice stays yours', () => {
    const plain = planned('straw', 'tub-12');
    const warm = reasonForTreatment(adviseTreatment('bulk', plain.scaled.parts), plain.scaled);
    expect(warm.title).toBe('Why pasteurize');
    const rich = planned('hardwood-bran', 'block-bag');
    const hot = reasonForTreatment(adviseTreatment('bulk', rich.scaled.parts), rich.scaled);
    expect(hot.title).toBe('Why sterilize');
    expect(hot.steps.some((s) => /\d\.\d\d % N/.test(s.result))).toBe(true);
    expect(hot.source).toContain('The choice stays yours');
  });

  it('a price: each ingredient, the cooks, one of them, and what is not priced by name', () => {
    const { scaled } = planned('wheat-spawn', 'quart-jar', priced(records.materials));
    const cost = costOf(scaled, { cookPrice: 1, boughtPrice: { jar: 9 } }, 2);
    const reason = reasonForCost(cost, scaled, '€');
    // 1.98 kg of wheat at 1.50, and two cooks at 1.
    expect(reason.steps[0]).toEqual(jasmine.objectContaining({ result: '€\u20092.97' }));
    expect(reason.steps.find((s) => s.text === 'cooks')!.result).toBe('€\u20092.00');
    expect(reason.title).toBe('Why €\u20094.97');
    expect(reason.likely).toMatch(/Bought, one is €\u20099\.00: saved/);
    expect(reason.source).toContain('none is given for');
    expect(reason.narrow).toBe('Give the prices under Materials');
  });

  it('a price by the packages that were bought, with the day, and the vessels that it uses up', () => {
    const materials = records.materials.map((m) =>
      m.id === 'wheat' ? { ...m, bought: { price: 18.5, massG: 20_000, on: '2026-10-03' } } : m,
    );
    const { scaled } = planned('wheat-spawn', 'quart-jar', materials);
    const vessel = { ...scaled.vessel, boughtPack: { price: 18, count: 12 } };
    const reason = reasonForCost(costOf({ ...scaled, vessel }, {}, 0), { ...scaled, vessel }, '');
    const lines = reason.steps.map((s) => `${s.text}: ${s.result}`);
    expect(lines).toContain('Wheat, whole, 18.50 for 20\u2009000 g, 3 Oct 2026: 1.83');
    expect(lines).toContain('quart jar, 1.50 each, filled 50 times: 0.24');
  });

  it('a shopping list: what is there, what is missing, and what was never counted', () => {
    const list = [
      { materialId: 'wheat', name: 'Wheat', needG: 1980, haveG: 500, missingG: 1480 },
      { materialId: 'gypsum', name: 'Gypsum', needG: 20, missingG: 20 },
      { materialId: 'bran', name: 'Bran', needG: 5, haveG: 900, missingG: 0 },
    ] satisfies Parameters<typeof reasonForShopping>[0];
    const reason = reasonForShopping(list);
    expect(reason.title).toBe('To buy');
    expect(reason.steps).toEqual([
      { text: 'Wheat: 1\u2009980 g, 500 g there', result: '1\u2009480 g' },
      { text: 'Gypsum: 20 g, never counted', result: '20 g' },
      { text: 'Bran: 5 g, 900 g there', result: 'enough' },
    ]);
    expect(reason.narrow).toBe('Count the shelf under Materials');
    expect(reasonForShopping(list.slice(2)).title).toBe('Nothing to buy');
  });
});
