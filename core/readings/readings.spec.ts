import fc from 'fast-check';
import {
  CHANNEL_LIMITS,
  DAY_MS,
  GAP_MS,
  Log,
  MINUTE_MS,
  ReadingChunk,
  Thinner,
  asProfile,
  chunksWith,
  courseOf,
  digestOf,
  isLogKeptAsEntry,
  logOf,
  mergeArchives,
  emptyRecords,
  movedFrom,
  probedF0,
  readingsOf,
  seededRandom,
  soundReadings,
  stretches,
  subjectOfCook,
  subjectOfPlace,
  type CookId,
  type CookLog,
  type EntryOf,
  type Reading,
} from '../index.js';
import { START_MS, entryMaker } from '../testing/sample-house.js';
import { sampleLog } from '../testing/sample-logs.js';

const cookId = '018f0000-0000-7000-8000-00000000c00c' as CookId;
const SERIES = { subject: subjectOfCook(cookId), channel: 'coreC', source: 'logger' } as const;
let made = 0;
const idOf = () => `018f0000-0000-7000-8000-${String(made++).padStart(12, '0')}`;
const every = (seconds: number, count: number, valueAt: (i: number) => number, from = START_MS): Reading[] =>
  Array.from({ length: count }, (_, i) => ({ atMs: from + i * seconds * 1000, value: valueAt(i) }));
const readOf = (chunks: readonly ReadingChunk[]) => chunks.flatMap((c) => soundReadings(c.channel, c));

/** ∫ 10^((T − 121.1)/10) dt by a thousand small steps to a segment: nothing of the product's own. */
function f0ByStraightSum(readings: readonly Reading[]): number {
  let sum = 0;
  for (let i = 1; i < readings.length; i++) {
    const [a, b] = [readings[i - 1]!, readings[i]!];
    if (b.atMs - a.atMs <= 180_000) {
      for (let k = 0; k < 1000; k++) {
        const celsius = a.value + ((b.value - a.value) * (k + 0.5)) / 1000;
        sum += (10 ** ((celsius - 121.1) / 10) * (b.atMs - a.atMs)) / 60_000 / 1000;
      }
    }
  }
  return sum;
}

/** A cook as a probe in the middle may see it, with silences. */
const anyCook = fc
  .record({
    every: fc.constantFrom(1, 2, 7, 30, 60, 100),
    count: fc.integer({ min: 2, max: 3000 }),
    seed: fc.nat(),
    silences: fc.array(fc.tuple(fc.nat({ max: 3000 }), fc.integer({ min: 100, max: 4000 })), {
      maxLength: 3,
    }),
  })
  .map(({ every: seconds, count, seed, silences }): Reading[] => {
    const random = seededRandom(seed);
    let atMs = START_MS;
    let celsius = 60;
    return Array.from({ length: count }, (_, i) => {
      const silence = silences.find(([at]) => at === i)?.[1] ?? 0;
      atMs += (seconds + silence) * 1000;
      celsius = Math.min(124, celsius + (random() - 0.4) * 2);
      return { atMs, value: Math.round(celsius * 10) / 10 };
    });
  });

