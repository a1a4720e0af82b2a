import { growthHeatW, middleAboveAirK } from '../index.js';
import { GROWING_BLOCK } from '../testing/growing-block.js';

describe('a load’s own warming', () => {
  it('is what is breathed away, as worked by hand', () => {
    // 0.08 × 0.05 × 0.907 kg = 3.628 g a day, × 16.5 kJ/g = 59.9 kJ ÷ 86 400 s.
    expect(growthHeatW(GROWING_BLOCK)).toBeCloseTo(0.693, 3);
    // 3.24 l, a ball of 9.18 cm and 0.1059 m²: 0.693 ÷ (8 × 0.1059) = 0.818 K at its wall; 213.8 W/m³ × 0.008427 ÷ 2.4 = 0.751 K within.
    expect(middleAboveAirK(GROWING_BLOCK)).toBeCloseTo(1.569, 2);
  });

  it('is nothing for what does not grow, and less for a jar than for a tub', () => {
    expect(middleAboveAirK({ ...GROWING_BLOCK, fractionPerDay: 0 })).toBe(0);
    expect(growthHeatW({ ...GROWING_BLOCK, fractionPerDay: -0.1 })).toBe(0);
    expect(middleAboveAirK({ wetG: 0, dryG: 0, fractionPerDay: 0.1 })).toBe(0);
    const jar = middleAboveAirK({ wetG: 600, dryG: 330, fractionPerDay: 0.08 });
    const tub = middleAboveAirK({ wetG: 12_000, dryG: 4800, fractionPerDay: 0.08 });
    expect(jar).toBeLessThan(middleAboveAirK(GROWING_BLOCK));
    expect(tub).toBeGreaterThan(2 * middleAboveAirK(GROWING_BLOCK));
  });
});
