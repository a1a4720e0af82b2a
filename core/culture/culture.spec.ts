import {
  DEAD_ML,
  drawOff,
  fitLine,
  formsFedBy,
  formsThatFeed,
  keepsDays,
  radialGrowth,
  seededRandom,
  shippedDefinitions,
  transferOf,
  usualContent,
  wedgesOf,
  type CultureForm,
  type Medium,
} from '../index.js';
import { usualDose } from './transfers.js';
import { START_MS } from '../testing/sample-house.js';

const { vesselTypes } = shippedDefinitions(new Date(START_MS).toISOString());
const vessel = (id: string) => vesselTypes.find((v) => v.id === id)!;
const medium = (form: CultureForm, id: string, plan?: Medium['plan']): Medium => ({
  form,
  vessel: vessel(id),
  plan,
});

describe('the trade’s doses (common practice, no source)', () => {
  const cases: readonly [string, CultureForm, Medium, number][] = [
    ['2 ml of broth to a quart', 'broth', medium('grain', 'quart-jar'), 2],
    ['1 ml of broth to a pint', 'broth', medium('grain', 'pint-jar'), 1],
    ['3 ml of broth to a 1.4 kg bag', 'broth', medium('grain', 'grain-bag'), 3],
    ['half a milliliter on a plate', 'broth', medium('plate', 'dish-90'), 0.5],
    [
      '2 ml of broth to half a liter',
      'broth',
      medium('broth', 'bottle-1000', { vesselWetG: 500, vesselMl: 500 }),
      2,
    ],
    [
      '10 ml of spores to 300 ml',
      'spores',
      medium('broth', 'litre-jar', { vesselWetG: 300, vesselMl: 300 }),
      10,
    ],
    ['one wedge on a plate', 'plate', medium('plate', 'dish-90'), 1],
    ['one wedge in a slant', 'plate', medium('slant', 'slant-20'), 1],
    ['340 g of spawn to a five-pound block', 'grain', medium('bulk', 'block-bag', { vesselWetG: 2268 }), 340],
  ];
  for (const [words, from, to, each] of cases) {
    it(words, () => {
      expect(usualDose(from, to)!.value).toBe(each);
    });
  }

  it('one dish does four to ten quart jars', () => {
    const { low, value, high } = usualDose('plate', medium('grain', 'quart-jar'))!;
    const wedges = wedgesOf(vessel('dish-90'));
    expect([low, high].map((each) => Math.round(wedges / each))).toEqual([10, 4]);
    expect(wedges / value).toBeGreaterThan(5);
    expect(wedges / value).toBeLessThan(8);
  });

  it('a syringe of 10 ml of spores does some six jars', () => {
    expect(Math.floor(10 / usualDose('spores', medium('grain', 'quart-jar'))!.value)).toBe(6);
  });

  it('grain goes to grain at 1 to 5 up to 1 to 10', () => {
    const { low, high } = usualDose('grain', medium('grain', 'quart-jar', { vesselWetG: 600 }))!;
    expect([600 / high, 600 / low]).toEqual([5, 10]);
  });

  it('stand between their own limits, for every transfer', () => {
    const forms: CultureForm[] = ['print', 'spores', 'tissue', 'plate', 'slant', 'broth', 'grain', 'bulk'];
    for (const from of forms) {
      for (const to of formsFedBy(from)) {
        expect(formsThatFeed(to)).toContain(from);
        expect(transferOf(from, to)).toBeDefined();
        const dose = usualDose(from, medium(to, 'quart-jar', { vesselWetG: 600, vesselMl: 600 }))!;
        expect(dose.low).toBeLessThanOrEqual(dose.value);
        expect(dose.value).toBeLessThanOrEqual(dose.high);
        expect(dose.low).toBeGreaterThan(0);
      }
    }
    expect(usualDose('tissue', medium('grain', 'quart-jar'))).toBeUndefined();
    expect(transferOf('bulk', 'plate')).toBeUndefined();
  });
});

describe('what a vessel holds', () => {
  it('is some forty wedges for a dish of 90 mm, and fewer for a small one', () => {
    expect(wedgesOf(vessel('dish-90'))).toBe(40);
    expect(wedgesOf(vessel('culture-dish'))).toBe(40);
    expect(wedgesOf(vessel('dish-60'))).toBe(16);
  });

  it('is offered in the unit of its kind', () => {
    expect(usualContent('spores', vessel('culture-spores'))).toBe(10);
    expect(usualContent('broth', vessel('culture-syringe'))).toBe(30);
    expect(usualContent('tissue', vessel('culture-mushroom'))).toBe(1);
    expect(usualContent('grain', vessel('culture-grain-bag'))).toBe(1361);
    // Two thirds of a liter of wet grain: 430 to 480 g.
    expect(usualContent('grain', vessel('culture-grain-jar'))).toBeCloseTo(453, 0);
  });
});

