import fc from 'fast-check';
import {
  CoreError,
  UNITS,
  convert,
  decimalsOf,
  durationWords,
  formatNumber,
  kitchenMeasure,
  parseNumber,
  parseWithin,
  percentWords,
  roundToStep,
  type RangeRule,
  type UnitName,
  formatAmount,
} from '../index.js';
import { outOfRange, refused } from '../testing/refused.js';

const names = Object.keys(UNITS) as UnitName[];

describe('convert', () => {
  it('round-trips between any two units of a kind', () => {
    const pair = fc
      .constantFrom(...names)
      .chain((from) =>
        fc.tuple(
          fc.constant(from),
          fc.constantFrom(...names.filter((n) => UNITS[n].kind === UNITS[from].kind)),
        ),
      );
    fc.assert(
      fc.property(pair, fc.double({ min: -1e6, max: 1e6, noNaN: true }), ([from, to], value) => {
        expect(convert(convert(value, from, to), to, from)).toBeCloseTo(value, 5);
      }),
    );
  });

  it('round-trips through a density', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0, max: 1e5, noNaN: true }),
        fc.double({ min: 0.05, max: 20, noNaN: true }),
        (cups, densityGPerMl) => {
          expect(
            convert(convert(cups, 'cup', 'oz', { densityGPerMl }), 'oz', 'cup', { densityGPerMl }),
          ).toBeCloseTo(cups, 6);
        },
      ),
    );
  });

  it('asks for a density between volume and mass, and refuses a senseless one', () => {
    expect(() => convert(1, 'cup', 'g')).toThrowMatching(refused('density-needed'));
    expect(() => convert(1, 'cup', 'g', { densityGPerMl: 0 })).toThrowMatching(refused('density-needed'));
    expect(() => convert(1, 'cup', 'g', { densityGPerMl: NaN })).toThrowMatching(refused('density-needed'));
  });

  it('refuses kinds that do not meet, unknown units and what is not finite', () => {
    expect(() => convert(1, 'psi', 'g')).toThrowMatching(refused('other-kind-of-unit', { kind: 'pressure' }));
    expect(() => convert(1, 'stone' as UnitName, 'g')).toThrowMatching(
      refused('unknown-unit', { unit: 'stone' }),
    );
    expect(() => convert(1, 'toString' as UnitName, 'g')).toThrowMatching(refused('unknown-unit'));
    expect(() => convert(Infinity, 'g', 'kg')).toThrowMatching(refused('not-finite'));
  });
});

describe('parseNumber', () => {
  const cases: readonly [string, number][] = [
    ['8', 8],
    [' 8 ', 8],
    ['1 982', 1982],
    ['1\u2009982', 1982],
    ['1,5', 1.5],
    ['1.5', 1.5],
    ['1,982.5', 1982.5],
    ['1,500', 1500],
    ['12,500,000', 12_500_000],
    ['1.000', 1],
    ['0,125', 0.125],
    ['1 200,500', 1200.5],
    ['.5', 0.5],
    ['-3', -3],
    ['2/3', 2 / 3],
    ['1 1/2', 1.5],
    ['½', 0.5],
    ['1½', 1.5],
    ['2 ¾', 2.75],
    ['1e9', 1e9],
  ];
  for (const [text, value] of cases) {
    it(`reads "${text}" as ${value}`, () => {
      expect(parseNumber(text, 'volume')).toBeCloseTo(value, 12);
    });
  }

  for (const text of [
    '',
    'abc',
    '12 grams',
    '1.2.3',
    '1/0',
    'NaN',
    'Infinity',
    '--2',
    '1e999',
    '9'.repeat(40),
  ]) {
    it(`refuses "${text.slice(0, 12)}" by the field's name`, () => {
      expect(() => parseNumber(text, 'volume')).toThrowMatching(refused('not-a-number', { field: 'volume' }));
    });
  }

  it('reads back every number that is shown', () => {
    fc.assert(
      fc.property(fc.integer({ min: -9_999_999, max: 9_999_999 }), (n) => {
        expect(parseNumber(formatNumber(n / 100, 2).replace('−', '-'), 'mass')).toBeCloseTo(n / 100, 9);
      }),
    );
  });
});

