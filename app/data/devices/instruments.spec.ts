import { TestBed } from '@angular/core/testing';
import type { CookView } from '../../../core/index';
import { FakeSource } from '../../testing/fake-source';
import { demoHouse, until, type SpecHouse } from '../../testing/house';
import { Instruments } from './instruments';
import { ReadingsBook } from '../journal/readings-book';
import { Scale } from './scale';

describe('instruments', () => {
  let setup: SpecHouse;
  let instruments: Instruments;
  const real = globalThis.EventSource;
  const cook = (): CookView => setup.house().cooks.find((c) => c.cook.number === 14)!;
  const source = () => FakeSource.opened.at(-1)!;
  const iso = (secondsAgo: number) => new Date(Date.now() - secondsAgo * 1000).toISOString();

  beforeEach(async () => {
    FakeSource.opened = [];
    globalThis.EventSource = FakeSource as unknown as typeof EventSource;
    sessionStorage.clear();
    setup = await demoHouse();
    instruments = TestBed.inject(Instruments);
  });
  afterEach(async () => {
    instruments.disconnect();
    globalThis.EventSource = real;
    await setup.close();
  });
  const connect = (kind: 'logger' | 'pretended') => {
    instruments.connect({ cookId: cook().cook.id, kind, fault: 'none', pace: 1 });
  };

  it('a pretended canner is asked for this cook, from now on', () => {
    connect('pretended');
    const query = new URL(source().url, 'http://x').searchParams;
    expect(Number(query.get('hold'))).toBe(101);
    expect(Number(query.get('from'))).toBeGreaterThan(3000);
    expect(query.get('fault')).toBe('none');
  });

  it('shows what is due and keeps back what is not', () => {
    connect('pretended');
    const since = Math.floor((Date.now() - cook().state.lidOnMs!) / 1000);
    source().say({ second: since - 5, gaugeKPa: 103, chamberC: 119.6, coreC: 80 });
    source().say({ second: since + 500, gaugeKPa: 1, chamberC: 20 });
    expect(instruments.latest().get('chamberC')!.value).toBe(119.6);
    expect(instruments.latest().get('coreC')!.value).toBe(80);
    expect(instruments.air()!).toBeLessThan(0.03);
    expect(instruments.silentSinceMs()).toBeUndefined();
  });

  it('notes a step that shows for long enough, and keeps the readings with the cook', async () => {
    connect('logger');
    const readings = Array.from({ length: 13 }, (_, i) => [
      { at: iso(130 - i * 10), channel: 'gaugeKPa', value: 60 },
      { at: iso(130 - i * 10), channel: 'chamberC', value: 112 },
    ]).flat();
    source().say({ source: 'logger', readings });
    await until(setup.store, () => cook().state.phase === 'lost');
    await until(setup.store, () => cook().logs.length >= 2);
    expect(new Set(cook().logs.map((l) => l.channel))).toEqual(new Set(['gaugeKPa', 'chamberC']));
  });

  it('passes over what is no reading, and what a scale says', () => {
    connect('logger');
    source().say('{ broken');
    source().say({ source: 'x', readings: [{ at: 'never', channel: 'coreC', value: 1 }] });
    source().say({ source: 'scale', readings: [{ at: iso(1), channel: 'scaleG', value: 420 }] });
    source().say({ source: 'x', readings: [{ at: iso(1), channel: 'coreC', value: 5000 }] });
    expect(instruments.latest().size).toBe(0);
  });

  it('passes over what no instrument in order could show, counts it, and keeps the rest of the minute', async () => {
    connect('logger');
    const at = (secondsAgo: number) => ({ at: iso(secondsAgo), channel: 'coreC' });
    source().say({
      source: 'logger',
      readings: [
        { ...at(130), value: 88 },
        { ...at(70), value: 327.67 },
        { ...at(60), value: 90 },
      ],
    });
    expect(instruments.faulty()).toBe(1);
    await until(setup.store, () => cook().logs.length > 0);
    expect(cook().logs.flatMap((l) => [...l.values])).toEqual([88, 90]);
  });

  it('steam below freezing is air, and breaks nothing', () => {
    connect('logger');
    source().say({
      source: 'logger',
      readings: [
        { at: iso(2), channel: 'gaugeKPa', value: 100 },
        { at: iso(2), channel: 'chamberC', value: -20 },
      ],
    });
    expect(instruments.air()!).toBeGreaterThan(0.9);
  });

  it('keeps what could not be saved, and saves it with what comes next', async () => {
    connect('logger');
    const save = spyOn(TestBed.inject(ReadingsBook), 'keep').and.resolveTo('later');
    const say = (secondsAgo: number, value: number) => {
      source().say({ source: 'logger', readings: [{ at: iso(secondsAgo), channel: 'coreC', value }] });
    };
    say(300, 81);
    say(200, 82);
    await Promise.resolve();
    expect(save).toHaveBeenCalled();
    save.and.callThrough();
    await new Promise((resolve) => setTimeout(resolve));
    say(100, 83);
    await until(setup.store, () => cook().logs.length > 0);
    expect(cook().logs.flatMap((l) => [...l.values])).toEqual([81, 82, 83]);
  });

  it('readings belong to the cook that was connected when they came', async () => {
    connect('logger');
    source().say({ source: 'logger', readings: [{ at: iso(30), channel: 'coreC', value: 77 }] });
    const first = cook().cook.id;
    const other = setup.house().cooks[0]!.cook.id;
    instruments.connect({ cookId: other, kind: 'logger', fault: 'none', pace: 1 });
    expect(instruments.latest().size).toBe(0);
    await until(setup.store, (h) => h.cookById.get(first)!.logs.length > 0);
    expect(setup.house().cookById.get(other)!.logs.length).toBe(0);
  });

  it('after a reload listens to the same for the same cook, and for no other', () => {
    sessionStorage.setItem(
      'nailwort-instrument',
      JSON.stringify({ cookId: cook().cook.id, kind: 'logger', fault: 'none', pace: 1 }),
    );
    instruments.resume(setup.house().cooks[0]!.cook.id);
    expect(FakeSource.opened.length).toBe(0);
    instruments.resume(cook().cook.id);
    expect(source().url).toBe('/instruments/readings');
    instruments.disconnect();
    expect(source().closed).toBe(true);
    expect(sessionStorage.getItem('nailwort-instrument')).toBeNull();
  });

  it('a scale shows what lies on it, from either kind, until it is stopped', () => {
    const scale = TestBed.inject(Scale);
    scale.listen(435);
    expect(source().url).toBe('/instruments/scale?grams=435');
    source().say({ grams: 402, steady: false });
    expect(scale.reading()!.steady).toBe(false);
    scale.listen();
    source().say({ source: 'kitchen', readings: [{ at: iso(0), channel: 'scaleG', value: 1971 }] });
    expect(scale.reading()!.grams).toBe(1971);
    source().say('nonsense');
    scale.stop();
    expect(scale.reading()).toBeUndefined();
    expect(source().closed).toBe(true);
  });
});
