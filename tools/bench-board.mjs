import { archiveFile, bringIn, watchLongTasks } from './bench-page.mjs';

/** So often the household of the demo, that some 200 batches are under way. */
const ROUNDS = 36;
const RUNS = 7;

/**
 * The board of what is planned and what is under way, in a house with some 200 batches under way, the page slowed down.
 * @returns by what is asked of the board, the longest task of each run until it is shown, ms; 0 where none took 50
 */
export async function boardTimes(browser, origin, slowdown) {
  const context = await browser.newContext({
    viewport: { width: 1280, height: 800 },
    serviceWorkers: 'block',
  });
  await bringIn(context, origin, await archiveFile('tools/write-running.ts', 'running', [ROUNDS]));
  const asks = [
    {
      what: 'all that is under way',
      buttonOf: (page) => page.getByRole('button', { name: /batches under way$/ }),
    },
    { what: 'a month', buttonOf: (page) => page.getByRole('radio', { name: 'a month' }) },
    { what: 'half a year again', buttonOf: (page) => page.getByRole('radio', { name: 'half a year' }) },
  ].map((ask) => ({ ...ask, times: [] }));
  for (let run = 0; run < RUNS; run++) {
    const page = await context.newPage();
    await page.addInitScript(watchLongTasks);
    await page.goto(`${origin}/demo/desk/ahead`);
    await asks[0].buttonOf(page).waitFor({ timeout: 120_000 });
    await page.waitForTimeout(1500);
    const session = await context.newCDPSession(page);
    await session.send('Emulation.setCPUThrottlingRate', { rate: slowdown });
    for (const { buttonOf, times } of asks) {
      // To find it, and where to point at, is work of the page too, and not the board's.
      const button = await buttonOf(page).elementHandle();
      await button.evaluate((element) => {
        globalThis.longestTask = 0;
        element.click();
      });
      await page.waitForTimeout(2500);
      times.push(await page.evaluate(() => globalThis.longestTask));
    }
    await page.close();
  }
  await context.close();
  return asks;
}
