import { archiveFile, bringIn, watchLongTasks } from './bench-page.mjs';

const FAMILY = 5000;
const OPENINGS = 5;
const LABELS = 100;

/** A family of thousands opened in its picture, and a sheet of labels, in the built app: times of each in ms. */
export async function cultureTimes(browser, origin) {
  const lineage = await timeLineage(browser, origin);
  const labels = await timeLabels(browser, origin);
  return [
    {
      what: `lineage of an isolate with ${FAMILY} vessels opened: until its picture stands`,
      times: lineage.opened,
    },
    {
      what: 'the same: longest task once the house is read',
      times: lineage.longest,
      aim: 'below 50 ms',
    },
    {
      what: `${LABELS} labels, from the press until the PDF is there`,
      times: labels,
      aim: 'below 2000 ms',
    },
  ];
}

async function timeLineage(browser, origin) {
  const file = await archiveFile('tools/write-family.ts', 'family', [FAMILY]);
  const context = await browser.newContext({
    viewport: { width: 1280, height: 800 },
    serviceWorkers: 'block',
  });
  await bringIn(context, origin, file);
  const [opened, longest] = [[], []];
  const page = await context.newPage();
  await page.addInitScript(watchLongTasks);
  await page.goto(`${origin}/demo/ledger?tab=lineage&open=isolate%20one`);
  await page.waitForSelector('nw-family-picture .node', { timeout: 60_000 });
  await page.waitForTimeout(3000);
  for (let run = 0; run <= OPENINGS; run++) {
    await page.getByRole('tab', { name: 'Settings' }).click();
    await page.getByRole('heading', { name: 'Units' }).waitFor();
    await page.waitForTimeout(500);
    const [spent, task] = await page.evaluate(backToLineage);
    // The first one fetches what the others have.
    if (run > 0) {
      opened.push(spent);
      longest.push(task);
    }
  }
  await context.close();
  return { opened, longest };
}

async function timeLabels(browser, origin) {
  const context = await browser.newContext({
    viewport: { width: 1280, height: 800 },
    serviceWorkers: 'block',
    acceptDownloads: true,
  });
  const page = await context.newPage();
  await page.goto(`${origin}/demo/`);
  await page.getByRole('button', { name: /^Make batch/ }).waitFor();
  await page.getByRole('button', { name: /^Agar/ }).click();
  await page.getByRole('option', { name: 'Malt 2 %', exact: true }).click();
  const make = page.getByRole('button', { name: /^Make batch A/ }).first();
  await make.waitFor();
  await page.getByRole('textbox', { name: 'How many', exact: true }).fill(String(LABELS));
  const code = /A\d+/.exec(await make.textContent())[0];
  await make.click();
  await page.getByRole('link', { name: 'To the Stove' }).waitFor();
  await page.goto(`${origin}/demo/batch/${code}`);
  const times = [];
  for (let run = 0; run <= OPENINGS; run++) {
    await page.getByRole('button', { name: 'Print labels' }).click();
    const save = page.getByRole('button', { name: 'Save the PDF' });
    await save.waitFor();
    const saved = page.waitForEvent('download');
    const start = Date.now();
    await save.click();
    await saved;
    if (run > 0) {
      times.push(Date.now() - start);
    }
    await page.keyboard.press('Escape');
    await page.waitForTimeout(300);
  }
  await context.close();
  return times;
}

/** Runs in the page: back to the picture, until it stands, and the longest task of that. Nothing is asked meanwhile. */
async function backToLineage() {
  globalThis.longestTask = 0;
  const start = performance.now();
  history.back();
  while (document.querySelector('nw-family-picture .node') === null) {
    await new Promise((done) => requestAnimationFrame(done));
  }
  const spent = performance.now() - start;
  await new Promise((done) => setTimeout(done, 500));
  return [spent, globalThis.longestTask];
}
