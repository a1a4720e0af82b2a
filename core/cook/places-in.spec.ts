import { bricksIn, circlesIn, likelyPlaces, shippedDefinitions, type VesselType } from '../index.js';

describe('what fits into a cooker', () => {
  it('packs circles as regular polygons do', () => {
    // Around a middle one lie six; n in a ring touch each other at 1 + 1 / sin(π / n).
    for (const n of [2, 3, 4, 5, 6]) {
      const ring = n === 2 ? 2 : 1 + 1 / Math.sin(Math.PI / n);
      expect(circlesIn(ring * 100 + 0.1, 100)).toBeGreaterThanOrEqual(n);
      expect(circlesIn(ring * 100 - 0.1, 100)).toBeLessThan(n);
    }
    expect(circlesIn(300, 100)).toBe(7);
    expect(circlesIn(99, 100)).toBe(0);
    expect(circlesIn(1000, 100)).toBeLessThan(100 * 0.9069);
  });

  it('never packs more circles than the densest plane would, nor fewer for a wider pot', () => {
    let before = 0;
    for (let aroundMm = 100; aroundMm < 900; aroundMm += 7) {
      const n = circlesIn(aroundMm, 90);
      expect(n).toBeGreaterThanOrEqual(before);
      expect(n * 90 ** 2).toBeLessThanOrEqual(aroundMm ** 2);
      before = n;
    }
  });

  it('packs bricks in rows, each corner inside', () => {
    // A square of 70 fits a circle of 100 (diagonal 99); two of 70 × 35 as well; three of 70 × 35 do not.
    expect(bricksIn(100, 70, 70)).toBe(1);
    expect(bricksIn(100, 70, 35)).toBe(2);
    expect(bricksIn(98, 70, 70)).toBe(0);
    // Rows of 2 and 2 of 100 × 100 in a circle of 283 (diagonal 282.8).
    expect(bricksIn(283, 100, 100)).toBe(4);
    expect(bricksIn(282, 100, 100)).toBe(2);
  });

  it('suggests for shipped vessels about what cookers are known to take', () => {
    const { appliances, vesselTypes } = shippedDefinitions('2026-01-01T00:00:00.000Z');
    for (const appliance of appliances) {
      for (const [id, places] of Object.entries(appliance.places)) {
        const vessel = vesselTypes.find((v) => v.id === id)!;
        if (vessel.kind === 'jar' && places > 0) {
          const likely = likelyPlaces(appliance, vessel);
          expect(Math.abs(likely - places))
            .withContext(`${appliance.id} ${id}: ${likely} for ${places}`)
            .toBeLessThanOrEqual(Math.max(2, places * 0.25));
        }
      }
    }
  });

  it('goes by measures where both have them: quarts in a pot of 320 by 300 mm', () => {
    const { appliances, vesselTypes } = shippedDefinitions('2026-01-01T00:00:00.000Z');
    const measured: VesselType = {
      ...vesselTypes.find((v) => v.id === 'quart-jar')!,
      diameterMm: 88,
      heightMm: 170,
    };
    const pot = { ...appliances[0]!, innerDiameterMm: 320, innerHeightMm: 300 };
    // 320 / 96 is 3.33: 8 side by side, one layer.
    expect(likelyPlaces(pot, measured)).toBe(8);
    expect(likelyPlaces({ ...pot, innerHeightMm: 370 }, measured)).toBe(16);
    expect(likelyPlaces({ ...pot, innerHeightMm: 150 }, measured)).toBe(0);
  });
});
