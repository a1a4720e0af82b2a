import { roomAt, type Place, type VesselView } from '../index.js';

const of = (kind: VesselView['batch']['vessel']['kind'], count: number): readonly VesselView[] =>
  Array.from({ length: count }, () => ({ batch: { vessel: { kind } } }) as VesselView);
const room = (place: Pick<Place, 'holds' | 'roomFor'>, ...standing: (readonly VesselView[])[]) =>
  roomAt(place, standing.flat());

describe('room at a place', () => {
  it('is not told where nobody said how much stands there', () => {
    expect(room({}, of('jar', 7))).toEqual({ count: 7, left: [] });
  });

  it('is a number of anything', () => {
    expect(room({ holds: 12 }, of('jar', 3), of('bag', 3)).share).toBeCloseTo(0.5, 9);
    expect(room({ holds: 12 }, of('jar', 15)).share).toBeCloseTo(1.25, 9);
  });

  it('is shared by kinds, each by its own size, and what is left is told of each', () => {
    const place = { roomFor: { jar: 40, bag: 10 } };
    expect(room(place, of('jar', 20), of('bag', 5)).share).toBeCloseTo(1, 9);
    const { count, share, left } = room(place, of('jar', 8), of('bottle', 2), of('bag', 3));
    expect([count, share]).toEqual([13, jasmine.any(Number)]);
    expect(share).toBeCloseTo(10 / 40 + 3 / 10, 9);
    // 45 % are left: 18 jars, or 4 blocks and not quite a fifth.
    expect(left).toEqual([
      { of: 'jar', count: 18 },
      { of: 'bag', count: 4 },
    ]);
    expect(room(place, of('bag', 12)).left.map((l) => l.count)).toEqual([0, 0]);
  });

  it('goes by the number of anything for a kind that was not told, and by none for what lies flat', () => {
    const place = { holds: 20, roomFor: { bag: 10 } };
    expect(room(place, of('jar', 5), of('tray', 5)).share).toBeCloseTo(0.5, 9);
    expect(room({ roomFor: { bag: 10 } }, of('syringe', 30), of('jar', 5)).share).toBe(0);
  });
});
