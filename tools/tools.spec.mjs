import { spawn } from 'node:child_process';
import { cpSync, mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { explain } from './install.mjs';
import { nodeProblem } from './node-version.mjs';
import { portFrom } from './port.mjs';
import { hashOf } from './stamp.mjs';
import { counts } from './test.mjs';

/** Runs the bootstrap as npm would, in a folder of its own. */
function go(args, { cwd = process.cwd(), env = {} } = {}) {
  return new Promise((resolve) => {
    const child = spawn(process.execPath, ['tools/go.mjs', ...args], {
      cwd,
      env: { ...process.env, NODE_OPTIONS: '', ...env },
    });
    let output = '';
    child.stdout.on('data', (chunk) => (output += chunk));
    child.stderr.on('data', (chunk) => (output += chunk));
    child.on('close', (code) => resolve({ code, output }));
  });
}

describe('an old Node', () => {
  it('is told in one line what is needed', () => {
    expect(nodeProblem('18.20.4')).toBe(
      'Nailwort needs Node 20.19 or newer; this is 18.20.4. Install a newer Node and run the command again.',
    );
    expect(nodeProblem('20.18.1')).toMatch(/20\.19 or newer/);
    expect(nodeProblem('20.19.0')).toBe('');
    expect(nodeProblem('24.1.0')).toBe('');
  });
});

describe('the bootstrap', () => {
  it('names an unknown command and those that there are', async () => {
    const { code, output } = await go(['cook']);
    expect(code).toBe(1);
    expect(output).toBe(
      'Unknown command "cook". Use one of: demo, start, dev, test, soak, bench, bench-large, screenshots, mutants, docs.\n',
    );
  });

  it('refuses a port that is none in one line', async () => {
    const { code, output } = await go(['demo'], { env: { PORT: 'eighty' } });
    expect(code).toBe(1);
    expect(output.trim()).toBe('PORT must be a whole number between 1 and 65535. It is "eighty".');
    expect(portFrom('')).toBe(4310);
    expect(() => portFrom('70000')).toThrowError(/between 1 and 65535/);
  });

  it('says in one line when the lock file does not fit', async () => {
    const dir = mkdtempSync(join(tmpdir(), 'nailwort-'));
    cpSync('tools', join(dir, 'tools'), { recursive: true });
    writeFileSync(join(dir, 'package.json'), '{"name":"x","version":"1.0.0","dependencies":{"zod":"4.6.7"}}');
    writeFileSync(
      join(dir, 'package-lock.json'),
      '{"name":"x","version":"1.0.0","lockfileVersion":3,"packages":{"":{"name":"x","version":"1.0.0"}}}',
    );
    const { code, output } = await go(['demo'], { cwd: dir });
    rmSync(dir, { recursive: true });
    expect(code).toBe(1);
    expect(output).toContain(
      'package-lock.json does not fit package.json. Run "npm install" once, then this command again.',
    );
  }, 30_000);

  it('turns npm’s many lines into one', () => {
    expect(explain('npm error code ENOTFOUND\nnpm error network')).toMatch(/no connection/);
    expect(explain('npm error ENOSPC: no space left')).toMatch(/disk is full/);
    expect(explain('npm error something odd')).toMatch(/something odd/);
  });
});

describe('the stamp of a build', () => {
  it('changes with a source and not with a spec', () => {
    const dir = mkdtempSync(join(tmpdir(), 'nailwort-'));
    writeFileSync(join(dir, 'a.ts'), '1');
    const before = hashOf([dir]);
    writeFileSync(join(dir, 'a.spec.ts'), '1');
    expect(hashOf([dir])).toBe(before);
    writeFileSync(join(dir, 'a.ts'), '2');
    expect(hashOf([dir])).not.toBe(before);
    rmSync(dir, { recursive: true });
  });
});

describe('the count of a test run', () => {
  const closing = /(\d+) specs?, (\d+) failures?/;

  it('is read from the closing line', () => {
    expect(counts('12 specs, 2 failures', closing, 1)).toEqual({ passed: 10, failed: 2 });
    expect(counts('12 specs, 0 failures', closing, 0)).toEqual({ passed: 12, failed: 0 });
  });

  it('is a failure without one, with none run, or with a bad end', () => {
    expect(counts('Segmentation fault', closing, 0).failed).toBe(1);
    expect(counts('0 specs, 0 failures', closing, 0).failed).toBe(1);
    expect(counts('12 specs, 0 failures', closing, 3).failed).toBe(1);
  });
});
