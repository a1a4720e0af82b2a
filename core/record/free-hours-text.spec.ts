import { freeHoursOf, freeHoursText } from '../index.js';

describe('times of a day, as one types them', () => {
  it('are read in the usual ways, and over midnight', () => {
    const cases: readonly (readonly [text: string, spans: [number, number][]])[] = [
      ['18-22', [[1080, 1320]]],
      [
        '6:30–7.30, 19 - 1',
        [
          [390, 450],
          [1140, 1500],
        ],
      ],
      [
        '9-12 and 14-18',
        [
          [540, 720],
          [840, 1080],
        ],
      ],
      ['', []],
      ['20-24', [[1200, 1440]]],
    ];
    for (const [text, spans] of cases) {
      expect(freeHoursOf(text)?.map((h) => [h.fromMinute, h.toMinute] as [number, number]))
        .withContext(text)
        .toEqual(spans);
    }
  });

  it('are refused where they are none', () => {
    for (const text of ['evening', '25-26', '18:75-20', '18', '1-2,3-4,5-6,7-8,9-10', '8-8']) {
      expect(freeHoursOf(text)).withContext(text).toBeUndefined();
    }
  });

  it('are written so that they are read as the same', () => {
    const hours = freeHoursOf('6:30-7:30, 19-1')!;
    expect(freeHoursText(hours)).toBe('06:30–07:30, 19:00–01:00');
    expect(freeHoursOf(freeHoursText(hours))).toEqual(hours);
  });
});
