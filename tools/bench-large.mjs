import { writeFileSync } from 'node:fs';
import { cpus } from 'node:os';
import { resolve } from 'node:path';
import { pathToFileURL } from 'node:url';
import { archiveFile, bringIn, heapOf, lookPresses, watchLongTasks } from './bench-page.mjs';
import { readingRows, readingTable } from './bench-readings.mjs';
import { ensureBuilt } from './build.mjs';
import { ensureChromium } from './chromium.mjs';
import { say } from './say.mjs';

/** Sizes and shapes of houses; what a household of ten busy years comes to is the last. */
const SIZES = [1_000, 10_000, 100_000];
const SHAPES = { looks: 'looks at the same jars', vessels: 'batches that came and went' };
const OPENINGS = 5;
const PRESSES = 60;
/** The first presses are left out. */
const WARMING_UP = 10;
const PLACES = ['desk', 'stove', 'box', 'shelf', 'tent', 'ledger'];

/**
 * Opens, walks and presses in houses of several sizes, in the built app, and gives rows of a table.
 * @param only a part of "looks-1000", where not all of them are asked for
 */
export async function largeRows(executablePath, dist = 'dist', only = '') {
  const { chromium } = await import('@playwright/test');
  const { serve, stop } = await import(pathToFileURL(resolve(dist, 'server/serve.js')).href);
  const { server, origin } = await serve({ appDir: resolve(dist, 'app/browser'), port: 0 });
  const rows = [];
  for (const [shape, words] of Object.entries(SHAPES)) {
    for (const size of SIZES.filter((s) => `${shape}-${s}`.includes(only))) {
      const file = await archiveFile('tools/write-large.ts', `large-${shape}-${size}`, [size, shape]);
      const browser = await chromium.launch({ executablePath, args: ['--no-sandbox', '--disable-gpu'] });
      const found = await oneHouse(browser, origin, file);
      await browser.close();
      rows.push({ house: `${size.toLocaleString('en').replaceAll(',', ' ')}, ${words}`, ...found });
    }
  }
  await stop(server);
  return rows;
}

async function oneHouse(browser, origin, file) {
  const context = await browser.newContext({
    viewport: { width: 1280, height: 800 },
    serviceWorkers: 'block',
    acceptDownloads: true,
  });
  const { rowsIn, inMs } = await bringIn(context, origin, file);
  const opened = [];
  const longest = [];
  let page;
  for (let run = 0; run < OPENINGS; run++) {
    await page?.close();
    page = await context.newPage();
    await page.addInitScript(watchLongTasks);
    await page.goto(`${origin}/demo/shelf`, { waitUntil: 'commit' });
    await page.waitForFunction(() => document.querySelectorAll('nw-shelf .jar').length > 20, undefined, {
      polling: 'raf',
      timeout: 120_000,
    });
    opened.push(await page.evaluate(() => performance.now()));
    // What goes on after the first place stands there counts as well.
    await page.waitForTimeout(6000);
    longest.push(await page.evaluate(() => globalThis.longestTask));
  }
  const walked = await walk(page);
  const presses = await press(page);
  const heap = await heapOf(context, page);
  await page.close();
  const outMs = await takeOut(context, origin);
  await context.close();
  return { opened, longest, walked, presses, heap, rowsIn, inMs, outMs };
}

async function takeOut(context, origin) {
  const page = await context.newPage();
  await page.goto(`${origin}/demo/ledger?tab=archive`);
  const save = page.getByRole('button', { name: 'Save the archive' });
  await save.waitFor({ timeout: 120_000 });
  await page.waitForTimeout(4000);
  const start = Date.now();
  const download = page.waitForEvent('download', { timeout: 600_000 });
  await save.click();
  await download;
  const ms = Date.now() - start;
  await page.close();
  return ms;
}

/** From the press of a place's name to its first frame, for each place in turn, twice; the first round fetches the code. */
async function walk(page) {
  const times = [];
  for (let round = 0; round < 3; round++) {
    for (const place of PLACES) {
      const ms = await page.evaluate(async (name) => {
        const link = document.querySelector(`nav[aria-label="Places"] a[href$="/${name}"]`);
        const start = performance.now();
        link.click();
        while (document.querySelector(`nw-${name}`) === null) {
          await new Promise((done) => requestAnimationFrame(done));
        }
        await new Promise((done) => requestAnimationFrame(() => setTimeout(done)));
        return performance.now() - start;
      }, place);
      if (round > 0) {
        times.push(ms);
      }
      await page.waitForTimeout(100);
    }
  }
  return times;
}

/** From a look's press to the frame in which the jar shows it. */
async function press(page) {
  await page.evaluate(() => document.querySelector('nav[aria-label="Places"] a[href$="/shelf"]').click());
  await page.waitForSelector('nw-shelf .jar');
  return lookPresses(page, PRESSES, WARMING_UP);
}

/** As lines of a table. */
export function largeTable(rows) {
  const at = (times, share) =>
    [...times].sort((a, b) => a - b)[Math.min(times.length - 1, Math.floor(times.length * share))];
  const ms = (value) => `${Math.round(value)} ms`;
  return [
    '| entries | open to first place | longest task | place change, median and slowest | press to shown, median and 95th | heap | rows in a second, in and out |',
    '|---|---|---|---|---|---|---|',
    ...rows.map(
      (r) =>
        `| ${r.house} | ${ms(at(r.opened, 0.5))} | ${ms(at(r.longest, 0.5))} | ${ms(at(r.walked, 0.5))}, ${ms(at(r.walked, 1))} | ${ms(at(r.presses, 0.5))}, ${ms(at(r.presses, 0.95))} | ${Math.round(r.heap)} MB | ${Math.round((r.rowsIn / r.inMs) * 1000)}, ${Math.round((r.rowsIn / r.outMs) * 1000)} |`,
    ),
  ].join('\n');
}

/** Figures of large houses, kept in docs/bench-large.md. `BENCH_ONLY=vessels-100000` or `readings` measures one of them and keeps nothing. */
export async function benchLarge() {
  const executablePath = await ensureChromium();
  await ensureBuilt();
  const only = process.env.BENCH_ONLY ?? '';
  const dist = process.env.BENCH_DIST;
  const tables = [];
  if (only !== 'readings') {
    tables.push(largeTable(await largeRows(executablePath, dist, only)));
  }
  if (only === '' || only === 'readings') {
    tables.push(readingTable(await readingRows(executablePath, dist)));
  }
  const table = tables.join('\n\n');
  say(table);
  if (only === '') {
    writeFileSync(
      'docs/bench-large.md',
      `# Figures of large houses\n\nWritten by \`npm run bench-large\`, in the built app in Chromium, without slow-down. Medians of ${OPENINGS} openings and ${PRESSES - WARMING_UP} presses; the machine was shared, so compare the rows with each other.\n\nMachine: ${cpus().length} cores (${cpus()[0]?.model.trim()}), Node ${process.versions.node}.\n\n${table}\n`,
    );
  }
}
