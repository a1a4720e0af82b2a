import { coolingBucket, dryHeatMinutes, heldInBath, limeBath, mixTemperature } from '../../index.js';
import { outOfRange } from '../../testing/refused.js';

const straw = {
  waterKg: 12,
  waterC: 98,
  substrateKg: 1.5,
  moisture: 0.12,
  roomC: 18,
  vesselKg: 1,
  vessel: 'plastic' as const,
};

describe('a bucket with boiling water', () => {
  it('shares its heat: nothing is lost and nothing gained', () => {
    // 12 kg of water and what is cold: 1.5 kg of straw (0.18 kg water, 1.32 kg dry) and a kilogram of plastic.
    const cold = 0.18 * 4.19 + 1.32 * 1.7 + 1.9;
    expect(mixTemperature(straw)).toBeCloseTo((12 * 4.19 * 98 + cold * 18) / (12 * 4.19 + cold), 9);
    expect(mixTemperature({ ...straw, substrateKg: 0, vesselKg: 0 })).toBeCloseTo(98, 9);
  });

  it('is cooler with more and wetter substrate', () => {
    expect(mixTemperature({ ...straw, substrateKg: 4 })).toBeLessThan(mixTemperature(straw));
    expect(mixTemperature({ ...straw, moisture: 0.7 })).toBeLessThan(mixTemperature(straw));
    expect(() => mixTemperature({ ...straw, waterKg: 0 })).toThrowMatching(outOfRange('water'));
  });

  it('stays warm longer when it is hotter or wrapped; a larger one only in its middle', () => {
    const bucket = { liters: 20, mixC: 80, roomC: 18, wrapped: false };
    const above = (place: 'edge' | 'middle', over: Partial<typeof bucket>) =>
      coolingBucket({ ...bucket, ...over })[place].aboveMinutes;
    expect(above('edge', { mixC: 90 })).toBeGreaterThan(above('edge', {}));
    expect(above('edge', { wrapped: true })).toBeGreaterThan(60);
    expect(above('edge', { mixC: 55 })).toBe(0);
    expect(above('middle', { liters: 60 })).toBeGreaterThan(above('middle', {}));
  });

  it('is judged where it is coldest: its edge is warm for less than half an hour, where its middle is for hours', () => {
    const { edge, middle } = coolingBucket({ liters: 20, mixC: 90, roomC: 20, wrapped: false });
    expect(middle.aboveMinutes).toBeGreaterThan(240);
    expect(edge.aboveMinutes).toBeGreaterThan(24);
    expect(edge.aboveMinutes).toBeLessThan(30);
    // Two half-spaces under a film multiply along their common edge (Carslaw & Jaeger, Conduction of Heat in Solids,
    // 2.7; from memory): film 9 W/(m² K), conductivity 0.55 W/(m K), diffusivity 1.45e-7 m²/s. As long as the other
    // side of the bucket does not tell, that is the edge of a bucket too.
    const halfSpace = (minutes: number) => {
      const reach = (9 / 0.55) * Math.sqrt(1.45e-7 * minutes * 60);
      return Math.exp(reach * reach) * erfc(reach);
    };
    for (const minutes of [5, 10, 20, 30]) {
      const celsius = 20 + 70 * halfSpace(minutes) ** 2;
      expect(Math.abs(edge.celsius[minutes]! - celsius)).toBeLessThan(1.5);
    }
  });
});

describe('a bath', () => {
  const block = { kind: 'brick', lengthMm: 200, widthMm: 130, heightMm: 135 } as const;

  it('the middle of a 3.5 l block is only at about 56 °C after two hours of steam from cold', () => {
    const { celsius } = heldInBath({ shape: block, startC: 20, bathC: 100, minutes: 120, roomC: 20 });
    expect(Math.abs(celsius[120]! - 56)).toBeLessThan(6);
  });

  it('counts from when the middle arrives, and says when that is', () => {
    const held = (minutes: number) => heldInBath({ shape: block, startC: 20, bathC: 80, minutes, roomC: 20 });
    expect(held(60).warmAtMinutes).toBeUndefined();
    const long = held(400);
    expect(long.celsius[Math.round(long.warmAtMinutes!)]!).toBeGreaterThanOrEqual(60);
    expect(held(500).aboveMinutes).toBeGreaterThan(long.aboveMinutes);
    expect(() =>
      heldInBath({ shape: block, startC: 20, bathC: 130, minutes: 60, roomC: 20 }),
    ).toThrowMatching(outOfRange('bath'));
  });
});

describe('loose straw in a bath', () => {
  const sack = { kind: 'brick', lengthMm: 600, widthMm: 400, heightMm: 400 } as const;
  const held = (bathC: number, minutes: number, loose: boolean) =>
    heldInBath({ shape: sack, startC: 15, bathC, minutes, roomC: 15, loose });

  it('is hot through in well under an hour, however thick: the water runs through it', () => {
    // 75 − 60 e^(−t/15) is 60 at t = 15 ln 4 = 20.8 min.
    expect(held(75, 90, true).warmAtMinutes).toBe(21);
    expect(held(75, 90, true).aboveMinutes).toBeGreaterThan(60);
    expect(held(75, 90, false).warmAtMinutes).toBeUndefined();
  });

  it('never gets hotter than its bath', () => {
    expect(held(58, 300, true).warmAtMinutes).toBeUndefined();
    expect(held(80, 600, true).hottestC).toBeLessThanOrEqual(80);
  });
});

/** Complementary error function of x ≥ 0, within 1.5e-7 (Abramowitz & Stegun 7.1.26). */
function erfc(x: number): number {
  const t = 1 / (1 + 0.3275911 * x);
  const series =
    t * (0.254829592 + t * (-0.284496736 + t * (1.421413741 + t * (-1.453152027 + t * 1.061405429))));
  return series * Math.exp(-x * x);
}

describe('lime and dry heat', () => {
  it('lime wants pH and hours, and says which lacks', () => {
    expect(limeBath(11.5, 16)).toEqual({
      enough: false,
      words: jasmine.stringContaining('too low') as never,
    });
    expect(limeBath(12.4, 9).words).toContain('3 h more');
    expect(limeBath(12.4, 14).enough).toBeTrue();
    expect(limeBath(12.4, 20).words).toContain('softens');
  });

  it('dry heat has the published pairs and none below 160 °C', () => {
    expect([150, 160, 175, 180, 250].map(dryHeatMinutes)).toEqual([undefined, 120, 60, 30, 30]);
  });
});