describe('readings in chunks', () => {
  it('are all there, each chunk within its schema, however they come', () => {
    fc.assert(
      fc.property(anyCook, fc.integer({ min: 1, max: 700 }), (readings, slice) => {
        const kept = new Map<string, ReadingChunk>();
        let open: ReadingChunk | undefined;
        for (let from = 0; from < readings.length; from += slice) {
          const chunks = chunksWith(open, SERIES, readings.slice(from, from + slice), idOf);
          chunks.forEach((c) => kept.set(c.id, c));
          open = chunks.at(-1);
        }
        expect(readOf([...kept.values()])).toEqual(readings);
        for (const chunk of kept.values()) {
          expect(ReadingChunk.safeParse(chunk).error).toBeUndefined();
          expect([chunk.least, chunk.most]).toEqual([Math.min(...chunk.values), Math.max(...chunk.values)]);
        }
      }),
      { numRuns: 40 },
    );
  });

  it('end at two thousand, at a day, and where the clock went back', () => {
    const counts = (readings: readonly Reading[]) =>
      chunksWith(undefined, SERIES, readings, idOf).map((c) => c.count);
    expect(counts(every(1, 4500, () => 20))).toEqual([2000, 2000, 500]);
    expect(counts(every(300, 600, () => 20))).toEqual([289, 289, 22]);
    const [open] = chunksWith(
      undefined,
      SERIES,
      every(1, 100, () => 20),
      idOf,
    );
    const back = chunksWith(
      open,
      SERIES,
      every(1, 5, () => 21, START_MS + 30_000),
      idOf,
    );
    expect(back.map((c) => c.count)).toEqual([5]);
    expect(back[0]!.id).not.toBe(open!.id);
  });

  it('keep what no instrument could have shown, and count it for nothing', () => {
    const [chunk] = chunksWith(
      undefined,
      SERIES,
      every(60, 4, (i) => [20, 327.67, 21, -900][i]!),
      idOf,
    );
    expect(chunk!.values).toEqual([20, 327.67, 21, -900]);
    expect([chunk!.count, chunk!.least, chunk!.most]).toEqual([4, 20, 21]);
    expect(soundReadings('coreC', chunk!).map((r) => r.value)).toEqual([20, 21]);
    const [none] = chunksWith(
      undefined,
      SERIES,
      every(60, 1, () => 999),
      idOf,
    );
    expect([none!.least, none!.most]).toEqual([undefined, undefined]);
    expect(ReadingChunk.safeParse(none).success).toBeTrue();
  });

  it('are refused by their schema when they do not add up', () => {
    const [chunk] = chunksWith(
      undefined,
      SERIES,
      every(60, 3, () => 20),
      idOf,
    );
    const wrong: readonly (readonly [string, object])[] = [
      ['a count that is not theirs', { count: 2 }],
      ['fewer values than seconds', { values: [20, 20] }],
      ['time that runs backwards', { seconds: [0, 120, 60], span: 60 }],
      ['another last second', { span: 60 }],
      ['more than a day', { seconds: [0, 60, 90_000], span: 90_000 }],
      ['a subject that is none', { subject: 'cook:me' }],
      ['a value that is none', { values: [20, NaN, 20] }],
    ];
    for (const [what, over] of wrong) {
      expect(ReadingChunk.safeParse({ ...chunk, ...over }).success)
        .withContext(what)
        .toBeFalse();
    }
    const climate = { ...chunk, subject: subjectOfPlace('tent'), channel: 'co2Ppm' };
    expect(ReadingChunk.safeParse(climate).success).toBeTrue();
  });

  it('of one chunk that grew on one device and not on another, the longer stands, whoever brings it', () => {
    const [short] = chunksWith(
      undefined,
      SERIES,
      every(60, 9, () => 20),
      idOf,
    );
    const [long] = chunksWith(
      short,
      SERIES,
      every(60, 3, () => 19, START_MS + 9 * MINUTE_MS),
      idOf,
    );
    expect(long!.id).toBe(short!.id);
    const house = (chunk: ReadingChunk) => ({ ...emptyRecords(), readings: [chunk] });
    for (const [a, b] of [
      [short!, long!],
      [long!, short!],
    ] as const) {
      expect(mergeArchives(house(a), house(b)).records.readings).toEqual([long!]);
    }
  });
});