describe('parseWithin', () => {
  const rule = { field: 'volume', min: 0.5, max: 30, unit: ' ml' } as const;

  it('reads a number and holds it to its range, naming both', () => {
    expect(parseWithin('1½', rule)).toBe(1.5);
    expect(() => parseWithin('31', rule)).toThrowMatching(
      outOfRange('volume', { min: 0.5, max: 30, value: 31 }),
    );
    expect(() => parseWithin('ten', rule)).toThrowMatching(
      refused('not-a-number', { field: 'volume', typed: 'ten' }),
    );
  });
});

describe('a unit that was typed', () => {
  const within = (text: string, unit: string, shownTimes = 1) =>
    parseWithin(text, { field: 'mass', min: -1e6, max: 1e6, unit, shownTimes });

  it('wins over the one beside the field', () => {
    expect(within('84 F', ' °C')).toBeCloseTo(28.889, 3);
    expect(within('84°F', ' °C')).toBeCloseTo(28.889, 3);
    expect(within('1.5 lb', ' g')).toBeCloseTo(680.389, 3);
    expect(within('32 oz', ' g')).toBeCloseTo(907.185, 3);
    expect(within('2 cups', ' ml')).toBeCloseTo(473.176, 3);
    expect(within('1 c', ' ml')).toBeCloseTo(236.588, 3);
    expect(within('20 c', ' °F')).toBeCloseTo(68, 9);
    expect(within('1½ h', ' min')).toBe(90);
    expect(within('2 bar', ' psi')).toBeCloseTo(29.0075, 4);
    expect(within('3 in.', ' mm')).toBeCloseTo(76.2, 9);
    expect(within('1/2 pt', ' ml')).toBeCloseTo(236.588, 3);
    expect(within('2.5 l', ' litres')).toBe(2.5);
    expect(within('1 kg', ' g')).toBe(1000);
  });

  it('that is the field’s own changes nothing, nor does none', () => {
    expect(within('62 %', ' %')).toBe(62);
    expect(within('62', ' %')).toBe(62);
    expect(within('70 °C', ' °C')).toBe(70);
    expect(within('12 G', ' g')).toBe(12);
    expect(within('1½', ' g')).toBe(1.5);
    expect(within('1e3', ' g')).toBe(1000);
  });

  it('of another kind is refused by its name, and one that nobody knows is no number', () => {
    expect(() => within('3 lb', ' °C')).toThrowMatching(
      refused('other-kind-of-unit', { field: 'mass', unit: 'lb', kind: 'temperature', like: '°C' }),
    );
    for (const [text, unit] of [
      ['3 stone', ' g'],
      ['12 g', ''],
      ['5 g', ' drops'],
      ['g', ' g'],
    ] as const) {
      expect(() => within(text, unit))
        .withContext(text)
        .toThrowMatching(refused('not-a-number', { typed: text }));
    }
  });

  it('is asked about where a bare number fits another unit and not this one', () => {
    const warmth = { field: 'temperature', min: 0, max: 60, unit: ' °C' } as const;
    const perhaps = (text: string, rule: RangeRule) => {
      let found: unknown;
      try {
        parseWithin(text, rule);
      } catch (error) {
        found = error instanceof CoreError ? (error.params as { perhaps?: unknown }).perhaps : error;
      }
      return found;
    };
    expect(perhaps('84', warmth)).toEqual({ unit: 'F', value: jasmine.any(Number) });
    expect((perhaps('84', warmth) as { value: number }).value).toBeCloseTo(28.89, 2);
    // 900 fits neither, and who wrote the unit meant it.
    expect(perhaps('900', warmth)).toBeUndefined();
    expect(perhaps('84 °C', warmth)).toBeUndefined();
    const grain = { field: 'mass', min: 200, max: 5000, unit: ' g' } as const;
    expect((perhaps('32', grain) as { value: number }).value).toBeCloseTo(907.18, 2);
    expect(perhaps('32', { field: 'count', min: 1, max: 20 })).toBeUndefined();
  });

  it('is held to the range after it was turned', () => {
    const warmth = { field: 'temperature', min: 0, max: 60, unit: ' °C' } as const;
    expect(parseWithin('100 F', warmth)).toBeCloseTo(37.78, 2);
    expect(() => parseWithin('200 F', warmth)).toThrowMatching(outOfRange('temperature', { max: 60 }));
  });
});

