import { isRefusal } from '../base/errors.js';
import { parseIn, parseWithin } from './parse-number.js';
import { METRIC_UNITS, shownIn, unitShown, type UnitChoices } from './shown-units.js';

const KITCHEN: UnitChoices = {
  temperature: 'F',
  mass: 'oz',
  volume: 'cup',
  length: 'inch',
  pressure: 'bar',
};

/** Why it was refused: the code with what is told. */
function refusal(act: () => unknown): unknown {
  try {
    act();
  } catch (error) {
    if (isRefusal(error)) {
      return { code: error.code, ...error.params };
    }
  }
  return undefined;
}

describe('the unit in which a figure is shown', () => {
  it('is the one that was chosen for its kind, large with large and small with small', () => {
    expect(
      (['C', 'g', 'kg', 'ml', 'l', 'mm', 'm', 'kPa', 'psi'] as const).map((u) => unitShown(u, KITCHEN)),
    ).toEqual(['F', 'oz', 'lb', 'cup', 'quart', 'inch', 'foot', 'bar', 'bar']);
    expect(unitShown('kPa', METRIC_UNITS)).toBe('psi');
    // A barometer is read in hectopascals, minutes are minutes.
    expect(unitShown('hPa', KITCHEN)).toBe('hPa');
    expect(unitShown('min', KITCHEN)).toBe('min');
  });

  it('turns a value there and back by the factors of NIST Handbook 44', () => {
    // Exact: 1 lb = 453.59237 g, 1 in = 25.4 mm, °F = 1.8 °C + 32, 1 US cup = 236.5882365 ml.
    for (const [sign, own, shown] of [
      ['°C', 100, 212],
      ['°C', -40, -40],
      ['kg', 0.45359237, 1],
      ['g', 453.59237, 16],
      ['ml', 236.5882365, 1],
      ['mm', 25.4, 1],
    ] as const) {
      const unit = shownIn(sign, KITCHEN);
      expect(unit.toShown(own)).withContext(sign).toBeCloseTo(shown, 9);
      expect(unit.toOwn(shown)).withContext(sign).toBeCloseTo(own, 9);
    }
    expect(shownIn(' °C', KITCHEN).sign).toBe('°F');
  });

  it('leaves what has no other unit, and what is read in its own already', () => {
    for (const [sign, choices] of [
      ['%', KITCHEN],
      ['kWh', KITCHEN],
      ['', KITCHEN],
      ['g', METRIC_UNITS],
    ] as const) {
      const unit = shownIn(sign, choices);
      expect([unit.sign, unit.toShown(7), unit.toOwn(7)]).toEqual([sign, 7, 7]);
    }
  });
});

describe('a number that is typed in another unit than it is kept in', () => {
  it('is taken in the unit that stands beside the field, unless another is typed', () => {
    expect(parseIn('84', 'room', '°C', '°F')).toBeCloseTo(28.888_889, 5);
    expect(parseIn('84 C', 'room', '°C', '°F')).toBe(84);
    expect(parseIn('84 °F', 'room', '°C', '°F')).toBeCloseTo(28.888_889, 5);
    expect(parseIn('2', 'amount', 'ml', 'cups')).toBeCloseTo(473.176_473, 5);
    expect(parseIn('½', 'amount', 'g', 'oz')).toBeCloseTo(14.174_762, 5);
  });

  it('may be two of one kind, as kitchen scales show pounds', () => {
    expect(parseIn('2 lb 3 oz', 'amount', 'g', 'oz')).toBeCloseTo(992.233, 3);
    expect(parseIn('5 ft 3 in', 'altitude', 'm')).toBeCloseTo(1.6002, 9);
    expect(refusal(() => parseIn('2 lb 3 C', 'amount', 'g'))).toEqual(
      jasmine.objectContaining({ code: 'other-kind-of-unit', kind: 'mass' }),
    );
  });

  it('is held to a range in its own unit, and asked about when it only makes sense in the other', () => {
    const room = { field: 'room', min: 5, max: 40, unit: ' °C', shown: '°F' } as const;
    expect(parseWithin('68', room)).toBeCloseTo(20, 9);
    // 20 °F is 7 below zero; 20 °C is a room.
    expect(refusal(() => parseWithin('20', room))).toEqual(
      jasmine.objectContaining({ code: 'out-of-range', perhaps: { unit: 'C', value: 20 } }),
    );
  });

  it('is asked about where both would be allowed and only the other is likely', () => {
    const core = {
      field: 'temperature',
      min: -20,
      max: 150,
      unit: ' °C',
      likely: { low: 5, high: 60 },
    } as const;
    expect(refusal(() => parseWithin('84', core))).toEqual(
      jasmine.objectContaining({
        code: 'which-unit',
        value: 84,
        perhaps: { unit: 'F', value: jasmine.any(Number) },
      }),
    );
    // Said so, or likely as it stands, or likely in neither: taken.
    expect(parseWithin('84 C', core)).toBe(84);
    expect(parseWithin('84 F', core)).toBeCloseTo(28.9, 1);
    expect(parseWithin('45', core)).toBe(45);
    expect(parseWithin('145', core)).toBe(145);
  });
});
