import { heatNeed } from '../index.js';
import { outOfRange } from '../testing/refused.js';
import { TOTE } from '../testing/tote-rows.js';

describe('what keeps a place warm', () => {
  it('is what its walls lose, as worked by hand', () => {
    // 1.18 m² of 2 mm polypropylene between still airs: 0.2591 m² K/W, 36.4 W for 8 K.
    expect(heatNeed(TOTE).lossW).toBeCloseTo(36.44, 1);
    expect(heatNeed(TOTE).heaterW).toBe(75);
    expect(heatNeed(TOTE).warmUpHours).toBe(0);
    // With 20 mm of foam: 0.8214 m² K/W, 11.5 W.
    expect(heatNeed({ ...TOTE, wall: 'insulated' }).lossW).toBeCloseTo(11.49, 1);
    expect(heatNeed({ ...TOTE, wall: 'insulated' }).heaterW).toBe(25);
  });

  it('of a bath of water is more at its sides and less at its lid, and takes its time', () => {
    const bath = heatNeed({ ...TOTE, waterL: 20 });
    // 0.94 m² ÷ 0.1341 and 0.24 m² ÷ 0.4282: 7.570 W/K.
    expect(bath.lossW).toBeCloseTo(60.57, 1);
    expect(bath.heaterW).toBe(100);
    // 20 kg by 8 K are 186 Wh, at 100 − 30 W.
    expect(bath.warmUpHours).toBeCloseTo(186.04 / 69.7, 1);
  });

  it('is nothing in a room that is warm enough, and none is sold for a hall', () => {
    expect(heatNeed({ ...TOTE, roomC: 27 })).toEqual({ lossW: 0, warmUpHours: 0 });
    const hall = heatNeed({ ...TOTE, lengthMm: 3000, widthMm: 3000, heightMm: 2500, roomC: 0 });
    expect(hall.heaterW).toBeUndefined();
    expect(() => heatNeed({ ...TOTE, lengthMm: 3 })).toThrowMatching(outOfRange('length'));
  });
});
