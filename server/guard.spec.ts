import { mkdtemp, rm, writeFile } from 'node:fs/promises';
import { Agent, request, type IncomingMessage, type Server } from 'node:http';
import { connect } from 'node:net';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { serve, stop } from './serve.js';

describe('the server, asked by strangers,', () => {
  let server: Server;
  let port: number;
  let dir: string;

  beforeAll(async () => {
    dir = await mkdtemp(join(tmpdir(), 'nailwort-'));
    await writeFile(join(dir, 'index.html'), '<!doctype html><title>page</title>');
    const running = await serve({ appDir: dir, port: 0 });
    server = running.server;
    port = Number(new URL(running.origin).port);
  });
  afterAll(async () => {
    await stop(server);
    await rm(dir, { recursive: true });
  });

  const GOOD = {
    source: 'thermometer',
    readings: [{ at: '2026-03-01T10:00:00Z', channel: 'coreC', value: 63.5 }],
  };

  function ask(
    path: string,
    headers: Record<string, string>,
    body?: string,
  ): Promise<{ status: number; text: string }> {
    return new Promise((resolve, reject) => {
      const req = request(
        { host: '127.0.0.1', port, path, method: body === undefined ? 'GET' : 'POST', headers, agent: false },
        (res) => {
          let text = '';
          res.on('data', (chunk: Buffer) => (text += chunk.toString()));
          res.on('end', () => {
            resolve({ status: res.statusCode ?? 0, text });
          });
        },
      );
      req.on('error', reject);
      req.end(body);
    });
  }

  /** Opens a stream and keeps it; nothing is read from it unless asked. */
  function listen(path: string): Promise<IncomingMessage> {
    return new Promise((resolve, reject) => {
      const req = request({ host: '127.0.0.1', port, path, agent: new Agent() }, resolve);
      req.on('error', reject);
      req.end();
    });
  }

  const post = (headers: Record<string, string>, body = JSON.stringify(GOOD)) =>
    ask(
      '/instruments/readings',
      { host: `127.0.0.1:${port}`, 'content-type': 'application/json', ...headers },
      body,
    );

  it('answers to its own names only, so that a name made to point here gets nothing', async () => {
    for (const host of [`127.0.0.1:${port}`, `localhost:${port}`]) {
      expect((await ask('/', { host })).status)
        .withContext(host)
        .toBe(200);
    }
    for (const host of [
      'evil.example',
      `evil.example:${port}`,
      `127.0.0.1:${port + 1}`,
      `127.0.0.1.evil.example:${port}`,
    ]) {
      const { status, text } = await ask('/instruments/canner', { host });
      expect(status).withContext(host).toBe(421);
      expect(text).toContain('only to its own address');
    }
  });

  it('takes no reading from a page of another origin, and some from a program that has none', async () => {
    expect((await post({})).status).toBe(202);
    expect((await post({ origin: `http://127.0.0.1:${port}` })).status).toBe(202);
    for (const origin of [
      'http://evil.example',
      'null',
      `http://127.0.0.1:${port + 1}`,
      `https://127.0.0.1:${port}`,
    ]) {
      expect((await post({ origin })).status)
        .withContext(origin)
        .toBe(403);
    }
    expect((await post({ 'sec-fetch-site': 'cross-site', 'sec-fetch-mode': 'no-cors' })).status).toBe(403);
    const link = { host: `127.0.0.1:${port}`, 'sec-fetch-site': 'cross-site', 'sec-fetch-mode': 'navigate' };
    expect((await ask('/v/G27-3', link)).status).toBe(200);
  });

  it('keeps so many streams and no more, and gives a place back as soon as a page leaves', async () => {
    const open = await Promise.all(Array.from({ length: 20 }, () => listen('/instruments/canner?speed=1')));
    const refused = await ask('/instruments/canner', { host: `127.0.0.1:${port}` });
    expect(refused.status).toBe(503);
    expect(refused.text).toContain('Close some tabs');
    open[0]!.destroy();
    await new Promise((resolve) => setTimeout(resolve, 100));
    const next = await listen('/instruments/canner?speed=1');
    expect(next.statusCode).toBe(200);
    [...open, next].forEach((res) => res.destroy());
    await new Promise((resolve) => setTimeout(resolve, 50));
  });

  it('lets go of a listener that takes nothing, before this machine fills up', async () => {
    const stalled = await listen('/instruments/readings');
    stalled.pause();
    stalled.on('error', () => undefined);
    const at = GOOD.readings[0]!;
    const large = JSON.stringify({ source: 'x', readings: Array(5000).fill(at) });
    let listeners = 1;
    for (let i = 0; i < 40 && listeners > 0; i++) {
      const { text } = await post({}, large);
      ({ listeners } = JSON.parse(text) as { listeners: number });
    }
    expect(listeners).toBe(0);
    stalled.destroy();
  });

  it('refuses each wrong request in words of its own', async () => {
    const large = await post({}, JSON.stringify({ ...GOOD, source: 'x'.repeat(2_000_000) }));
    expect([large.status, large.text]).toEqual([413, jasmine.stringContaining('1 MB at most')]);
    const broken = await post({}, '{"source"');
    expect([broken.status, broken.text]).toEqual([400, jasmine.stringContaining('cannot be read')]);
  });

  it('gives a request that dawdles an end', () => {
    expect(server.headersTimeout).toBeLessThanOrEqual(10_000);
    expect(server.requestTimeout).toBeLessThanOrEqual(30_000);
    expect(server.maxConnections).toBeGreaterThan(0);
    const half = connect(port, '127.0.0.1');
    half.write('GET / HTTP/1.1\r\n');
    half.destroy();
  });
});
