import fc from 'fast-check';
import { pourWindow, saturationPressure, seededRandom, unlessRefused, type Likely } from '../index.js';
import { excessAfter } from './cooling.js';
import { outOfRange, refused } from '../testing/refused.js';
import { normalDraw } from '../base/normal-draw.js';

describe('the pour', () => {
  const at = (rate: number, minutes: number) => ({ minutes, celsius: 20 + excessAfter(65, minutes, rate) });

  it('opens at 50 and closes at 45 °C, where the law says', () => {
    fc.assert(
      fc.property(fc.double({ min: 5e-4, max: 3e-3, noNaN: true }), (rate) => {
        const readings = [0, 8, 16].map((m) => at(rate, m));
        fc.pre(readings[2]!.celsius > 52);
        const window = pourWindow(readings, 20);
        const true50 = (30 ** -0.25 - 65 ** -0.25) / (0.25 * rate) - 16;
        expect(window.opens.low).toBeLessThanOrEqual(true50);
        expect(window.opens.high).toBeGreaterThanOrEqual(true50);
        expect(window.lasts).toBeGreaterThan(0);
      }),
    );
  });

  it('holds in 8 of 10 pours, whatever the law: moving air, still air, and still air with steam off it while hot', () => {
    const random = seededRandom(7);
    const normal = () => normalDraw(random);
    const roomC = 20;
    // °C per minute at 80 °C they all fall alike; the third is by vapor pressure, which the forecast does not know.
    const still = (excess: number) => excess ** 1.25 / 156;
    const laws = [
      (c: number) => (c - roomC) / 60,
      (c: number) => still(c - roomC),
      (c: number) => still(c - roomC) + (0.9 * still(60) * saturationPressure(c)) / saturationPressure(80),
    ];
    let [opens, closes, sets, pours] = [0, 0, 0, 0];
    for (const apartC of [8, 15, 25]) {
      for (const count of [2, 3, 5]) {
        for (const law of laws) {
          for (let pour = 0; pour < 100; pour++) {
            const speed = Math.exp(0.4 * normal());
            const startC = 60 + 25 * random() + apartC / 3;
            const step = 0.1;
            const curve = [startC];
            while (curve.at(-1)! > 39) {
              curve.push(curve.at(-1)! - step * speed * law(curve.at(-1)!));
            }
            const reached = (celsius: number) => curve.findIndex((c) => c <= celsius) * step;
            const lastMinutes = reached(Math.max(startC - apartC, 51));
            const readings = Array.from({ length: count }, (_, i) => {
              const minutes = (lastMinutes * i) / (count - 1);
              return { minutes, celsius: curve[Math.round(minutes / step)]! + 0.78 * normal() };
            });
            const window = unlessRefused(() => pourWindow(readings, roomC), undefined);
            if (window !== undefined) {
              const holds = ({ low, high }: Likely, celsius: number) =>
                reached(celsius) - lastMinutes >= low - step && reached(celsius) - lastMinutes <= high + step;
              pours++;
              opens += holds(window.opens, 50) ? 1 : 0;
              closes += holds(window.closes, 45) ? 1 : 0;
              sets += holds(window.sets, 40) ? 1 : 0;
            }
          }
        }
      }
    }
    expect(pours).toBeGreaterThan(2000);
    // Further out the laws lie further apart, and the interval with them.
    expect(sets / pours).toBeGreaterThan(0.77);
    expect(sets / pours).toBeLessThan(0.88);
    for (const share of [opens / pours, closes / pours]) {
      expect(share).toBeGreaterThan(0.77);
      expect(share).toBeLessThan(0.84);
    }
  });

  it('is surer the further apart the readings lie', () => {
    const rate = 4e-3;
    const width = (until: number) => {
      const { opens } = pourWindow([at(rate, 0), at(rate, until)], 20);
      return opens.high - opens.low;
    };
    expect(width(20)).toBeLessThan(width(5) / 2);
    expect(pourWindow([at(rate, 0), at(rate, 5)], 20).sure).toBeFalse();
    expect(pourWindow([at(rate, 0), at(rate, 25)], 20).sure).toBeTrue();
  });

  it('has no upper end while the readings may hide the fall, and refuses those that rise', () => {
    expect(pourWindow([at(1e-4, 0), at(1e-4, 2)], 20).opens.high).toBe(Infinity);
    const rising = [
      { minutes: 0, celsius: 60 },
      { minutes: 5, celsius: 62 },
    ];
    expect(() => pourWindow(rising, 20)).toThrowMatching(refused('not-falling'));
    expect(() => pourWindow(rising.slice(1), 20)).toThrowMatching(refused('too-few', { of: 'readings' }));
    // A room that is nearly as warm as the agar should be lets it cool for ever.
    expect(() => pourWindow([at(1e-3, 0), at(1e-3, 9)], 38.1)).toThrowMatching(
      outOfRange('room', { max: 38 }),
    );
  });
});
