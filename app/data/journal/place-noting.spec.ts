import {
  HOUR_MS,
  MINUTE_MS,
  buildHouse,
  hollinRow,
  newId,
  withRows,
  type Entry,
  type EntryId,
} from '../../../core/index';
import { FileNoting, PlaceNoting } from './place-noting';

const NOW_MS = Date.parse('2026-03-02T18:00:00Z');
/** Hollin Row bears in its tent. */
const house = buildHouse(hollinRow(NOW_MS, NOW_MS - 18 * HOUR_MS));

describe('what a house must know of the air of a tent', () => {
  const read = (hour: number, value: number) =>
    Array.from({ length: 6 }, (_, i) => ({
      atMs: NOW_MS + hour * HOUR_MS + i * 10 * MINUTE_MS,
      value,
      channel: 'humidityPercent' as const,
    }));
  const typed = (hour: number, value: number): Entry => {
    const at = new Date(NOW_MS + hour * HOUR_MS).toISOString();
    const id = newId(NOW_MS, Math.random) as EntryId;
    return {
      ...{ id, schemaVersion: 1, at, notedAt: at },
      kind: 'airRead',
      placeId: 'tent',
      channel: 'humidityPercent',
      value,
    };
  };

  it('is the hour that left its band and the one that is back, not each reading', () => {
    const noting = new PlaceNoting('tent', house);
    const values = [90, 90, 72, 71, 91, 90, 90].flatMap((value, hour) =>
      noting.hear('humidityPercent', read(hour, value), house).map((r) => [r.channel, r.value]),
    );
    expect(values).toEqual([
      ['humidityPercent', 72],
      ['humidityPercent', 91],
    ]);
    expect(noting.hear('lightLux', read(9, 400), house)).toEqual([]);
  });

  it('answers what somebody typed meanwhile', () => {
    const noting = new PlaceNoting('tent', house);
    noting.hear('humidityPercent', read(0, 90), house);
    noting.hear('humidityPercent', read(1, 90), house);
    const dry = withRows(house, { entries: [typed(1.9, 60)] });
    noting.hear('humidityPercent', read(2, 90), dry);
    const [news] = noting.hear('humidityPercent', read(3, 90), dry);
    expect(news?.value).toBe(90);
  });

  it('of a file is all that its warmth says, and of its moisture how it was at the end', () => {
    const noting = new FileNoting('tent', house);
    noting.add([90, 70, 91, 72].flatMap((value, hour) => read(hour, value)));
    noting.add(
      [16, 16, 21].flatMap((value, h) => read(h, value).map((r) => ({ ...r, channel: 'airC' as const }))),
    );
    expect(noting.end().map((r) => [r.channel, r.value])).toEqual([
      ['airC', 16],
      ['airC', 21],
      ['humidityPercent', 72],
    ]);
  });
});
