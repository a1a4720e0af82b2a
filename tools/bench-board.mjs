import { archiveFile, bringIn, watchLongTasks } from './bench-page.mjs';

/** So often the household of the demo, that some 200 batches are under way. */
const ROUNDS = 30;
const RUNS = 3;

/**
 * The board of what is planned and what is under way, in a house with some 200 batches under way, the page slowed down.
 * @returns the longest task of each run, ms: until all of them can be scrolled through, and until a month of it is shown
 */
export async function boardTimes(browser, origin, slowdown) {
  const context = await browser.newContext({
    viewport: { width: 1280, height: 800 },
    serviceWorkers: 'block',
  });
  await bringIn(context, origin, await archiveFile('tools/write-running.ts', 'running', [ROUNDS]));
  const drawn = [];
  const zoomed = [];
  for (let run = 0; run < RUNS; run++) {
    const page = await context.newPage();
    await page.addInitScript(watchLongTasks);
    await page.goto(`${origin}/demo/desk/ahead`);
    const all = page.getByRole('button', { name: /batches under way$/ });
    await all.waitFor({ timeout: 120_000 });
    await page.waitForTimeout(1500);
    const session = await context.newCDPSession(page);
    await session.send('Emulation.setCPUThrottlingRate', { rate: slowdown });
    const longest = async (press) => {
      await page.evaluate(() => (globalThis.longestTask = 0));
      await press();
      await page.waitForTimeout(2500);
      return page.evaluate(() => globalThis.longestTask);
    };
    drawn.push(await longest(() => all.click()));
    zoomed.push(await longest(() => page.getByRole('radio', { name: 'a month' }).click()));
    await page.close();
  }
  await context.close();
  return { drawn, zoomed };
}
