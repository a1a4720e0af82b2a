import { mkdirSync } from 'node:fs';
import { resolve } from 'node:path';
import { runBin } from './run.mjs';

/**
 * Looks at the first jar of the Shelf that is open, time after time.
 * @returns ms from each press to the frame that shows it, without those that warm up
 */
export async function lookPresses(page, presses, warmingUp) {
  await page.click('nw-shelf .jar');
  await page.waitForSelector('nw-vessel-inspector .bands button');
  const times = [];
  for (let n = 0; n < presses; n++) {
    times.push(
      await page.evaluate(async (nth) => {
        const buttons = [...document.querySelectorAll('nw-vessel-inspector .bands button')];
        const button = buttons[nth % 2 === 0 ? 1 : 3];
        const start = performance.now();
        button.click();
        while (!button.classList.contains('here')) {
          await new Promise((done) => requestAnimationFrame(done));
        }
        return performance.now() - start;
      }, n),
    );
    await page.waitForTimeout(30);
  }
  return times.slice(warmingUp);
}

/** What the page holds once all that it let go of was taken away, MB. */
export async function heapOf(context, page) {
  const session = await context.newCDPSession(page);
  await session.send('HeapProfiler.collectGarbage');
  const { usedSize } = await session.send('Runtime.getHeapUsage');
  return usedSize / 1e6;
}

/** Runs in the page before everything else: the longest task so far, ms. */
export function watchLongTasks() {
  globalThis.longestTask = 0;
  new PerformanceObserver((list) => {
    for (const { duration } of list.getEntries()) {
      globalThis.longestTask = Math.max(globalThis.longestTask, duration);
    }
  }).observe({ type: 'longtask', buffered: true });
}

/** Brings an archive into the made-up house. @returns rows that were added, and how long that took */
export async function bringIn(context, origin, file) {
  const page = await context.newPage();
  await page.goto(`${origin}/demo/`);
  await page.getByRole('button', { name: /^Make batch/ }).waitFor();
  await page.goto(`${origin}/demo/ledger?tab=archive`);
  await page.waitForSelector('input[accept*="zip"]', { state: 'attached' });
  const start = Date.now();
  await page.setInputFiles('input[accept*="zip"]', file);
  const said = page.getByRole('status').filter({ hasText: /added|here already/ });
  await said.waitFor({ timeout: 600_000 });
  const inMs = Date.now() - start;
  const words = await said.textContent();
  await page.close();
  return { rowsIn: Number(/(\d[\d\s,]*)/.exec(words)?.[1].replace(/\D/g, '')), inMs };
}

/** An archive of a house that a script writes, given what the house is like and last where to. @returns its path */
export async function archiveFile(script, name, args) {
  mkdirSync('test-results', { recursive: true });
  const path = resolve('test-results', `${name}.zip`);
  const { code, output } = await runBin('tsx/dist/cli.mjs', [script, ...args, path], { quiet: true });
  if (code !== 0) {
    throw new Error(`The house of ${name} could not be written: ${output}`);
  }
  return path;
}
