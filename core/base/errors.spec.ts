import { CoreError, requireText, requireWithin, unlessRefused, type RangeRule } from '../index.js';
import { outOfRange, refused } from '../testing/refused.js';

describe('a refused input', () => {
  const rule: RangeRule = { field: 'moisture', min: 0, max: 0.99, unit: ' %', shownTimes: 100 };

  it('names field, range and value, and how a person reads them', () => {
    expect(() => requireWithin(5, rule)).toThrowMatching(outOfRange('moisture', { ...rule, value: 5 }));
    expect(() => requireWithin(-1, { field: 'altitude', min: 0, max: 5000, unit: ' m' })).toThrowMatching(
      outOfRange('altitude', { value: -1, unit: ' m' }),
    );
  });

  it('asks for whole numbers where halves make no sense', () => {
    const whole: RangeRule = { field: 'count', min: 1, max: 500, whole: true };
    expect(requireWithin(8, whole)).toBe(8);
    expect(() => requireWithin(8.5, whole)).toThrowMatching(outOfRange('count', { whole: true, value: 8.5 }));
  });

  it('never lets NaN, an infinity or a text through', () => {
    for (const value of [NaN, Infinity, -Infinity, '0.5' as unknown as number]) {
      expect(() => requireWithin(value, rule)).toThrowMatching(refused('out-of-range'));
    }
  });

  it('takes both ends of the range', () => {
    expect(requireWithin(0, rule)).toBe(0);
    expect(requireWithin(0.99, rule)).toBe(0.99);
  });

  it('takes a name without the blanks around it, and none that is empty or too long', () => {
    expect(requireText('  rye ', { label: 'Name' }, 5)).toBe('rye');
    expect(requireText('wheat', { label: 'Name' }, 5)).toBe('wheat');
    for (const [text, length] of [
      [' ', 0],
      ['barley', 6],
    ] as const) {
      expect(() => requireText(text, { label: 'Name' }, 5)).toThrowMatching(
        refused('bad-text', { field: { label: 'Name' }, least: 1, most: 5, length }),
      );
    }
  });

  it('says on the console what it is, by its code and what is told with it', () => {
    const error = new CoreError('unknown-unit', { unit: 'stone', known: ['g', 'kg'] });
    expect(error.name).toBe('CoreError');
    expect(error.message).toBe('unknown-unit {"unit":"stone","known":["g","kg"]}');
    expect(error instanceof RangeError).toBeTrue();
  });

  it('gives way to something else where that is asked for; a fault does not', () => {
    expect(unlessRefused(() => requireWithin(2, rule), 0.5)).toBe(0.5);
    expect(unlessRefused(() => requireWithin(0.2, rule), 0.5)).toBe(0.2);
    const fault = () => {
      throw new TypeError('ours');
    };
    expect(() => unlessRefused(fault, 0.5)).toThrowError(TypeError, 'ours');
  });
});
