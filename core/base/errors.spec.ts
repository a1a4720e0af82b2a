import { CoreError, UnitError, requireWithin } from '../index.js';

describe('a refused input', () => {
  const rule = { field: 'Moisture', min: 0, max: 0.99, unit: ' %', shownTimes: 100 };

  it('names field, range and value as a person reads them', () => {
    expect(() => requireWithin(5, rule)).toThrowError(
      CoreError,
      'Moisture must be between 0 and 99 %. You gave 500 %.',
    );
    expect(() => requireWithin(-1, { field: 'Altitude', min: 0, max: 5000, unit: ' m' })).toThrowError(
      CoreError,
      'Altitude must be between 0 and 5000 m. You gave -1 m.',
    );
  });

  it('asks for whole numbers where halves make no sense', () => {
    const whole = { field: 'How many', min: 1, max: 500, whole: true };
    expect(requireWithin(8, whole)).toBe(8);
    expect(() => requireWithin(8.5, whole)).toThrowError(
      CoreError,
      'How many must be a whole number between 1 and 500. You gave 8.5.',
    );
  });

  it('never lets NaN or an infinity through', () => {
    for (const value of [NaN, Infinity, -Infinity]) {
      expect(() => requireWithin(value, rule)).toThrowError(CoreError);
    }
    expect(() => requireWithin('0.5' as unknown as number, rule)).toThrowError(CoreError, /You gave 0\.5/);
  });

  it('takes both ends of the range and hides the rounding of floating numbers', () => {
    expect(requireWithin(0, rule)).toBe(0);
    expect(requireWithin(0.99, rule)).toBe(0.99);
    expect(() => requireWithin(0.1 + 0.2, { field: 'x', min: 0, max: 0.25 })).toThrowError(
      CoreError,
      /You gave 0\.3\./,
    );
  });

  it('carries code, field and value for the interface', () => {
    const error = new UnitError('unknown-unit', 'Unit', 'stone', 'one of g, kg');
    expect([error.code, error.field, error.value, error.allowed]).toEqual([
      'unknown-unit',
      'Unit',
      'stone',
      'one of g, kg',
    ]);
    expect(error.name).toBe('UnitError');
    expect(error instanceof CoreError).toBeTrue();
    expect(new CoreError('not-found', 'Vessel', undefined, 'known').message).toBe(
      'Vessel must be known. You gave nothing.',
    );
    expect(new CoreError('not-found', 'Vessel', 'x'.repeat(60), 'known').message.length).toBeLessThan(80);
  });
});
