import * as fc from 'fast-check';
import { packPot, packTogether, type Footprint, type PlacedVessel, type Pot } from '../index.js';

const circle = (diameterMm: number, heightMm = 100): Footprint => ({ kind: 'circle', diameterMm, heightMm });
const brick = (lengthMm: number, widthMm: number, heightMm = 100): Footprint => ({
  kind: 'brick',
  lengthMm,
  widthMm,
  heightMm,
});
const times = (n: number, vessel: Footprint) => Array.from({ length: n }, () => vessel);
const OFF = 1e-3;

/** Corners of a brick, or many points of a circle’s edge: another way to ask than the packing’s own. */
function edgeOf(p: PlacedVessel): [number, number][] {
  if (p.kind === 'brick') {
    return [-1, 1].flatMap((x) =>
      [-1, 1].map((y): [number, number] => [p.xMm + x * p.halfXMm, p.yMm + y * p.halfYMm]),
    );
  }
  return Array.from({ length: 24 }, (_, i): [number, number] => [
    p.xMm + p.radiusMm * Math.cos((i * Math.PI) / 12),
    p.yMm + p.radiusMm * Math.sin((i * Math.PI) / 12),
  ]);
}

/** Points of the first that lie well within the second. */
function bites(a: PlacedVessel, b: PlacedVessel): boolean {
  const within = ([x, y]: [number, number]) =>
    b.kind === 'brick'
      ? Math.abs(x - b.xMm) < b.halfXMm - OFF && Math.abs(y - b.yMm) < b.halfYMm - OFF
      : Math.hypot(x - b.xMm, y - b.yMm) < b.radiusMm - OFF;
  return [[a.xMm, a.yMm] as [number, number], ...edgeOf(a)].some(within);
}

function requireReal(pot: Pot, vessels: readonly Footprint[]): void {
  const { placed, left } = packPot(pot, vessels);
  expect([...placed.map((p) => p.index), ...left].sort((a, b) => a - b)).toEqual(vessels.map((_, i) => i));
  for (const p of placed) {
    expect(Math.max(...edgeOf(p).map(([x, y]) => Math.hypot(x, y)))).toBeLessThanOrEqual(
      pot.diameterMm / 2 + OFF,
    );
    expect(p.footMm).toBeGreaterThanOrEqual(0);
    expect(p.footMm + p.heightMm).toBeLessThanOrEqual(pot.heightMm + OFF);
    for (const q of placed) {
      if (p.index !== q.index) {
        const apart = p.footMm >= q.footMm + q.heightMm - OFF || q.footMm >= p.footMm + p.heightMm - OFF;
        expect(apart || !bites(p, q)).toBeTrue();
      }
    }
  }
}

describe('vessels in a round pot', () => {
  // Packing of equal circles in a circle, radius of the pot over that of a circle; tables of packings, from memory.
  const PUBLISHED = [1, 2, 2.1547, 2.4142, 2.7013, 3, 3, 3.3048, 3.6131, 3.813, 3.9238, 4.0296];

  it('stand within one of the best packings that are published, up to twelve in a layer', () => {
    PUBLISHED.forEach((ratio, i) => {
      const pot = { diameterMm: 100 * ratio * 1.0001, heightMm: 130 };
      const { placed } = packPot(pot, times(i + 3, circle(100)));
      expect(placed.length)
        .withContext(`${i + 1} circles`)
        .toBeGreaterThanOrEqual(i);
      expect(placed.length).toBeLessThanOrEqual(PUBLISHED.filter((r) => r <= ratio).length);
    });
  });

  it('seven jars of 98 mm stand in 294 mm, eight in 324', () => {
    expect(packPot({ diameterMm: 294.1, heightMm: 200 }, times(9, circle(98, 170))).placed.length).toBe(7);
    expect(packPot({ diameterMm: 324, heightMm: 200 }, times(9, circle(98, 170))).placed.length).toBe(8);
  });

  it('stand in layers as far as the height goes, each on a rack', () => {
    const pot = { diameterMm: 300, heightMm: 300 };
    const { placed, left } = packPot(pot, times(20, circle(100, 120)));
    expect(placed.filter((p) => p.layer === 0).length).toBe(7);
    expect(placed.filter((p) => p.layer === 1).length).toBe(7);
    expect(left.length).toBe(6);
    expect(packPot({ ...pot, heightMm: 131 }, times(2, circle(100, 120))).placed).toEqual([]);
  });

  it('bags lie two and two in a canner of 330 mm, and pint jars go on a rack above two', () => {
    const pot = { diameterMm: 330, heightMm: 300 };
    const bags = times(2, brick(200, 130, 135));
    expect(packPot(pot, [...bags, ...bags]).left).toEqual([]);
    const both = packPot(pot, [...times(4, circle(88, 125)), ...bags]);
    expect(both.left).toEqual([]);
    expect(both.placed.filter((p) => p.kind === 'brick').every((p) => p.layer === 0)).toBeTrue();
  });

  it('a jar goes in beside bags where there is room', () => {
    const { placed, left } = packPot({ diameterMm: 330, heightMm: 200 }, [
      brick(208, 138, 135),
      ...times(3, circle(94, 163)),
    ]);
    expect(left).toEqual([]);
    expect(placed.length).toBe(4);
  });

  it('never overlap, never leave the pot, and none is lost or doubled', () => {
    const vessel = fc.oneof(
      fc
        .record({ d: fc.integer({ min: 20, max: 240 }), h: fc.integer({ min: 20, max: 300 }) })
        .map(({ d, h }) => circle(d, h)),
      fc
        .record({
          l: fc.integer({ min: 20, max: 300 }),
          w: fc.integer({ min: 20, max: 200 }),
          h: fc.integer({ min: 20, max: 300 }),
        })
        .map(({ l, w, h }) => brick(l, w, h)),
    );
    fc.assert(
      fc.property(
        fc.record({
          diameterMm: fc.integer({ min: 120, max: 450 }),
          heightMm: fc.integer({ min: 80, max: 450 }),
        }),
        fc.array(fc.tuple(vessel, fc.integer({ min: 1, max: 5 })), { minLength: 1, maxLength: 4 }),
        (pot, kinds) => {
          requireReal(
            pot,
            kinds.flatMap(([v, n]) => times(n, v)),
          );
        },
      ),
      { numRuns: 10_000 },
    );
  });

  it('are drawn a little smaller where it is known that they all go in', () => {
    const pot = { diameterMm: 300, heightMm: 200 };
    const eight = times(8, circle(100, 170));
    expect(packPot(pot, eight).left.length).toBe(1);
    const { placed, left } = packTogether(pot, eight);
    expect(left).toEqual([]);
    expect(placed.every((p) => p.kind === 'circle' && p.radiusMm < 50 && p.radiusMm > 44)).toBeTrue();
  });
});