describe('what a house keeps of a chunk', () => {
  const coursed = (readings: readonly Reading[]) =>
    chunksWith(undefined, SERIES, readings, idOf).map((c) => logOf(c, cookId, 'coreC', c.at));

  it('shows every height of every minute, and every silence', () => {
    fc.assert(
      fc.property(anyCook, (readings) => {
        const logs = coursed(readings);
        logs.forEach((log) => expect(Log.safeParse(log).error).toBeUndefined());
        const course = readingsOf(logs, 'coreC');
        const silences = (all: readonly Reading[]) =>
          stretches(all).map((s) => [s[0]!.atMs, s[s.length - 1]!.atMs]);
        expect(silences(course)).toEqual(silences(readings));
        for (const { atMs, value } of readings) {
          const near = course.filter((r) => Math.abs(r.atMs - atMs) <= MINUTE_MS).map((r) => r.value);
          expect(Math.min(...near)).toBeLessThanOrEqual(value + 0.3);
          expect(Math.max(...near)).toBeGreaterThanOrEqual(value - 0.3);
        }
      }),
      { numRuns: 25 },
    );
  });

  it('of two readings that are as high keeps the first', () => {
    const minute = every(10, 60, (i) => (i === 2 || i === 4 ? 121 : 100));
    const [log] = coursed(minute);
    const kept = log!.seconds.map((second, i) => [second, log!.values[i]]);
    expect(kept).toContain([20, 121]);
    expect(kept).not.toContain([40, 121]);
  });

  it('joins two chunks that lie three minutes apart, and no more', () => {
    const piece = (fromS: number) =>
      sampleLog(
        'coreC',
        START_MS,
        [0, 60, 120].map((s) => [fromS + s, 121.1] as const),
      );
    const joined = probedF0([piece(0), piece(120 + GAP_MS / 1000)])!;
    const parted = probedF0([piece(0), piece(121 + GAP_MS / 1000)])!;
    expect(joined).toBeCloseTo(2 + 2 + GAP_MS / 60_000, 6);
    expect(parted).toBeCloseTo(4, 6);
  });

  it('is a sixtieth of a cook that was read each second', () => {
    const hold = every(1, 3 * 3600, (i) => 121 + (i % 2) * 0.1);
    const points = coursed(hold).reduce((sum, log) => sum + log.seconds.length, 0);
    expect(points).toBeLessThan(hold.length / 55);
    expect(points).toBeGreaterThanOrEqual(180);
  });

  it('tells the F0 of every reading, whatever it leaves out, and nothing across a silence', () => {
    fc.assert(
      fc.property(anyCook, (readings) => {
        const expected = f0ByStraightSum(readings);
        const told = probedF0(coursed(readings));
        if (stretches(readings).some((s) => s.length > 1)) {
          expect(told! / Math.max(expected, 1e-12)).toBeCloseTo(1, 4);
        } else {
          expect(told).toBeUndefined();
        }
      }),
      { numRuns: 25 },
    );
  });

  it('of two probes counts the colder, and of one that was read for a moment only, nothing', () => {
    const steady = (celsius: number, minutes: number, source: string): CookLog =>
      sampleLog(
        'coreC',
        START_MS,
        Array.from({ length: minutes + 1 }, (_, i) => [i * 60, celsius] as const),
        source,
      );
    expect(probedF0([steady(121.1, 30, 'a'), steady(118.1, 30, 'b')])).toBeCloseTo(30 * 10 ** -0.3, 6);
    expect(probedF0([steady(121.1, 30, 'a'), steady(118.1, 14, 'b')])).toBeCloseTo(30, 6);
    expect(probedF0([steady(121.1, 30, 'a'), steady(118.1, 15, 'b')])).toBeCloseTo(15 * 10 ** -0.3, 6);
  });

  it('leaves out what no thermometer shows', () => {
    const { values } = courseOf('coreC', {
      at: new Date(START_MS).toISOString(),
      seconds: [0, 1, 2, 3],
      values: [20, 1370, -50, 21],
    });
    expect(values).toEqual([20, 21]);
  });
});

describe('silences', () => {
  it('begin after three minutes', () => {
    const at = (seconds: number) => ({ atMs: START_MS + seconds * 1000, value: 20 });
    expect(stretches([at(0), at(180), at(360.001)]).map((s) => s.length)).toEqual([2, 1]);
  });
});

describe('readings as a profile', () => {
  it('are minutes since a start, before it too', () => {
    const readings = every(90, 3, (i) => 20 + i);
    expect(asProfile(readings, START_MS + MINUTE_MS)).toEqual([
      { minutes: -1, celsius: 20 },
      { minutes: 0.5, celsius: 21 },
      { minutes: 2, celsius: 22 },
    ]);
  });
});

