import { resolve } from 'node:path';
import { pathToFileURL } from 'node:url';
import { ensureBuilt } from './build.mjs';
import { ensureChromium } from './chromium.mjs';
import { say } from './say.mjs';

const VIEWS = [
  { name: 'desk', path: '/demo/desk' },
  {
    name: 'desk-night',
    path: '/demo/desk',
    scheme: 'dark',
    act: (page) =>
      page
        .getByRole('button', { name: /grams, why\?/ })
        .first()
        .click(),
  },
  {
    name: 'ahead',
    path: '/demo/desk/ahead',
    act: (page) =>
      page
        .getByText(/^Spawn/)
        .first()
        .waitFor(),
  },
  {
    name: 'check-recipe',
    path: '/demo/desk/check',
    act: (page) =>
      page
        .getByLabel(/Paste or type it/)
        .fill('5 cups hardwood pellets\n1 1/4 cup wheat bran\n6 cups water\n12 gypsum'),
  },
  { name: 'materials', path: '/demo/desk/materials?open=hardwood-pellets' },
  { name: 'batch', path: '/demo/batch/B28', act: correctHarvest },
  { name: 'sheet', path: '/demo/desk/sheet/G28' },
  {
    name: 'stove-mix',
    path: '/demo/desk?formula=hardwood-bran',
    act: wetMix,
  },
  { name: 'stove', path: '/demo/stove' },
  { name: 'stove-load', path: '/demo/stove', act: loadAgain },
  { name: 'stove-record', path: '/demo/stove/cook/11', isWhole: true },
  { name: 'box', path: '/demo/box', before: coolTheLoad },
  { name: 'shelf', path: '/demo/shelf' },
  { name: 'shelf-vessel', path: '/demo/shelf?open=G26-7' },
  {
    name: 'tent',
    path: '/demo/tent?open=B28-2',
    isWhole: true,
    act: typeGrams,
  },
  { name: 'ledger', path: '/demo/ledger?tab=lineage&open=L6-1' },
  { name: 'start', path: '/start' },
  { name: 'stove-phone', path: '/demo/stove', phone: true },
  { name: 'box-phone', path: '/demo/box', phone: true, before: coolTheLoad, act: (page) => beginWork(page) },
];

/** Pictures are taken as of a morning, at whatever hour they are made. */
const HOUR = 10;
const MINUTE = 24;
/** Names of views, parted by commas, where not all are wanted. */
const ONLY = process.env.SHOTS?.split(',');

/** One PNG of each main view from the made-up household, into docs/screenshots. */
export async function screenshots() {
  const executablePath = await ensureChromium();
  await ensureBuilt();
  const { chromium } = await import('@playwright/test');
  const { serve, stop } = await import(pathToFileURL(resolve('dist/server/serve.js')).href);
  const { server, origin } = await serve({ appDir: resolve('dist/app/browser'), port: 0 });
  const browser = await chromium.launch({ executablePath, args: ['--no-sandbox', '--disable-gpu'] });
  for (const view of VIEWS.filter(({ name }) => ONLY?.includes(name) ?? true)) {
    const viewport = view.phone ? { width: 390, height: 844 } : { width: 1280, height: 800 };
    const context = await browser.newContext({
      viewport,
      colorScheme: view.scheme ?? 'light',
      serviceWorkers: 'block',
    });
    const page = await context.newPage();
    await page.clock.setSystemTime(new Date().setHours(HOUR, MINUTE, 0, 0));
    await page.goto(`${origin}/demo/`);
    await page.getByRole('button', { name: /^Make batch/ }).waitFor();
    await view.before?.(page, origin);
    await page.goto(origin + view.path);
    await page.locator('main h1, main h2').first().waitFor({ state: 'attached' });
    await page.waitForTimeout(1500);
    await view.act?.(page);
    await page.waitForTimeout(500);
    await page.screenshot({ path: `docs/screenshots/${view.name}.png`, fullPage: view.isWhole ?? false });
    say(`docs/screenshots/${view.name}.png`);
    await context.close();
  }
  await browser.close();
  await stop(server);
}

/** Ends the cook that is on, so that jars wait at the Box. */
async function coolTheLoad(page, origin) {
  await page.goto(`${origin}/demo/stove`);
  await page.getByRole('button', { name: /^Heat off/ }).click();
  await page.getByRole('button', { name: /^Open/ }).click();
  await page.getByRole('heading', { name: /is open, and warm yet/ }).waitFor();
}

/** One entry of the history, opened to be corrected. */
async function correctHarvest(page) {
  await page
    .getByRole('button', { name: /^Correct: .*harvested/ })
    .last()
    .click();
  await page.getByText('What was it really?').waitFor();
}

/** A harvest, typed on the pad. */
async function typeGrams(page) {
  await page.getByRole('group', { name: 'Grams' }).focus();
  await page.keyboard.type('318');
}

/** A block that came out wet, at the squeeze. */
async function wetMix(page) {
  await page.getByRole('button', { name: /^Make batch/ }).click();
  await page.getByRole('link', { name: 'To the Stove' }).click();
  await page.getByRole('button', { name: /^Mixed/ }).click();
  await page.getByRole('button', { name: /^It runs/ }).click();
  await page.getByText('Too wet.').waitFor();
}

/** The cook that is on is stopped, so that its load can be looked at again. */
async function loadAgain(page) {
  await page.getByText('It went wrong').click();
  await page.getByRole('button', { name: 'Stop this cook' }).click();
  await page.getByRole('button', { name: 'Load a cook' }).click();
  await page.getByText(/Overkill, F0 12: /).waitFor();
}

async function beginWork(page) {
  await page.getByRole('button', { name: /L12-1/ }).click();
  await page.getByRole('button', { name: /^(Begin|All read, begin|Go on all the same)/ }).click();
  for (let jar = 0; jar < 3; jar++) {
    await page.getByRole('button', { name: 'Done, next' }).click();
    await page.waitForTimeout(400);
  }
}
