import { TestBed } from '@angular/core/testing';
import { FakeSource } from '../../testing/fake-source';
import { demoHouse, until, type SpecHouse } from '../../testing/house';
import { Instruments } from './instruments';
import { ClimateFeed } from './climate-feed';
import { feedOf } from './kept-feed';

describe('a logger in a room', () => {
  let setup: SpecHouse;
  let feed: ClimateFeed;
  const real = globalThis.EventSource;
  const opened = async () => {
    for (let i = 0; i < 100 && FakeSource.opened.length === 0; i++) {
      await new Promise((resolve) => setTimeout(resolve, 10));
    }
    return FakeSource.opened.at(-1)!;
  };
  const says = (channel: string, value: number, secondsAgo = 1) => ({
    source: 'in the tent',
    readings: [{ at: new Date(Date.now() - secondsAgo * 1000).toISOString(), channel, value }],
  });
  const kept = async () =>
    (await setup.db.rows('readings').toArray()).filter((c) => c.source === 'in the tent');

  beforeEach(async () => {
    FakeSource.opened = [];
    globalThis.EventSource = FakeSource as unknown as typeof EventSource;
    setup = await demoHouse();
    feed = TestBed.inject(ClimateFeed);
  });
  afterEach(async () => {
    feed.stop();
    globalThis.EventSource = real;
    await setup.close();
  });

  it('is heard and kept as the place’s, but for what cannot be true and what is of a cook', async () => {
    feed.start({ kind: 'logger', placeId: 'tent' });
    const source = await opened();
    expect(source.url).toBe('/instruments/readings');
    source.say('no JSON');
    source.say(says('coreC', 63));
    source.say(says('airC', 327.67));
    expect(feed.heardAtMs()).toBeUndefined();
    source.say(says('airC', 12.5));
    await until(setup.store, (h) =>
      h.facts.some((f) => f.kind === 'placeRead' && f.source === 'in the tent' && f.celsius === 12.5),
    );
    expect((await kept()).map((c) => [c.subject, c.channel, c.values])).toEqual([
      ['place:tent', 'airC', [12.5]],
    ]);
    expect(TestBed.inject(Instruments).latest().size).toBe(0);
  });

  it('is heard again after a reload, until it is stopped; what was heard last is kept', async () => {
    feed.start({ kind: 'pretended', placeId: 'tent' });
    const source = await opened();
    expect(source.url).toBe('/instruments/tent');
    expect(feedOf('nailwort-demo') ?? feedOf('nailwort')).toEqual({ kind: 'pretended', placeId: 'tent' });
    source.say(says('humidityPercent', 91, 3));
    source.say(says('humidityPercent', 90, 2));
    feed.stop();
    for (let i = 0; i < 100 && ((await kept())[0]?.count ?? 0) < 2; i++) {
      await new Promise((resolve) => setTimeout(resolve, 10));
    }
    expect(feedOf('nailwort-demo') ?? feedOf('nailwort')).toBeUndefined();
    feed.resume();
    expect(feed.feed()).toBeUndefined();
  });
});