describe('drawing off', () => {
  it('300 ml make nine to ten syringes of 30 ml (common practice, no source)', () => {
    const { full, lastMl } = drawOff(300, 30);
    expect(full).toBe(9);
    expect(lastMl).toBeGreaterThan(15);
  });

  it('never gives more than there is', () => {
    const random = seededRandom(5);
    for (let n = 0; n < 2000; n++) {
      const [available, size] = [random() * 2000, 0.5 + random() * 100];
      const { full, lastMl, eachTakesMl, leftMl } = drawOff(available, size);
      expect(eachTakesMl).toBe(size + DEAD_ML);
      expect(leftMl + full * eachTakesMl).toBeCloseTo(available, 6);
      expect(full * eachTakesMl + (lastMl > 0 ? lastMl + DEAD_ML : 0)).toBeLessThanOrEqual(available + 1e-9);
    }
  });

  it('refuses a size that is none', () => {
    expect(() => drawOff(300, 0)).toThrowError(/out-of-range.*inEach/);
  });
});

describe('how long a culture keeps', () => {
  it('is half a year for broth and eight to twelve months for spores, cold (common practice, no source)', () => {
    expect(keepsDays('broth', 'cold').value).toBe(180);
    const { low, high } = keepsDays('spores', 'cold');
    expect([low / 30, Math.round(high / 30)]).toEqual([8, 12]);
  });

  it('is a week for a plate that nobody wrapped, and weeks for one that is', () => {
    expect(keepsDays('plate', 'room', false).value).toBe(7);
    expect(keepsDays('plate', 'cold', true).value).toBeGreaterThanOrEqual(21);
  });
});

describe('radial growth', () => {
  /** NIST Statistical Reference Datasets, Norris: y by x, with certified slope, intercept and their errors. */
  const NORRIS: readonly (readonly [y: number, x: number])[] = [
    [0.1, 0.2],
    [338.8, 337.4],
    [118.1, 118.2],
    [888.0, 884.6],
    [9.2, 10.1],
    [228.1, 226.5],
    [668.5, 666.3],
    [998.5, 996.3],
    [449.1, 448.6],
    [778.9, 777.0],
    [559.2, 558.2],
    [0.3, 0.4],
    [0.1, 0.6],
    [778.1, 775.5],
    [668.8, 666.9],
    [339.3, 338.0],
    [448.9, 447.5],
    [10.8, 11.6],
    [557.7, 556.0],
    [228.3, 228.1],
    [998.0, 995.8],
    [888.8, 887.6],
    [119.6, 120.2],
    [0.3, 0.3],
    [0.6, 0.3],
    [557.6, 556.8],
    [339.3, 339.1],
    [888.0, 887.2],
    [998.5, 999.0],
    [778.9, 779.0],
    [10.2, 11.1],
    [117.6, 118.3],
    [228.9, 229.2],
    [668.4, 669.1],
    [449.2, 448.9],
    [0.2, 0.5],
  ];

  it('is a line by least squares, as NIST certifies one', () => {
    const { slope, intercept, slopeError } = fitLine(NORRIS.map(([y, x]) => [x, y]));
    expect(slope).toBeCloseTo(1.00211681802045, 10);
    expect(intercept).toBeCloseTo(-0.262323073774029, 8);
    expect(slopeError).toBeCloseTo(0.429796848199937e-3, 10);
  });

  it('names no speed after one day', () => {
    expect(radialGrowth([{ day: 3, mm: 8 }])).toBeUndefined();
    expect(
      radialGrowth([
        { day: 3, mm: 8 },
        { day: 3, mm: 9 },
      ]),
    ).toBeUndefined();
  });

  it('holds the true speed in 8 of 10, over rulers that err by half a millimeter up to two', () => {
    const random = seededRandom(17);
    const normal = () => Math.sqrt(-2 * Math.log(1 - random())) * Math.cos(2 * Math.PI * random());
    const even = () => (random() - 0.5) * Math.sqrt(12);
    for (const noise of [normal, even]) {
      for (const days of [
        [3, 6],
        [3, 5, 7],
        [3, 5, 7, 9],
        [2, 4, 6, 8, 10, 12],
      ]) {
        let held = 0;
        for (let n = 0; n < 4000; n++) {
          const error = 2 ** (random() * 2 - 1);
          const { low, high } = radialGrowth(
            days.map((day) => ({ day, mm: 3.4 * day - 2 + error * noise() })),
          )!;
          held += low <= 3.4 && 3.4 <= high ? 1 : 0;
        }
        expect(held / 4000).toBeGreaterThanOrEqual(0.77);
        expect(held / 4000).toBeLessThanOrEqual(0.86);
      }
    }
  });
});
