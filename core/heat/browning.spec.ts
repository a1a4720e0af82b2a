import { browningMinutes } from '../index.js';

describe('browning', () => {
  it('is minutes at 121.1 °C, and less heat for as many spores browns more', () => {
    const held = (celsius: number, minutes: number) =>
      browningMinutes(Float64Array.of(0, minutes), Float64Array.of(celsius, celsius));
    expect(held(121.1, 20)).toBeCloseTo(20, 9);
    expect(held(111.1, 200)).toBeGreaterThan(held(121.1, 20) * 3);
  });
});