describe('shown amounts', () => {
  it('are per cents and times in as few digits as they need', () => {
    expect(percentWords(0.655)).toBe('65.5 %');
    expect(percentWords(0.62)).toBe('62 %');
    expect(percentWords(0.0012, 2)).toBe('0.12 %');
    expect(durationWords(119)).toBe('119 min');
    expect(durationWords(120)).toBe('2 h');
  });

  it('are rounded to what the scale shows', () => {
    expect(roundToStep(1982.6, 5)).toBe(1985);
    expect(roundToStep(1982.6, 1)).toBe(1983);
    expect(roundToStep(0.126, 0.01)).toBe(0.13);
    expect([0.01, 0.1, 1, 5].map(decimalsOf)).toEqual([2, 1, 0, 0]);
  });

  it('stay within half a step', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0, max: 1e5, noNaN: true }),
        fc.constantFrom(0.01, 0.1, 1, 5),
        (mass, step) => {
          expect(Math.abs(roundToStep(mass, step) - mass)).toBeLessThanOrEqual(step / 2 + 1e-4);
        },
      ),
    );
  });

  it('read in kitchen measures', () => {
    expect(kitchenMeasure(2567)).toBe('10⅞ cups');
    expect(kitchenMeasure(236.6)).toBe('1 cup');
    expect(kitchenMeasure(28_410)).toBe('30 quarts');
    expect(kitchenMeasure(59.1)).toBe('¼ cup');
    expect(kitchenMeasure(20)).toBe('1 tbsp + 1 tsp');
    expect(kitchenMeasure(2.5)).toBe('½ tsp');
    expect(kitchenMeasure(0.2)).toBe('a pinch');
    // Three tablespoons are no quarter of a cup.
    expect(kitchenMeasure(44.4)).toBe('3 tbsp');
    expect(kitchenMeasure(75)).toBe('¼ cup + 1 tbsp');
    expect(kitchenMeasure(79)).toBe('⅓ cup');
    expect(kitchenMeasure(250)).toBe('1 cup + 1 tbsp');
  });

  it('in the kitchen are within 5 % of what they stand for, down to a teaspoon and a quarter', () => {
    const SIZES: Readonly<Record<string, number>> = {
      quarts: 946.353,
      cups: 236.588,
      cup: 236.588,
      tbsp: 14.7868,
      tsp: 4.92892,
    };
    const PARTS: Readonly<Record<string, number>> = {
      '⅛': 1 / 8,
      '¼': 1 / 4,
      '⅓': 1 / 3,
      '⅜': 3 / 8,
      '½': 1 / 2,
      '⅝': 5 / 8,
      '⅔': 2 / 3,
      '¾': 3 / 4,
      '⅞': 7 / 8,
    };
    const read = (words: string) =>
      words.split(' + ').reduce((sum, piece) => {
        const [, whole, part, unit] = /^(\d*)([⅛¼⅓⅜½⅝⅔¾⅞]?) (\w+)$/.exec(piece)!;
        return sum + (Number(whole) + (PARTS[part!] ?? 0)) * SIZES[unit!]!;
      }, 0);
    fc.assert(
      fc.property(fc.double({ min: Math.log(6.2), max: Math.log(60_000), noNaN: true }), (ln) => {
        const volumeMl = Math.exp(ln);
        const words = kitchenMeasure(volumeMl);
        expect(Math.abs(read(words) / volumeMl - 1))
          .withContext(`${volumeMl} ml: ${words}`)
          .toBeLessThan(0.05);
        expect(words.split(' + ').length).toBeLessThanOrEqual(3);
      }),
      { numRuns: 2000 },
    );
  });

  it('never show a minus before zero', () => {
    expect(formatNumber(-0.2)).toBe('0');
    expect(formatNumber(-1234)).toBe('−1\u2009234');
  });
});

describe('an amount as a recipe writes it', () => {
  it('is one cup and several cups, and grams in any number', () => {
    expect(formatAmount(1, 'cup')).toBe('1 cup');
    expect(formatAmount(2, 'cup')).toBe('2 cups');
    expect(formatAmount(1.25, 'cup')).toBe('1.25 cups');
    expect([formatAmount(1, 'g'), formatAmount(40, 'g')]).toEqual(['1 g', '40 g']);
  });
});
