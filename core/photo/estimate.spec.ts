import {
  boxOutline,
  estimateColonization,
  labOf,
  placeIn,
  proposeOutline,
  type Outline,
  type PhotoMedium,
  type Picture,
} from '../index.js';
import { seededRandom } from '../record/new-id.js';
import { drawJar } from '../demo/drawn-jar.js';

const MEDIA: readonly PhotoMedium[] = ['grain', 'wood', 'straw', 'broth'];

/** 200 drawn pictures: a tenth with nothing grown, a tenth all white, half with a label, half with glare. */
function drawings() {
  const random = seededRandom(7);
  return Array.from({ length: 200 }, (_, i) => {
    const coverage = i % 10 === 0 ? 0 : i % 10 === 9 ? 1 : random();
    const look = { medium: MEDIA[i % 4]!, coverage, hasLabel: random() < 0.5, hasGlare: random() < 0.5 };
    return drawJar(look, 1000 + i);
  });
}

function plain(red: number, green: number, blue: number, side = 32): Picture {
  const data = new Uint8ClampedArray(side * side * 4);
  for (let i = 0; i < side * side; i++) {
    data.set([red, green, blue, 255], i * 4);
  }
  return { width: side, height: side, data };
}

const WHOLE = boxOutline(0, 0, 1, 1);

describe('colonization from a picture', () => {
  // The pictures are drawn by code of its own: it says that the reckoning does what it should, not how real jars look.
  it('is within 6 points on average over 200 drawn pictures, and its range holds in 3 of 4 at least', () => {
    const runs = drawings().map(({ picture, outline, medium, coverage }) => {
      const told = estimateColonization(picture, outline, medium);
      return {
        off: Math.abs(told.fraction - coverage),
        isHeld: coverage >= told.low && coverage <= told.high,
        width: told.high - told.low,
      };
    });
    const mean = runs.reduce((sum, r) => sum + r.off, 0) / runs.length;
    expect(mean).toBeLessThan(0.06);
    expect(runs.filter((r) => r.isHeld).length / runs.length).toBeGreaterThan(0.75);
    // A range that says nothing would always hold.
    expect(runs.filter((r) => r.width < 0.25).length / runs.length).toBeGreaterThan(0.85);
  });

  it('is nothing for bare grain, all for white, and between the two by what is covered', () => {
    const grain = plain(160, 116, 70);
    expect(estimateColonization(grain, WHOLE, 'grain').fraction).toBeLessThan(0.03);
    expect(estimateColonization(plain(225, 222, 212), WHOLE, 'grain').fraction).toBeGreaterThan(0.97);
    const half = plain(160, 116, 70);
    half.data.set(plain(225, 222, 212).data.subarray(0, half.data.length / 2));
    expect(estimateColonization(half, WHOLE, 'grain').fraction).toBeCloseTo(0.5, 1);
  });

  it('leaves out a label and glare, and says how much that was', () => {
    const look = { medium: 'grain' as const, coverage: 0.2, hasLabel: true, hasGlare: true };
    const seen = drawJar(look, 5);
    const told = estimateColonization(seen.picture, seen.outline, 'grain');
    expect(told.maskedShare).toBeGreaterThan(0.04);
    expect(told.fraction).toBeLessThan(0.32);
  });
});

describe('where a vessel is in a picture', () => {
  const overlap = (one: Outline, other: Outline) => {
    const [a, , c] = one;
    const [d, , f] = other;
    const both =
      Math.max(0, Math.min(c.x, f.x) - Math.max(a.x, d.x)) *
      Math.max(0, Math.min(c.y, f.y) - Math.max(a.y, d.y));
    const size = (p: Outline) => (p[2].x - p[0].x) * (p[2].y - p[0].y);
    return both / (size(one) + size(other) - both);
  };

  it('is proposed close to where it is, in nearly all drawn pictures', () => {
    const shares = drawings().map((d) => overlap(proposeOutline(d.picture), d.outline));
    expect(shares.filter((s) => s > 0.7).length / shares.length).toBeGreaterThan(0.85);
  });

  it('is the middle where nothing stands out', () => {
    expect(proposeOutline(plain(120, 120, 120))).toEqual(boxOutline(0.2, 0.2, 0.8, 0.9));
  });

  it('may be askew: places in it go along its sides', () => {
    const askew: Outline = [
      { x: 0, y: 0 },
      { x: 1, y: 0.2 },
      { x: 1, y: 0.8 },
      { x: 0, y: 1 },
    ];
    expect(placeIn(askew, 1, 0.5)).toEqual({ x: 1, y: 0.5 });
    expect(placeIn(askew, 0, 0)).toEqual({ x: 0, y: 0 });
  });
});

describe('a color', () => {
  it('has the lightness and hue that CIE gives it', () => {
    // sRGB primaries under D65 (IEC 61966-2-1 with CIE 15), as color tables print them. From memory.
    const cases = [
      [255, 255, 255, 100, 0, 0],
      [0, 0, 0, 0, 0, 0],
      [255, 0, 0, 53.24, 80.09, 67.2],
      [0, 255, 0, 87.73, -86.18, 83.18],
      [0, 0, 255, 32.3, 79.19, -107.86],
    ] as const;
    for (const [red, green, blue, ...lab] of cases) {
      labOf(red, green, blue).forEach((value, i) => {
        expect(value).withContext(`${red} ${green} ${blue}`).toBeCloseTo(lab[i]!, 1);
      });
    }
  });
});