describe('a log that was kept as an entry', () => {
  const entry = (readings: readonly (readonly [number, number])[]) =>
    entryMaker()(START_MS, {
      kind: 'logged',
      cookId,
      channel: 'coreC',
      source: 'logger',
      readings: readings.map(([s, v]) => [s, v] as [number, number]),
    }) as EntryOf<'logged'>;

  it('moves whole, and to the same place on every device', () => {
    const days = entry(Array.from({ length: 600 }, (_, i) => [i * 300, 20 + (i % 7)] as const));
    const moved = movedFrom(days);
    expect(moved.map((m) => m.chunk.count)).toEqual([289, 289, 22]);
    expect(moved[0]!.chunk.id).toBe(days.id);
    expect(readOf(moved.map((m) => m.chunk))).toEqual(
      days.readings.map(([s, value]) => ({ atMs: START_MS + s * 1000, value })),
    );
    moved.forEach(({ chunk, log }) => {
      expect(ReadingChunk.safeParse(chunk).success && Log.safeParse(log).success).toBeTrue();
    });
    expect(movedFrom(days)).toEqual(moved);
  });

  it('is told from a reading that was typed', () => {
    expect(isLogKeptAsEntry(entry([[0, 20]]))).toBeFalse();
    expect(
      isLogKeptAsEntry(
        entry([
          [0, 20],
          [60, 21],
        ]),
      ),
    ).toBeTrue();
  });
});

