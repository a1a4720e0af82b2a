import { newAppliance, warmUpOf } from '../index.js';

const AT = '2026-01-01T00:00:00.000Z';

describe('water that is warmed before anything goes in', () => {
  it('takes what its heat content asks of the heat that arrives', () => {
    const bath = newAppliance('hotBath', 'bath', 'Bath', AT);
    // By hand: 40 kg of water and 5 kg of steel by 55 K at 2 kW.
    const minutes = ((40 * 4.19 + 5 * 0.5) * 55) / 2 / 60;
    expect(warmUpOf(bath, 20, 75).waterL).toBe(40);
    expect(warmUpOf(bath, 20, 75).minutes / minutes).toBeGreaterThan(0.95);
    expect(warmUpOf(bath, 20, 75).minutes / minutes).toBeLessThan(1.05);
    const drum = newAppliance('steamDrum', 'drum', 'Drum', AT);
    expect(warmUpOf(drum, 20, 98).waterL).toBe(15);
  });
});
