import { HOUR_MS, airIsNews, airTroubles, checkEntry, dueItems, isLate } from '../index.js';
import { CultureBench } from '../testing/culture-bench.js';
import { outOfRange } from '../testing/refused.js';

/** A block that fruits in the tent from day 30 on. */
function fruiting(isolateId: 'bp' | 'ko' = 'bp'): CultureBench {
  const bench = new CultureBench();
  bench.openedBlocks(1, isolateId);
  return bench;
}

describe('air that does not suit what fruits', () => {
  const read = (bench: CultureBench, day: number, channel: 'humidityPercent' | 'co2Ppm', value: number) => {
    bench.say(day, { kind: 'airRead', placeId: 'tent', channel, value });
  };
  const answers = (bench: CultureBench, day: number) =>
    airTroubles(bench.house, bench.day(day)).map((t) => [t.channel, t.side, t.answer]);

  it('asks for mist where it is dry and for fresh air where it is wet or stale, until that is done', () => {
    const bench = fruiting();
    read(bench, 31, 'humidityPercent', 72);
    expect(answers(bench, 31.01)).toEqual([['humidityPercent', 'below', 'misted']]);
    bench.say(31.02, { kind: 'tended', placeId: 'tent', how: 'fanned' });
    expect(answers(bench, 31.03).length).toBe(1);
    bench.say(31.04, { kind: 'tended', placeId: 'tent', how: 'misted' });
    expect(answers(bench, 31.05)).toEqual([]);
    read(bench, 31.1, 'humidityPercent', 99);
    read(bench, 31.1, 'co2Ppm', 1600);
    expect(answers(bench, 31.2)).toEqual([
      ['humidityPercent', 'above', 'fanned'],
      ['co2Ppm', 'above', 'fanned'],
    ]);
    read(bench, 31.3, 'humidityPercent', 90);
    expect(answers(bench, 31.4)).toEqual([['co2Ppm', 'above', 'fanned']]);
    expect(answers(bench, 32.2)).withContext('long ago').toEqual([]);
  });

  it('is a deed of the day at the Tent, at once', () => {
    const bench = fruiting();
    read(bench, 31, 'co2Ppm', 1600);
    const [first, ...later] = dueItems(bench.house, bench.day(31.1));
    expect([first!.deed.kind, first!.place, first!.exact, first!.atMs]).toEqual([
      'air',
      'tent',
      true,
      bench.day(31),
    ]);
    expect(later.length).withContext('before all else').toBeGreaterThan(0);
    expect(isLate(first!, bench.day(31.1), bench.day(31)))
      .withContext('it lasts')
      .toBeFalse();
  });

  it('goes by what fruits there: long stems bear more, and an empty tent asks for nothing', () => {
    const stems = fruiting('ko');
    read(stems, 31, 'co2Ppm', 1600);
    expect(answers(stems, 31.1)).toEqual([]);
    const empty = new CultureBench();
    read(empty, 31, 'humidityPercent', 40);
    expect(answers(empty, 31.1)).toEqual([]);
  });

  it('is news when it leaves its band, while it stays out twice a day, and when it is back', () => {
    const { house } = fruiting();
    const isNews = airIsNews(house, 'tent', 'humidityPercent');
    const at = (hour: number, value: number) => ({ atMs: hour * HOUR_MS, value });
    expect(isNews(at(0, 90), undefined)).toBeFalse();
    expect(isNews(at(0, 70), undefined)).toBeTrue();
    expect(isNews(at(5, 72), at(0, 70))).toBeFalse();
    expect(isNews(at(12, 72), at(0, 70))).toBeTrue();
    expect(isNews(at(13, 99), at(12, 72)))
      .withContext('from too dry to too wet')
      .toBeTrue();
    expect(isNews(at(14, 90), at(13, 99))).toBeTrue();
    expect(isNews(at(40, 91), at(14, 90))).toBeFalse();
    expect(isNews(at(41, 84.6), at(40, 91)))
      .withContext('it reads 85 %')
      .toBeFalse();
    expect(isNews(at(41, 84.4), at(40, 91))).toBeTrue();
  });

  it('refuses what no instrument shows', () => {
    const { house } = fruiting();
    const at = house.facts.at(-1)!.at;
    const said = (channel: 'humidityPercent' | 'co2Ppm', value: number) => () => {
      checkEntry(
        house,
        {
          id: 'x' as never,
          schemaVersion: 1,
          at,
          notedAt: at,
          kind: 'airRead',
          placeId: 'tent',
          channel,
          value,
        },
        Date.parse(at),
      );
    };
    expect(said('humidityPercent', 120)).toThrowMatching(outOfRange('humidity'));
    expect(said('co2Ppm', 12)).toThrowMatching(outOfRange('carbonDioxide'));
    expect(said('co2Ppm', 800)).not.toThrow();
  });
});
