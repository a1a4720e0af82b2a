import { TestBed } from '@angular/core/testing';
import { firstValueFrom } from 'rxjs';
import {
  DAY_MS,
  MINUTE_MS,
  newId,
  readingsOf,
  soundReadings,
  subjectOfCook,
  subjectOfPlace,
  lastReadC,
  airTroubles,
  tooHotAt,
  type CookView,
  type ReadingChunk,
} from '../../../core/index';
import { anotherTab, demoHouse, until, type SpecHouse } from '../../testing/house';
import { Notices } from '../store/notices';
import { ReadingStore } from '../store/reading-store';
import { ReadingsFiles, type ReadingsFileWish } from '../work/readings-file';
import { Journal } from './journal';
import { ReadingsBook, type Unkept } from './readings-book';

describe('readings', () => {
  let setup: SpecHouse;
  let book: ReadingsBook;
  beforeEach(async () => {
    setup = await demoHouse();
    book = TestBed.inject(ReadingsBook);
    await setup.db.rows('readings').clear();
  });
  afterEach(() => setup.close());

  const cook = (): CookView => setup.house().cooks[0]!;
  const chunks = (): Promise<ReadingChunk[]> => setup.db.rows('readings').toArray();
  const startMs = Date.now() - 3 * 3_600_000;
  const line = (minute: number, value: number, channel: Unkept['channel'] = 'coreC'): Unkept => ({
    subject: subjectOfCook(cook().cook.id),
    source: 'logger',
    channel,
    atMs: startMs + minute * MINUTE_MS,
    value,
  });
  const logs = () => cook().logRows.filter((l) => l.source === 'logger');

  describe('of an instrument', () => {
    it('grow one chunk a channel, and the house knows their course at once', async () => {
      expect(await book.keep([line(0, 80), line(1, 82), line(0, 100, 'chamberC')])).toBe('saved');
      expect(await book.keep([line(2, 84)])).toBe('saved');
      const kept = await chunks();
      expect(kept.map((c) => [c.channel, c.count, c.subject]).sort()).toEqual([
        ['chamberC', 1, subjectOfCook(cook().cook.id)],
        ['coreC', 3, subjectOfCook(cook().cook.id)],
      ]);
      expect(kept.every((c) => c.device === setup.store.ready()!.device)).toBeTrue();
      expect(readingsOf(cook().logs, 'coreC').map((r) => r.value)).toEqual([80, 82, 84]);
    });

    it('of a place tell the house what is new of its air, once, and are nobody’s press', async () => {
      const air = (minute: number, value: number): Unkept => ({
        ...line(minute, value, 'airC'),
        subject: subjectOfPlace('shelf'),
        source: 'wardrobe',
      });
      const noted = () =>
        setup.house().facts.flatMap((f) => (f.kind === 'placeRead' && f.source === 'wardrobe' ? [f] : []));
      const before = TestBed.inject(Journal).last()?.entry.id;
      expect(await book.keep([air(0, 30), air(1, 31)])).toBe('saved');
      expect(noted().map((f) => [f.placeId, f.celsius])).toEqual([['shelf', 30.5]]);
      expect(lastReadC(setup.house(), 'shelf')!.celsius).toBe(30.5);
      expect(tooHotAt(setup.house(), 'shelf', Date.now())!.celsius).toBe(30.5);
      await book.keep([air(2, 31), air(3, 31)]);
      expect(noted().length).toBe(1);
      await book.keep([air(4, 24)]);
      expect(noted().map((f) => f.celsius)).toEqual([30.5, 24]);
      expect(TestBed.inject(Journal).last()?.entry.id).toBe(before);
      expect((await chunks()).map((c) => [c.subject, c.count])).toEqual([['place:shelf', 5]]);
    });

    it('of a tent tell by the hour when its air left its band, so that somebody mists', async () => {
      const moist = (minute: number, value: number): Unkept => ({
        ...line(minute, value, 'humidityPercent'),
        subject: subjectOfPlace('tent'),
        source: 'tent stick',
      });
      const noted = () => setup.house().facts.flatMap((f) => (f.kind === 'airRead' ? [f] : []));
      const from = -300;
      for (let minute = 0; minute < 290; minute += 10) {
        // Two hours too dry, with a wet minute at a press of the mister, then as it should be.
        const value = minute < 120 ? (minute === 30 ? 97 : 74) : 90;
        await book.keep([moist(from + minute, value)]);
      }
      const values = noted().map((f) => f.value);
      expect(values.length).withContext(String(values)).toBeGreaterThanOrEqual(2);
      expect(values.length).toBeLessThanOrEqual(3);
      expect(values[0]).toBeLessThan(80);
      // As it is shown, 85 % at the least.
      expect(values.at(-1)).toBeGreaterThanOrEqual(84.5);
      expect(airTroubles(setup.house(), Date.now())).toEqual([]);
      expect((await chunks()).filter((c) => c.channel === 'humidityPercent').length).toBe(1);
    });

    it('in two tabs grow a chunk each, and neither writes over the other', async () => {
      await book.keep([line(0, 80)]);
      const tab = await anotherTab(setup);
      await tab.get(ReadingsBook).keep([line(1, 81)]);
      await book.keep([line(2, 82)]);
      expect((await chunks()).map((c) => c.count).sort()).toEqual([1, 2]);
      await until(setup.store, () => readingsOf(cook().logs, 'coreC').length === 3);
      tab.close();
    });

    it('of a cook that is not here are refused in words, and no chunk is begun', async () => {
      const lost = {
        ...line(0, 80),
        subject: subjectOfCook('018f0000-0000-7000-8000-000000000001' as never),
      };
      expect(await book.keep([line(0, 80), lost])).toBe('refused');
      expect(await chunks()).toEqual([]);
      expect(TestBed.inject(Notices).shown().at(-1)!.text).toMatch(/left out: Cook/);
      expect(await book.keep([{ ...line(0, 80), atMs: Date.now() + DAY_MS }])).toBe('refused');
      expect(await book.keep([line(0, 80)])).toBe('saved');
    });

    it('that a person left out stay left out while they go on', async () => {
      await book.keep([line(0, 118), line(1, 119)]);
      expect(await book.leaveOut(logs(), true)).toBeTrue();
      expect(cook().logs.some((l) => l.source === 'logger')).toBeFalse();
      await book.keep([line(2, 120)]);
      expect(logs().map((l) => [l.count, l.leftOut])).toEqual([[3, true]]);
      await book.leaveOut(logs(), false);
      expect(logs()[0]!.leftOut).toBeUndefined();
      expect((await chunks())[0]!.count).toBe(3);
    });
  });

  describe('of several instruments in one place', () => {
    const tent = subjectOfPlace('tent');
    const hour = (n: number) => new Date(startMs - DAY_MS * 30 + n * 3_600_000);
    const chunk = (source: string, n: number, over: Partial<ReadingChunk> = {}): ReadingChunk => ({
      id: `${source}-${String(n).padStart(4, '0')}`,
      schemaVersion: 1,
      subject: tent,
      channel: 'airC',
      source,
      at: hour(n).toISOString(),
      count: 1,
      span: 0,
      seconds: [0],
      values: [20],
      ...over,
    });

    it('that begin their chunks at the same moments are all drawn', async () => {
      const hours = Array.from({ length: 101 }, (_, n) => n);
      await setup.db
        .rows('readings')
        .bulkPut(hours.flatMap((n) => [chunk('a', n), chunk('b', n), chunk('c', n, { values: [25] })]));
      const window = { fromMs: hour(-0.5).getTime(), toMs: hour(100.5).getTime(), pixels: 101 };
      const thinner = await TestBed.inject(ReadingStore).thinned(tent, 'airC', window);
      const bins = thinner.stretches(DAY_MS).flat();
      expect(bins.map((b) => b.count)).toEqual(hours.map(() => 3));
      expect(bins.every((b) => b.most === 25)).toBeTrue();
    });

    it('of months are drawn by the hours of each chunk, which are kept with it, grow with it and go with it', async () => {
      const values = (n: number) => [18 + (n % 5), 24, 19];
      const days = Array.from({ length: 120 }, (_, n) => n);
      const rows = days.map((n) =>
        chunk('a', 24 * n, { count: 3, span: 1200, seconds: [0, 600, 1200], values: values(n) }),
      );
      await setup.db.rows('readings').bulkPut(rows);
      const inWords = async () => {
        const window = { fromMs: hour(-1).getTime(), toMs: hour(24 * 120).getTime(), pixels: 480 };
        const thinner = await TestBed.inject(ReadingStore).thinned(tent, 'airC', window);
        const bins = thinner.stretches(DAY_MS).flat();
        return {
          count: bins.reduce((sum, b) => sum + b.count, 0),
          least: bins.map((b) => b.least),
          most: bins.map((b) => b.most),
          ...thinner.summary((v) => v > 20),
        };
      };
      const whole = {
        count: 360,
        least: days.map((n) => Math.min(...values(n))),
        most: days.map(() => 24),
        silences: 119,
        outsideMs: 120 * 600_000,
      };
      expect(await inWords()).toEqual(whole);
      expect(await setup.db.digests.count()).toBe(120);

      // Those of an earlier version have none, and are read once to make them; a row that is no chunk is passed by.
      await setup.db.digests.clear();
      await setup.db.rows('readings').put({ ...rows[3]!, id: newId(1, Math.random), values: 3 } as never);
      expect(await inWords()).toEqual(whole);
      expect(await setup.db.digests.count()).toBe(120);

      const longer = { count: 4, span: 1800, seconds: [0, 600, 1200, 1800], values: [...values(7), 30] };
      await setup.db.rows('readings').put({ ...rows[7]!, ...longer });
      expect((await inWords()).most[7]).toBe(30);
      await setup.db.rows('readings').bulkDelete(rows.slice(60).map((row) => row.id));
      expect((await inWords()).least.length).toBe(60);
      expect(await setup.db.digests.count()).toBe(60);
      await setup.db.rows('readings').clear();
      expect((await inWords()).count).toBe(0);
      expect(await setup.db.digests.count()).toBe(0);
    });

    it('are read last where one spoke last, whichever began its chunk last', async () => {
      const long = chunk('a', 0, {
        count: 3,
        span: 36_000,
        seconds: [0, 18_000, 36_000],
        values: [20, 21, 22],
      });
      await setup.db.rows('readings').bulkPut([long, chunk('b', 3, { values: [19] })]);
      const [series] = await firstValueFrom(TestBed.inject(ReadingStore).seriesOf(tent));
      expect(series!.last).toBe(22);
      expect(series!.toMs).toBe(hour(10).getTime());
      expect(series!.source).toBe('a');
    });
  });

  describe('of a file', () => {
    const bring = (text: string, over: Partial<ReadingsFileWish> = {}) =>
      TestBed.inject(ReadingsFiles).bring({
        file: new File([text], 'tent.csv'),
        subject: subjectOfPlace('tent'),
        onProgress: () => undefined,
        isStopped: () => false,
        ...over,
      });
    /** A climate logger: two columns, a line every five minutes. */
    const climate = (count: number) =>
      [
        'time,temp C,RH %',
        ...Array.from(
          { length: count },
          (_, i) =>
            `${new Date(Date.now() - DAY_MS * 300 + i * 300_000).toISOString()},${18 + (i % 5)},${80 + (i % 9)}`,
        ),
      ].join('\n');

    it('of a place come in by their headings, say how far they are, and are found again by window', async () => {
      const shares: number[] = [];
      const came = await bring(climate(20_000), { onProgress: (share) => shares.push(share) });
      expect(came).toEqual({ readings: 40_000, skipped: 1 });
      expect(shares.length).toBeGreaterThan(2);
      expect([...shares].sort((a, b) => a - b)).toEqual(shares);
      expect(shares.at(-1)).toBe(1);
      const all = await chunks();
      expect(all.every((c) => c.span <= 86_400 && c.count <= 2000)).toBeTrue();
      // A fact a day, so that forecasts know how warm it was without reading them all.
      const days = () =>
        setup.house().facts.filter((f) => f.kind === 'placeRead' && f.source === 'tent.csv').length;
      expect(days()).toBeGreaterThan(60);
      expect(days()).toBeLessThan(75);
      // Of how moist it was no more than how it was at the end: nobody acts on last spring's air.
      const moist = setup.house().facts.filter((f) => f.kind === 'airRead' && f.source === 'tent.csv');
      expect(moist.length).toBeLessThanOrEqual(1);
      const store = TestBed.inject(ReadingStore);
      const fromMs = Date.now() - DAY_MS * 290;
      const thinner = await store.thinned(subjectOfPlace('tent'), 'airC', {
        fromMs,
        toMs: fromMs + DAY_MS,
        pixels: 24,
      });
      const bins = thinner.stretches(3_600_000).flat();
      expect(bins.length).toBe(24);
      expect(bins.reduce((sum, b) => sum + b.count, 0)).toBe(288);
      expect([bins[3]!.least, bins[3]!.most]).toEqual([18, 22]);
    });

    it('brought in twice are there once', async () => {
      await bring(climate(900));
      const before = await chunks();
      await bring(climate(900).replace(/\.\d{3}Z/g, '.000Z'));
      const text = climate(700);
      await setup.db.rows('readings').clear();
      await bring(text);
      const once = await chunks();
      await bring(text);
      expect(await chunks()).toEqual(once);
      expect(before.length).toBeGreaterThan(0);
    });

    it('stopped half-way leave nothing of it behind, and nothing that was there before is taken', async () => {
      const text = climate(30_000);
      const half = text.split('\n').slice(0, 2000).join('\n');
      await bring(half);
      const before = await chunks();
      let asked = 0;
      await expectAsync(bring(text, { isStopped: () => ++asked > 2 })).toBeRejectedWithError(/Stopped/);
      const ids = (list: readonly ReadingChunk[]) => list.map((c) => c.id).sort();
      expect(ids(await chunks())).toEqual(ids(before));
    });

    it('that cannot be, half-way, leave nothing either, and say why', async () => {
      const future = `${new Date(Date.now() + DAY_MS).toISOString()},20,80`;
      await expectAsync(bring(`${climate(12_000)}\n${future}`)).toBeRejectedWith(
        jasmine.objectContaining({ code: 'bad-moment' }),
      );
      await expectAsync(bring('a,b\n1,20\n2,21')).toBeRejectedWithError(/says no dates/);
      await expectAsync(bring('nothing')).toBeRejectedWith(jasmine.objectContaining({ code: 'no-readings' }));
      expect(await chunks()).toEqual([]);
    });

    it('of a cook count for it when all is in, and never before', async () => {
      const { lidOnMs } = cook().state;
      const text = ['s,C', ...Array.from({ length: 30_000 }, (_, i) => `${i / 4},121.1`)].join('\n');
      const wish = { subject: subjectOfCook(cook().cook.id), channel: 'coreC', startMs: lidOnMs } as const;
      let seen = 0;
      await bring(text, {
        ...wish,
        isStopped: () => {
          seen = Math.max(seen, cook().logRows.length);
          return false;
        },
      });
      expect(seen).toBe(0);
      // 29 999 quarters of a second at the reference.
      expect(cook().probedF0!).toBeCloseTo(29_999 / 240, 3);
      expect(readingsOf(cook().logs, 'coreC').length).toBeLessThan(300);
      expect((await chunks()).flatMap((c) => soundReadings('coreC', c)).length).toBe(30_000);
    });
  });
});
