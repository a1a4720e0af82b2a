import { MELTS_C, meltMinutes, shippedVesselTypes } from '../index.js';

const AT = '2026-01-01T00:00:00.000Z';
const bottle = shippedVesselTypes(AT).find((v) => v.id === 'bottle-500')!;

describe('agar melted again', () => {
  it('stands between the lumped model and pure conduction', () => {
    const { low, high } = meltMinutes(bottle, 450, 100, 20)!;
    expect(low).toBeLessThan(high);
    // Another way: one term of a long cylinder, 1.602 exp(−5.783 Fo), whose ends are shut. The bottom helps a little.
    const radiusM = Math.cbrt((500 * 1000) / (Math.PI * 3.79)) / 1000;
    const longCylinder =
      ((Math.log((1.602 * (100 - 20)) / (100 - MELTS_C)) / 5.783) * (radiusM ** 2 / 1.45e-7)) / 60;
    expect(high).toBeGreaterThan(longCylinder * 0.85);
    expect(high).toBeLessThanOrEqual(Math.ceil(longCylinder));
    // And a lag of half a radius of water behind 160 W/m²K, less the bottom.
    const lagMinutes = (4190 * 1000 * (radiusM / 2)) / 160 / 60;
    expect(low).toBeLessThan(lagMinutes * Math.log(80 / 15) + 1);
  });

  it('takes longer for more, from the fridge and where water boils cooler', () => {
    const high = (ml: number, boilC: number, fromC: number) => meltMinutes(bottle, ml, boilC, fromC)!.high;
    expect(high(450, 100, 4)).toBeGreaterThan(high(450, 100, 20));
    expect(high(450, 94, 20)).toBeGreaterThan(high(450, 100, 20));
    expect(meltMinutes(bottle, 450, 100, 20)!.low).toBeGreaterThan(meltMinutes(bottle, 100, 100, 20)!.low);
  });

  it('never melts where water boils below 85 °C', () => {
    expect(meltMinutes(bottle, 450, 84, 20)).toBeUndefined();
  });
});
