import { TestBed } from '@angular/core/testing';
import { durationWords, Entry, resolveFormula, scaleFormula, type House } from '../../../core/index';
import { furnishedHouse, until, type SpecHouse } from '../../testing/house';
import { Journal, type Said } from '../journal/journal';
import { amountWords } from './measure-words';
import { dayWords, entryWords, moneyWords, vesselCount } from './words';

describe('words of amounts', () => {
  it('are short, with a decimal only where it counts', () => {
    expect(amountWords(4.4)).toBe('4.4 g');
    expect(amountWords(1980)).toBe('1\u2009980 g');
    expect(amountWords(20)).toBe('20 g');
    expect(durationWords(12)).toBe('12 min');
    expect(durationWords(840)).toBe('14 h');
    expect(durationWords(150)).toBe('2.5 h');
    expect(moneyWords(2.954, '€')).toBe('€\u20092.95');
    expect(moneyWords(0, '')).toBe('0.00');
  });

  it('never let a count run into a size', () => {
    expect(vesselCount(6, { name: '2.3 kg bag', plural: '2.3 kg bags' })).toBe('6 × 2.3 kg bags');
    expect(vesselCount(1, { name: '500 ml bottle', plural: '500 ml bottles' })).toBe('1 × 500 ml bottle');
    expect(vesselCount(1, { name: 'quart jar', plural: 'quart jars' })).toBe('1 quart jar');
    expect(vesselCount(8, { name: 'quart jar', plural: 'quart jars' })).toBe('8 quart jars');
  });
});

describe('words of what was noted while a medium was made', () => {
  let setup: SpecHouse;
  let house: House;
  beforeEach(async () => {
    setup = await furnishedHouse();
    const { formulas, materials, vesselTypes } = setup.house().records;
    const formula = resolveFormula(
      formulas.find((f) => f.id === 'hardwood-bran')!,
      materials,
    );
    const scaled = scaleFormula(formula, {
      vessel: vesselTypes.find((v) => v.id === 'block-bag')!,
      count: 1,
    });
    await TestBed.inject(Journal).makeBatch(formula, scaled);
    house = await until(setup.store, (h) => h.batches.length === 1);
  });
  afterEach(() => setup.close());

  const said: readonly [string, (batchId: never) => Said][] = [
    ['B1: squeeze too wet', (batchId) => ({ kind: 'squeezed', batchId, result: 'wet' })],
    [
      'B1: 1\u2009000 g wheat bran',
      (batchId) => ({ kind: 'weighedOut', batchId, materialId: 'wheat-bran', massG: 1000 }),
    ],
    ['B1: 80 g water', (batchId) => ({ kind: 'weighedOut', batchId, materialId: 'water', massG: 80 })],
    [
      'B1: 120 g vermiculite added',
      (batchId) => ({
        kind: 'adjusted',
        batchId,
        materialId: 'vermiculite',
        name: 'Vermiculite',
        massG: 120,
        moisture: 0.03,
      }),
    ],
    ['B1: 310 ml left', (batchId) => ({ kind: 'volumeMeasured', batchId, volumeMl: 310 })],
    ['B1: pH 6.6', (batchId) => ({ kind: 'phRead', batchId, ph: 6.6, drops: 0 })],
    ['B1: pH 5.9, 3 drops', (batchId) => ({ kind: 'phRead', batchId, ph: 5.9, drops: 3 })],
    ['B1: In the bags', (batchId) => ({ kind: 'stepDone', batchId, step: 'fill' })],
  ];
  for (const [words, make] of said) {
    it(`reads “${words}”, and the journal keeps it`, async () => {
      const journal = TestBed.inject(Journal);
      expect(await journal.say(make(house.batches[0]!.batch.id as never))).toBeTrue();
      const after = await until(setup.store, (h) => h.records.entries.length === 2);
      const entry = after.records.entries.find((e) => e.kind !== 'batchMade')!;
      expect(Entry.safeParse(entry).success).toBeTrue();
      expect(entryWords(entry, after)).toBe(words);
    });
  }

  it('refuses what is said of a batch that has no plan', async () => {
    const journal = TestBed.inject(Journal);
    const unknown = house.records.vessels[0]!.id as never;
    expect(await journal.say({ kind: 'squeezed', batchId: unknown, result: 'wet' })).toBeFalse();
    expect(setup.house().records.entries.length).toBe(1);
  });
});

describe('days', () => {
  it('are those of the calendar, not twenty-four hours', () => {
    const at = (day: number, hour: number) => new Date(2026, 2, day, hour).getTime();
    expect(dayWords(at(2, 22), at(2, 23))).toBe('day 0');
    expect(dayWords(at(2, 22), at(3, 7))).toBe('day 1');
    expect(dayWords(at(2, 1), at(3, 23))).toBe('day 1');
    // A week with the night in which the clock goes forward, wherever that is.
    expect(dayWords(at(25, 12), at(25 + 7, 12))).toBe('day 7');
  });
});
