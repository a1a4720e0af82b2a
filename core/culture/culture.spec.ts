import {
  DEAD_ML,
  drawOff,
  formsFedBy,
  formsThatFeed,
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
import { normalDraw } from '../base/normal-draw.js';

const { vesselTypes } = shippedDefinitions(new Date(START_MS).toISOString());
const vessel = (id: string) => vesselTypes.find((v) => v.id === id)!;
const medium = (form: CultureForm, id: string, plan?: Medium['plan']): Medium => ({
  form,
  vessel: vessel(id),
  plan,
});

describe('doses', () => {
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

describe('radial growth', () => {
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
    const normal = () => normalDraw(random);
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
