import { mkdtemp, rm, writeFile } from 'node:fs/promises';
import type { Server } from 'node:http';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { OutsideReadings, isPlausible } from '../../core/index.js';
import { serve, stop } from '../serve.js';

describe('the instruments', () => {
  let server: Server;
  let origin: string;
  let dir: string;

  beforeAll(async () => {
    dir = await mkdtemp(join(tmpdir(), 'nailwort-'));
    await writeFile(join(dir, 'index.html'), '<!doctype html><title>page</title>');
    ({ server, origin } = await serve({ appDir: dir, port: 0 }));
  });
  afterAll(async () => {
    await stop(server);
    await rm(dir, { recursive: true });
  });

  /** Reads lines until enough came, then hangs up. */
  async function lines(path: string, count: number, meanwhile?: () => Promise<unknown>): Promise<unknown[]> {
    const response = await fetch(origin + path);
    expect(response.headers.get('content-type')).toContain('text/event-stream');
    await meanwhile?.();
    const found: unknown[] = [];
    const reader = response.body!.pipeThrough(new TextDecoderStream()).getReader();
    let rest = '';
    while (found.length < count) {
      rest += (await reader.read()).value ?? '';
      const events = rest.split('\n\n');
      rest = events.pop() ?? '';
      found.push(
        ...events.flatMap((e) => (e.startsWith('data: ') ? [JSON.parse(e.slice(6)) as unknown] : [])),
      );
    }
    await reader.cancel();
    return found;
  }
  const post = (body: unknown, type = 'application/json') =>
    fetch(`${origin}/instruments/readings`, {
      method: 'POST',
      headers: { 'content-type': type },
      body: typeof body === 'string' ? body : JSON.stringify(body),
    });
  const GOOD = {
    source: 'thermometer in jar 3',
    readings: [{ at: '2026-03-01T10:00:00Z', channel: 'coreC', value: 63.5 }],
  };

  it('a pretended canner streams its cook, line by line, from where one comes in', async () => {
    const read = (await lines('/instruments/canner?speed=0&from=3000', 5)) as { second: number }[];
    expect(read[0]).toEqual(
      jasmine.objectContaining({
        second: 3000,
        gaugeKPa: jasmine.any(Number),
        chamberC: jasmine.any(Number),
      }),
    );
    expect(read.slice(0, 5).map((r) => r.second)).toEqual([3000, 3010, 3020, 3030, 3040]);
  });

  it('at speed it keeps time', async () => {
    const read = (await lines('/instruments/canner?speed=200', 8)) as { second: number }[];
    expect(read[0]!.second).toBe(0);
    expect(read.at(-1)!.second).toBeGreaterThanOrEqual(70);
  });

  it('a pretended tent tells of its air as a logger would', async () => {
    const read = await lines('/instruments/tent?every=0.1', 2);
    for (const line of read) {
      const { source, readings } = OutsideReadings.parse(line);
      expect(source).toBe('pretended tent');
      expect(readings.map((r) => r.channel)).toEqual(['airC', 'humidityPercent', 'co2Ppm']);
      expect(readings.every((r) => r.channel !== 'scaleG' && isPlausible(r.channel, r.value))).toBeTrue();
      expect(Math.abs(Date.parse(readings[0]!.at) - Date.now())).toBeLessThan(60_000);
    }
  });

  it('a pretended scale swings and then stands', async () => {
    const read = (await lines('/instruments/scale?grams=435', 12)) as { grams: number; steady: boolean }[];
    expect(read[0]!.steady).toBeFalse();
    expect(read.at(-1)).toEqual({ grams: 435, steady: true });
  });

  it('refuses a fault that is none and a hold of a year, naming the field', async () => {
    for (const [query, field] of [
      ['fault=explode', 'fault'],
      ['hold=500000', 'hold'],
      ['speed=x', 'speed'],
    ]) {
      const response = await fetch(`${origin}/instruments/canner?${query}`);
      expect(response.status).toBe(422);
      expect(await response.text()).toMatch(new RegExp(`^${field}: `));
    }
  });

  it('passes on what a logger posts to all that listen', async () => {
    let answer: unknown;
    const heard = await lines('/instruments/readings', 1, async () => {
      answer = await (await post(GOOD)).json();
    });
    expect(heard).toEqual([GOOD]);
    expect(answer).toEqual({ accepted: 1, listeners: 1 });
  });

  it('refuses what is no reading, and other pages’ plain text', async () => {
    const wrong = await post({ ...GOOD, readings: [{ ...GOOD.readings[0]!, channel: 'humour' }] });
    expect(wrong.status).toBe(422);
    expect(await wrong.text()).toContain('readings.0.channel');
    expect((await post('{"source":"x"', 'application/json')).status).toBe(400);
    expect((await post(JSON.stringify(GOOD), 'text/plain')).status).toBe(415);
    expect((await post({ ...GOOD, source: 'x'.repeat(2_000_000) })).status).toBe(413);
  });
});
