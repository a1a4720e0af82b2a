import { readFileSync, rmSync } from 'node:fs';
import { createServer } from 'node:net';
import { ensureBuilt } from './build.mjs';
import { ensureChromium } from './chromium.mjs';
import { runBin } from './run.mjs';
import { say } from './say.mjs';

/** One stage: what it is called, what it runs, and how its output is counted. */
const STATIC = [
  ['types of the app and the core', 'typescript/bin/tsc', ['-p', 'tsconfig.node.json']],
  [
    'types of templates',
    '@angular/compiler-cli/bundles/src/bin/ngc.js',
    ['-p', 'tsconfig.app.json', '--noEmit'],
  ],
  ['types of workers', 'typescript/bin/tsc', ['-p', 'tsconfig.worker.json', '--noEmit']],
  ['lint', 'eslint/bin/eslint.js', ['.', '--max-warnings', '0']],
  ['format', 'prettier/bin/prettier.cjs', ['--check', '.', '--log-level', 'warn']],
  [
    'arrow rule',
    'dependency-cruiser/bin/dependency-cruise.mjs',
    ['--config', '.dependency-cruiser.cjs', 'core', 'app', 'server', 'e2e'],
  ],
  [
    'no circle between folders',
    'dependency-cruiser/bin/dependency-cruise.mjs',
    ['--config', '.dependency-cruiser.folders.cjs', 'core', 'app', 'server'],
  ],
];

/** Far from each other and from UTC, so that a hidden local time shows. */
const ZONES = ['UTC', 'Pacific/Auckland'];

/** Runs everything; the closing line counts checks, specs and stories together. */
export async function test() {
  const started = Date.now();
  await ensureChromium();
  const totals = { passed: 0, failed: 0 };
  const add = (stage, { passed, failed }, output) => {
    totals.passed += passed;
    totals.failed += failed;
    say(`${failed === 0 ? 'ok  ' : 'FAIL'} ${stage}: ${passed} passed, ${failed} failed`);
    if (failed > 0) {
      say(output);
    }
  };
  // Two lanes for two cores: what only reads the sources, and what builds and runs them.
  await Promise.all([staticLane(add), codeLane(add)]);
  await browserStories(add);
  say(`${Math.round((Date.now() - started) / 1000)} s`);
  say(`${totals.passed} passed, ${totals.failed} failed`);
  process.exit(totals.failed === 0 ? 0 : 1);
}

async function staticLane(add) {
  for (const [stage, bin, args] of STATIC) {
    const { code, output } = await runBin(bin, args, { quiet: true });
    add(stage, code === 0 ? { passed: 1, failed: 0 } : { passed: 0, failed: 1 }, output);
  }
}

async function codeLane(add) {
  for (const zone of ZONES) {
    const env = { ...process.env, TZ: zone, NODE_OPTIONS: '--import tsx' };
    const { code, output } = await runBin('jasmine/bin/jasmine.js', ['--config=jasmine.json'], {
      quiet: true,
      env,
    });
    add(`core, server and tools (${zone})`, counts(output, /(\d+) specs?, (\d+) failures?/, code), output);
  }
  const karma = await runBin('@angular/cli/bin/ng.js', ['test'], { quiet: true });
  add('pieces and services in Chromium', karmaCounts(karma), karma.output);
}

/** A port that nothing uses now, so that a copy of the app may run beside. */
function freePort() {
  return new Promise((resolve, reject) => {
    const probe = createServer();
    probe.once('error', reject);
    probe.listen(0, '127.0.0.1', () => {
      const { port } = probe.address();
      probe.close(() => resolve(port));
    });
  });
}

async function browserStories(add) {
  await ensureBuilt();
  rmSync('test-results', { recursive: true, force: true });
  const env = { ...process.env, TEST_PORT: String(await freePort()) };
  const { code, output } = await runBin('@playwright/test/cli.js', ['test'], { quiet: true, env });
  let stats;
  try {
    stats = JSON.parse(readFileSync('test-results/e2e.json', 'utf8')).stats;
  } catch {
    add('stories in the real app', { passed: 0, failed: 1 }, output);
    return;
  }
  const failed = stats.unexpected || (code === 0 ? 0 : 1);
  add('stories in the real app', { passed: stats.expected + stats.flaky, failed }, output);
  if (stats.flaky > 0) {
    say(`     ${stats.flaky} of them passed only at the second try`);
  }
}

/** A run whose closing line cannot be found has failed, whatever its exit code says. */
export function counts(output, closing, code) {
  const match = closing.exec(output);
  if (match === null) {
    return { passed: 0, failed: 1 };
  }
  const [all, failed] = [Number(match[1]), Number(match[2])];
  return { passed: all - failed, failed: failed === 0 && (code !== 0 || all === 0) ? 1 : failed };
}

function karmaCounts({ code, output }) {
  const executed = [...output.matchAll(/Executed (\d+) of (\d+)(?: \((\d+) FAILED\))?/g)].at(-1);
  if (executed === undefined) {
    return { passed: 0, failed: 1 };
  }
  const failed = Number(executed[3] ?? 0) + (Number(executed[2]) - Number(executed[1]));
  return {
    passed: Number(executed[1]) - Number(executed[3] ?? 0),
    failed: failed === 0 && (code !== 0 || executed[1] === '0') ? 1 : failed,
  };
}
