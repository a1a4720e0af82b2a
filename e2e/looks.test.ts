import AxeBuilder from '@axe-core/playwright';
import { expect, test, type Page } from '@playwright/test';
import { furnish, openDemo } from './house.js';
import { PAGES } from './pages.js';

/** Lists, calendars, dialogs, folds and wrong fields: a page, and what is done there. */
const OPENED: readonly (readonly [path: string, what: string, open: (page: Page) => Promise<unknown>])[] = [
  ['desk', 'the search', press('Find')],
  ['desk', 'a reason', press(/grams, why/)],
  ['desk', 'a list of choices', (page) => page.getByRole('combobox', { name: 'Vessels' }).click()],
  ['desk', 'a wrong blank', (page) => page.getByRole('textbox', { name: 'Moisture' }).fill('ten')],
  [
    'desk/formula/hardwood-bran',
    'what is offered',
    (page) => page.getByRole('combobox', { name: 'Ingredient 1' }).click(),
  ],
  ['stove', 'a correction', press('Correct')],
  ['stove', 'a fold', (page) => page.getByText('Type a reading').click()],
  ['box', 'a dialog', press('Add a culture')],
  ['shelf?open=G26-7', 'suspects', press('Suspect')],
  ['shelf', 'a heater', inTurn('Places, warmth', 'How strong a mat or heater?')],
  ['shelf', 'what bad ones touched', press('Cooked again, what they touched')],
  ['shelf?open=G26-1', 'two photos', inTurn(/^Photo of G26-1, /)],
  ['tent', 'a vessel', press('Note, photo, trouble')],
  ['tent?open=B28-1', 'another vessel', intoAnotherVessel],
  ['ledger?tab=settings', 'a choice', (page) => page.getByLabel('Light').click()],
  [
    'ledger?tab=settings',
    'a wrong field',
    async (page) => {
      await page.getByLabel('Altitude').fill('high');
      await page.getByLabel('Altitude').blur();
    },
  ],
  ['ledger?tab=history', 'a calendar', press('Calendar, Day')],
  ['ledger?tab=history', 'an entry', press(/^Correct:/)],
];

function press(name: string | RegExp): (page: Page) => Promise<void> {
  return (page) =>
    page
      .getByRole('button', { name, exact: typeof name === 'string' })
      .first()
      .click();
}

function inTurn(...names: readonly (string | RegExp)[]): (page: Page) => Promise<void> {
  return async (page) => {
    for (const name of names) {
      await press(name)(page);
    }
  };
}

async function intoAnotherVessel(page: Page): Promise<void> {
  await inTurn('Note, photo, trouble', 'More with B28-1')(page);
  await page.getByRole('menuitem', { name: 'Into another vessel' }).click();
  await press('Layers under and over it')(page);
}

for (const scheme of ['light', 'dark'] as const) {
  test.describe(`by ${scheme === 'light' ? 'day' : 'night'}`, () => {
    test.use({ colorScheme: scheme });

    test('no place has a violation that axe can find', async ({ page }) => {
      test.setTimeout(360_000);
      await openDemo(page);
      for (const path of PAGES) {
        await settle(page, `/demo/${path}`);
        expect(await violations(page), path).toEqual([]);
      }
      await settle(page, '/start');
      expect(await violations(page), 'start').toEqual([]);
    });

    test('nothing that opens has one either', async ({ page }) => {
      test.setTimeout(360_000);
      await openDemo(page);
      for (const [path, what, open] of OPENED) {
        await settle(page, `/demo/${path}`);
        await open(page);
        // What slides in is judged once it stands.
        await page.waitForTimeout(600);
        expect(await violations(page), `${path}, ${what}`).toEqual([]);
      }
    });
  });
}

for (const size of [
  { width: 390, height: 844 },
  { width: 1280, height: 800 },
  // The narrowest page that must not scroll sideways, and a laptop whose text was doubled: WCAG 2.2, 1.4.10 and 1.4.4.
  { width: 320, height: 720 },
  { width: 640, height: 400 },
]) {
  test(`nothing overflows at ${size.width} × ${size.height}`, async ({ page }) => {
    test.setTimeout(120_000);
    await page.setViewportSize(size);
    await openDemo(page);
    for (const path of [...PAGES, '../start']) {
      await settle(page, new URL(path, 'http://x/demo/').href.replace('http://x', ''));
      const over = await page.evaluate(
        () => document.documentElement.scrollWidth - document.documentElement.clientWidth,
      );
      expect(over, path).toBe(0);
      expect(await cutWords(page), path).toEqual([]);
    }
  });
}

test('an empty house says at every place what is missing and what to do', async ({ page }) => {
  await furnish(page);
  const words = [
    ['2', 'Canner is cold.'],
    ['3', 'Nothing waits for the box.'],
    ['4', 'No jars here yet. They arrive from the Box.'],
    ['5', 'No blocks here yet.'],
    ['6', 'Nothing has a lineage yet.'],
  ] as const;
  for (const [key, text] of words) {
    await page.evaluate(() => {
      if (document.activeElement instanceof HTMLElement) {
        document.activeElement.blur();
      }
    });
    await page.keyboard.press(key);
    await expect(page.getByText(text)).toBeVisible();
  }
});

test('no message of the console is an error, the policy’s among them', async ({ page }) => {
  const errors: string[] = [];
  page.on('console', (message) => {
    if (message.type() === 'error') {
      errors.push(message.text());
    }
  });
  page.on('pageerror', (error) => errors.push(error.message));
  await openDemo(page);
  for (const path of PAGES) {
    await settle(page, `/demo/${path}`);
  }
  await page.getByRole('button', { name: 'Find' }).first().click();
  await page.getByLabel('A code or a word').fill('chestnut');
  await expect(page.getByRole('dialog').getByRole('button').first()).toBeVisible();
  expect(errors).toEqual([]);
});

async function settle(page: Page, path: string): Promise<void> {
  await page.goto(path);
  await expect(page.locator('main').first()).toBeVisible();
  await expect(page.locator('main h1, main h2').first()).toBeAttached();
  await page.waitForTimeout(500);
}

async function violations(page: Page): Promise<string[]> {
  const { violations: found } = await new AxeBuilder({ page }).analyze();
  return found.flatMap((v) =>
    v.nodes.map((n) => `${v.id}: ${n.target.join(' ')} ${n.failureSummary?.split('\n')[1] ?? ''}`),
  );
}

/** Single-line pieces of text whose end is not to be seen. */
function cutWords(page: Page): Promise<string[]> {
  return page.evaluate(() => {
    const boxes = [...document.querySelectorAll<HTMLElement>('button, a, nw-plaque, th, dt, .strong, .deed')];
    return boxes
      .filter(
        (el) =>
          el.offsetParent !== null &&
          getComputedStyle(el).visibility === 'visible' &&
          getComputedStyle(el).overflowX === 'hidden' &&
          el.scrollWidth > el.clientWidth + 1,
      )
      .map((el) => el.textContent.trim().slice(0, 40));
  });
}
