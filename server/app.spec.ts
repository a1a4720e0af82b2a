import { mkdtemp, rm, writeFile } from 'node:fs/promises';
import { request, type Server } from 'node:http';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { serve, stop } from './serve.js';

describe('the server', () => {
  let server: Server;
  let origin: string;
  let dir: string;

  beforeAll(async () => {
    dir = await mkdtemp(join(tmpdir(), 'nailwort-'));
    await writeFile(join(dir, 'index.html'), '<!doctype html><title>page</title>');
    await writeFile(join(dir, 'main-ABCD1234.js'), 'export {};');
    await writeFile(join(dir, 'ngsw.json'), '{}');
    ({ server, origin } = await serve({ appDir: dir, port: 0 }));
  });
  afterAll(async () => {
    await stop(server);
    await rm(dir, { recursive: true });
  });

  it('answers the page for every place and label link', async () => {
    for (const path of ['/', '/desk', '/demo/shelf', '/v/G27-3']) {
      const response = await fetch(origin + path);
      expect(response.status).withContext(path).toBe(200);
      expect(await response.text()).toContain('<title>page</title>');
    }
  });

  it('sends a policy that allows this origin only', async () => {
    const policy = (await fetch(origin)).headers.get('content-security-policy') ?? '';
    expect(policy).toContain("default-src 'none'");
    expect(policy).toContain("script-src 'self' 'wasm-unsafe-eval';");
    expect(policy).toContain("require-trusted-types-for 'script'");
    expect(policy).not.toMatch(/unsafe-inline|'unsafe-eval|https?:/);
  });

  it('tells nothing about itself and frames nowhere', async () => {
    const { headers } = await fetch(origin);
    expect(headers.get('x-powered-by')).toBeNull();
    expect(headers.get('x-content-type-options')).toBe('nosniff');
    expect(headers.get('content-security-policy')).toContain("frame-ancestors 'none'");
  });

  it('keeps hashed files for ever and asks again for the others', async () => {
    expect((await fetch(`${origin}/main-ABCD1234.js`)).headers.get('cache-control')).toContain('immutable');
    expect((await fetch(`${origin}/ngsw.json`)).headers.get('cache-control')).toBe('no-cache');
    expect((await fetch(`${origin}/desk`)).headers.get('cache-control')).toBe('no-cache');
  });

  it('says that a missing file is missing instead of sending the page', async () => {
    const response = await fetch(`${origin}/gone-ABCD1234.js`);
    expect(response.status).toBe(404);
    expect(await response.text()).toBe('Not here.');
  });

  it('gives no file from outside its folder and no stack trace', async () => {
    for (const path of ['/..%2f..%2f..%2fetc/passwd', '/../../../etc/passwd', '/.env', '/package.json']) {
      const answer = await rawStatus(origin, path);
      expect(answer.body)
        .withContext(path)
        .toMatch(/<title>page<|Not here|cannot be read/);
    }
    const broken = await rawStatus(origin, '/%');
    expect(broken.code).toBe(400);
    expect(broken.body).toContain('That cannot be read');
  });

  it('listens on loopback only and refuses a taken port', async () => {
    const address = server.address();
    expect(typeof address === 'object' && address?.address).toBe('127.0.0.1');
    const port = typeof address === 'object' && address !== null ? address.port : 0;
    await expectAsync(serve({ appDir: dir, port })).toBeRejectedWith(
      jasmine.objectContaining({ code: 'EADDRINUSE' }),
    );
  });
});

/** A request whose path is sent as it stands; fetch would tidy it first. */
function rawStatus(origin: string, path: string): Promise<{ code: number; body: string }> {
  return new Promise((resolve, reject) => {
    const { hostname, port } = new URL(origin);
    const req = request({ hostname, port, path }, (res) => {
      let body = '';
      res.on('data', (chunk: Buffer) => (body += chunk.toString()));
      res.on('end', () => {
        resolve({ code: res.statusCode ?? 0, body });
      });
    });
    req.on('error', reject).end();
  });
}