describe('readings thinned for drawing', () => {
  const CLIMATE = { subject: subjectOfPlace('tent'), channel: 'airC', source: 'x' } as const;
  const window = { fromMs: START_MS + 5 * MINUTE_MS, toMs: START_MS + DAY_MS, pixels: 97 };

  it('counts silences and hours outside a band, however coarse the window is', () => {
    const hour = 3_600_000;
    const window = { fromMs: START_MS, toMs: START_MS + 100 * hour, pixels: 2 };
    const thinner = new Thinner('airC', window);
    const isOutside = (shown: number) => shown > 20;
    // Each value as it was read at the full hour and half an hour before it.
    const chunk = (fromHour: number, values: readonly number[]) => ({
      at: new Date(START_MS + (fromHour - 0.5) * hour).toISOString(),
      seconds: values.flatMap((_, i) => [i * 3600, i * 3600 + 1800]).slice(1),
      values: values.flatMap((v) => [v, v]).slice(1),
    });
    // Ten hours, of which the last four are too warm; two hours of silence; then three good ones.
    thinner.add(chunk(12, [18, 18, 18]));
    thinner.add(chunk(0, [19, 19, 19, 19, 19, 19, 19, 21, 21, 21, 21]));
    expect(thinner.summary(isOutside)).toEqual({ silences: 1, outsideMs: 4 * hour });
    // A second instrument that read at once adds no hours and fills the silence.
    thinner.add(chunk(8, [21, 21, 21, 18, 18, 18]));
    const { silences, outsideMs } = thinner.summary(isOutside);
    expect(silences).toBe(0);
    expect(outsideMs / hour).toBeGreaterThan(4);
    expect(outsideMs / hour).toBeLessThan(6);
    expect(new Thinner('airC', window).summary()).toEqual({ silences: 0, outsideMs: 0 });
  });

  it('have the least, the most and the mean of every bin, as a plain search finds them', () => {
    const random = seededRandom(5);
    const readings = every(20, 6000, () => Math.round(random() * 400) / 10);
    const thinner = new Thinner('airC', window);
    const chunks = chunksWith(undefined, CLIMATE, readings, idOf);
    [...chunks].reverse().forEach((chunk) => {
      thinner.add(chunk);
    });
    const bins = thinner.stretches(GAP_MS).flat();
    const inside = readings.filter((r) => r.atMs >= window.fromMs && r.atMs <= window.toMs);
    expect(bins.reduce((sum, b) => sum + b.count, 0)).toBe(inside.length);
    expect(bins.length).toBe(97);
    for (const bin of bins) {
      const own = inside.filter((r) => r.atMs >= bin.fromMs && r.atMs <= bin.toMs).map((r) => r.value);
      expect([bin.least, bin.most]).toEqual([Math.min(...own), Math.max(...own)]);
      expect(bin.mean).toBeCloseTo(own.reduce((a, b) => a + b, 0) / own.length, 9);
      const widthMs = (window.toMs - window.fromMs) / window.pixels;
      expect(Math.floor((bin.fromMs - window.fromMs) / widthMs)).toBe(
        Math.min(96, Math.floor((bin.toMs - window.fromMs) / widthMs)),
      );
    }
  });

  it('say the same of months by the hours of each chunk as by every reading', () => {
    const random = seededRandom(8);
    const days = [0, 1, 2, 3, 5, 6, 7, 8, 9, 13];
    const chunks = days.flatMap((day) =>
      chunksWith(
        undefined,
        CLIMATE,
        every(
          300 + 60 * (day % 4),
          230,
          (i) => 17 + 6 * Math.sin(i / 40 + day) + random(),
          START_MS + day * DAY_MS,
        ),
        idOf,
      ),
    );
    const wide = { fromMs: START_MS - DAY_MS, toMs: START_MS + 15 * DAY_MS, pixels: 64 };
    const [raw, hourly] = [new Thinner('airC', wide), new Thinner('airC', wide)];
    chunks.forEach((chunk) => {
      raw.add(chunk);
      hourly.addDigest(digestOf(chunk));
    });
    const isOutside = (shown: number) => shown > 20;
    const [a, b] = [raw.summary(isOutside), hourly.summary(isOutside)];
    expect(b.silences).toBe(a.silences);
    expect(a.outsideMs).toBeGreaterThan(DAY_MS);
    expect(b.outsideMs).toBeCloseTo(a.outsideMs, 3);
    const whole = (thinner: Thinner) => {
      const bins = thinner.stretches(DAY_MS).flat();
      const count = bins.reduce((sum, bin) => sum + bin.count, 0);
      return {
        count,
        mean: bins.reduce((sum, bin) => sum + bin.mean * bin.count, 0) / count,
        least: Math.min(...bins.map((bin) => bin.least)),
        most: Math.max(...bins.map((bin) => bin.most)),
        fromMs: bins[0]!.fromMs,
        toMs: bins.at(-1)!.toMs,
        parts: thinner.stretches(DAY_MS).length,
      };
    };
    const { mean, ...rest } = whole(hourly);
    const { mean: meanOfAll, ...restOfAll } = whole(raw);
    expect(rest).toEqual(restOfAll);
    expect(mean).toBeCloseTo(meanOfAll, 9);
    // No bin is off by more than its hours at either end could be.
    const binsOf = (thinner: Thinner) => thinner.stretches(DAY_MS).flat();
    binsOf(raw).forEach((bin, i) => {
      expect(Math.abs(binsOf(hourly)[i]!.mean - bin.mean)).toBeLessThan(0.6);
    });
  });

  it('by the hour hold nothing that cannot be, nor more than their chunk', () => {
    const [chunk] = chunksWith(
      undefined,
      CLIMATE,
      every(60, 30, (i) => (i === 3 ? 400 : 18)),
      idOf,
    );
    const { hours, held, runs, ...rest } = digestOf(chunk!);
    expect([...hours.slice(2)]).toEqual([18, 18, 29 * 18, 29]);
    expect([...held]).toEqual([18, 29 * MINUTE_MS]);
    expect([...runs]).toEqual([START_MS, START_MS + 29 * MINUTE_MS]);
    const { id, subject, channel, at, count, span } = chunk!;
    expect(rest).toEqual({ id, subject, channel, at, count, span });
  });

  it('are cut where nothing was read, and hold nothing that cannot be', () => {
    const thinner = new Thinner('airC', window);
    const readings = [
      ...every(60, 60, () => 18, START_MS + 3_600_000),
      { atMs: START_MS + 7_300_000, value: CHANNEL_LIMITS.airC.most + 1 },
      ...every(60, 60, () => 21, START_MS + 8 * 3_600_000),
    ];
    chunksWith(undefined, CLIMATE, readings, idOf).forEach((chunk) => {
      thinner.add(chunk);
    });
    const parts = thinner.stretches(GAP_MS);
    expect(parts.map((p) => [p[0]!.least, p.at(-1)!.most])).toEqual([
      [18, 18],
      [21, 21],
    ]);
  });
});
