import { likelyPlaces, placesOf, shippedDefinitions, type VesselType } from '../index.js';

describe('what fits into a cooker', () => {
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

  it('takes what was tried, then the measures, and promises nothing without either', () => {
    const { appliances, vesselTypes } = shippedDefinitions('2026-01-01T00:00:00.000Z');
    const quart = vesselTypes.find((v) => v.id === 'quart-jar')!;
    const canner = { ...appliances[0]!, innerDiameterMm: 330, innerHeightMm: 292 };
    expect(placesOf(canner, quart)).toBe(8);
    expect(placesOf({ ...canner, places: { 'quart-jar': 0 } }, quart)).toBe(0);
    expect(placesOf({ ...canner, places: {} }, quart)).toBe(8);
    expect(placesOf({ ...appliances[0]!, places: {} }, quart)).toBe(0);
  });
});
