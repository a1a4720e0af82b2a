import { createWriteStream, mkdirSync } from 'node:fs';
import { once } from 'node:events';
import { resolve } from 'node:path';
import { pathToFileURL } from 'node:url';
import { heapOf, lookPresses } from './bench-page.mjs';

/** A climate logger of four columns, a line a minute. */
const YEARS = 5;
const LINES = YEARS * 365 * 24 * 60;
const SPANS = ['Day', 'Month', 'Year', 'All'];
const TIMES = 7;
/** The group of spans. */
const BACK = '[aria-label="How far back"]';

/**
 * Brings five years of a climate logger in at the Tent, in the built app, then draws windows of it and presses beside it.
 */
export async function readingRows(executablePath, dist = 'dist') {
  const { chromium } = await import('@playwright/test');
  const { serve, stop } = await import(pathToFileURL(resolve(dist, 'server/serve.js')).href);
  const { server, origin } = await serve({ appDir: resolve(dist, 'app/browser'), port: 0 });
  const browser = await chromium.launch({ executablePath, args: ['--no-sandbox', '--disable-gpu'] });
  const context = await browser.newContext({
    viewport: { width: 1280, height: 800 },
    serviceWorkers: 'block',
  });
  const page = await context.newPage();
  await page.goto(`${origin}/demo/`);
  await page.getByRole('button', { name: /^Make batch/ }).waitFor();
  const before = await pressed(page, origin);
  const file = await climateFile();
  await page.goto(`${origin}/demo/tent`);
  await page.getByText("Bring in a logger's file").click();
  const start = Date.now();
  await page.setInputFiles('nw-climate input[type=file]', file);
  const presses = [];
  // What a person does meanwhile: each press must be answered.
  while (!(await page.getByText(/readings kept/).isVisible())) {
    presses.push(await answered(page, `nw-climate ${BACK} button`));
    await page.waitForTimeout(500);
  }
  const inMs = Date.now() - start;
  const windows = {};
  for (const span of SPANS) {
    windows[span] = [];
    for (let n = 0; n < TIMES; n++) {
      await page.getByRole('radio', { name: n % 2 === 0 ? /^Air/ : /^Humidity/ }).click();
      await page.waitForTimeout(200);
      windows[span].push(await drawn(page, span));
    }
  }
  const after = await pressed(page, origin);
  const heap = await heapOf(context, page);
  await browser.close();
  await stop(server);
  return { readings: LINES * 4, inMs, presses, windows, before, after, heap };
}

async function climateFile() {
  mkdirSync('test-results', { recursive: true });
  const path = resolve('test-results', 'climate.csv');
  const out = createWriteStream(path);
  out.write('time,temp C,RH %,CO2 ppm,light lux\n');
  const endMs = Math.floor(Date.now() / 60_000) * 60_000;
  for (let i = 0; i < LINES;) {
    let piece = '';
    for (const to = Math.min(LINES, i + 10_000); i < to; i++) {
      const at = new Date(endMs - (LINES - i) * 60_000).toISOString();
      const day = Math.sin((2 * Math.PI * i) / 1440);
      piece += `${at},${(17 + day).toFixed(1)},${Math.round(88 - 5 * day)},${900 + (i % 400)},${i % 1440 < 720 ? 500 : 0}\n`;
    }
    if (!out.write(piece)) {
      await once(out, 'drain');
    }
  }
  out.end();
  await once(out, 'finish');
  return path;
}

/** From the press of a span to the words of its window. */
function drawn(page, span) {
  return page.evaluate(
    async ([name, back]) => {
      const words = () => document.querySelector('nw-climate .chart + p').textContent;
      const buttons = [...document.querySelectorAll(`nw-climate ${back} button`)];
      const button = buttons.find((b) => b.textContent.trim() === name);
      const other = buttons.find((b) => b.textContent.trim() === 'Week');
      other.click();
      await new Promise((done) => setTimeout(done, 400));
      const before = words();
      const start = performance.now();
      button.click();
      while (words() === before || words() === '') {
        await new Promise((done) => requestAnimationFrame(done));
      }
      await new Promise((done) => requestAnimationFrame(() => setTimeout(done)));
      return performance.now() - start;
    },
    [span, BACK],
  );
}

/** From a press to the next frame. */
function answered(page, selector) {
  return page.evaluate(async (query) => {
    const start = performance.now();
    document.querySelector(query).click();
    await new Promise((done) => requestAnimationFrame(() => setTimeout(done)));
    return performance.now() - start;
  }, selector);
}

/** Looks at a jar of the Shelf. */
async function pressed(page, origin) {
  await page.goto(`${origin}/demo/shelf`);
  return lookPresses(page, 30, 5);
}

/** As lines of a table. */
export function readingTable({ readings, inMs, presses, windows, before, after, heap }) {
  const at = (times, share) =>
    Math.round(
      [...times].sort((a, b) => a - b)[Math.min(times.length - 1, Math.floor(times.length * share))],
    );
  const both = (times) => `${at(times, 0.5)} ms, ${at(times, 1)} ms`;
  return [
    '| five years of a climate logger, a line a minute in four columns | median, slowest |',
    '|---|---|',
    `| brought in as a file: ${(readings / 1e6).toFixed(1)} million readings in ${Math.round(inMs / 1000)} s | ${Math.round(
      readings / (inMs / 1000),
    )
      .toLocaleString('en')
      .replaceAll(',', ' ')} a second |`,
    `| a press while it comes in | ${both(presses)} |`,
    ...SPANS.map((span) => `| one channel drawn, ${span.toLowerCase()} | ${both(windows[span])} |`),
    `| press to shown at the Shelf, before | ${both(before)} |`,
    `| press to shown at the Shelf, with all of it there | ${both(after)} |`,
    `| heap with all of it there | ${Math.round(heap)} MB |`,
  ].join('\n');
}
