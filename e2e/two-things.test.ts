import { expect, test } from '@playwright/test';
import { mouse, take } from './hands.js';
import {
  BEGIN,
  blank,
  button,
  cookToPressure,
  furnish,
  go,
  openDemo,
  openHot,
  ownMultiCooker,
  pass,
  prepareGrain,
} from './house.js';

test('two things at the Stove: one large, the other a card; the screen never swaps them itself', async ({
  page,
}) => {
  test.setTimeout(120_000);
  await furnish(page);
  await blank(page, 'How many').fill('2');
  await prepareGrain(page, 'G1');
  await cookToPressure(page);
  await go(page, 'Desk');
  await blank(page, 'How many').fill('2');
  await button(page, 'Make batch G2').click();
  await page.getByRole('link', { name: 'To the Stove' }).click();
  // Asked for by its code, the soak is large and the cook a card.
  await expect(button(page, /^Start soak/)).toBeVisible();
  await expect(page.getByText(/Heat off at \d\d:\d\d, in \d+ min/)).toBeVisible();
  await button(page, 'Put first').click();
  await expect(page.getByText('minutes left at 15 psi')).toBeVisible();
  await pass(page, 95);
  await expect(page.getByText(/minutes over at 15 psi/)).toBeVisible();
  await expect(page.getByText('Start soak', { exact: true })).toBeVisible();
});

test('a second cooker can be loaded while the first is on', async ({ page }) => {
  test.setTimeout(120_000);
  await furnish(page);
  await ownMultiCooker(page);
  await go(page, 'Desk');
  await take(page.getByRole('combobox', { name: 'Vessels' }), 'pint jars');
  await blank(page, 'How many').fill('2');
  await prepareGrain(page, 'G1');
  await cookToPressure(page);
  await go(page, 'Desk');
  await take(page.getByRole('combobox', { name: 'Vessels' }), 'pint jars');
  await blank(page, 'How many').fill('2');
  await button(page, 'Make batch G2').click();
  await page.getByRole('link', { name: 'To the Stove' }).click();
  for (const step of [/^Start soak/, /^Start simmer/, /^Drain/, /^Dry enough/, /^In the jars/]) {
    await button(page, step).click();
  }
  await button(page, 'Load a cook').click();
  await expect(page.getByRole('combobox', { name: 'Cooker' })).toContainText('multi-cooker');
  // 11.6 psi is cooler than 15, so the hold is longer than a pint's hour; pints are quicker than the trade's quarts.
  await expect(page.getByText('90 min at 11.6 psi')).toBeVisible();
  await button(page, 'All so, lid on').click();
  await expect(page.getByText('Multi-cooker, cook 2').first()).toBeVisible();
});

test('a batch is carried out of the load and back, by hand and with keys', async ({ page }) => {
  test.setTimeout(120_000);
  await furnish(page);
  for (const code of ['G1', 'G2']) {
    await go(page, 'Desk');
    await blank(page, 'How many').fill('2');
    await prepareGrain(page, code);
  }
  await button(page, 'Load a cook').click();
  await expect(page.getByText('4 of 8 places')).toBeVisible();
  const [inside, outside] = [
    page.getByRole('list', { name: 'In the cooker' }),
    page.getByRole('region', { name: 'Stays out' }),
  ];
  await inside.getByText('G2').hover();
  await page.mouse.down();
  const there = (await outside.getByText('Drag what waits here').boundingBox())!;
  await page.mouse.move(there.x + 40, there.y + 10, { steps: 12 });
  await page.mouse.up();
  await expect(page.getByText('2 of 8 places')).toBeVisible();
  await expect(outside.getByText('G2')).toBeVisible();
  // With keys the tick does the same, and the focus goes along.
  await outside.getByRole('checkbox').focus();
  await page.keyboard.press('Space');
  await expect(page.getByText('4 of 8 places')).toBeVisible();
  await expect(inside.getByRole('checkbox').nth(1)).toBeFocused();
});

test('lid on is one deed: taken back it unloads, put back it is on again', async ({ page }) => {
  await furnish(page);
  await blank(page, 'How many').fill('1');
  await prepareGrain(page, 'G1');
  await button(page, 'Load a cook').click();
  await button(page, 'All so, lid on').click();
  await expect(page.getByText('Wait for a full plume')).toBeVisible();
  await page.keyboard.press('u');
  await expect(button(page, 'Load a cook')).toBeVisible();
  await button(page, 'Put back').click();
  await expect(page.getByText('Wait for a full plume')).toBeVisible();
});

test('a sitting at the Box survives a reload in mid-work', async ({ page }) => {
  await openDemo(page, 'stove');
  await button(page, /^Heat off/).click();
  await openHot(page);
  await expect(page.getByRole('heading', { name: 'Canner is open, and warm yet.' })).toBeVisible();
  await page.keyboard.press('3');
  await page.getByLabel('A thermometer on the glass shows').fill('24');
  await button(page, 'Note it').click();
  await button(page, BEGIN).click();
  await button(page, 'Done, next').click();
  await expect(page.getByText('jar 2 of 8')).toBeVisible();
  await page.reload();
  await expect(page.getByText('jar 2 of 8')).toBeVisible();
  await expect(page.getByText('348 ml left')).toBeVisible();
  await page.keyboard.press('Escape');
  await expect(page).toHaveURL(/\/demo\/box$/);
});

test('a photo stays with its vessel over a reload', async ({ page }) => {
  await openDemo(page, 'shelf?open=G26-4');
  const dot = Buffer.from(
    'iVBORw0KGgoAAAANSUhEUgAAAAEAAAABCAAAAAA6fptVAAAACklEQVR4nGNoAAAAggCBd81ytgAAAABJRU5ErkJggg==',
    'base64',
  );
  await page
    .getByLabel('Photo', { exact: true })
    .setInputFiles({ name: 'dot.png', mimeType: 'image/png', buffer: dot });
  await button(page, 'Save the note').click();
  await expect(page.getByRole('button', { name: 'Photo of G26-4' })).toBeVisible();
  await page.reload();
  await expect(page.getByRole('button', { name: 'Photo of G26-4' })).toBeVisible();
  await page
    .getByRole('button', { name: 'Photo', exact: true })
    .setInputFiles({ name: 'letter.txt', mimeType: 'text/plain', buffer: Buffer.from('no picture') });
  await expect(
    page.getByText('That file is no picture that this browser can read. Nothing was changed.'),
  ).toBeVisible();
});

test.describe('on a phone', () => {
  test.use({ viewport: { width: 390, height: 844 }, hasTouch: true, isMobile: true });

  test('the places lie under the thumb, the Ledger and Find above', async ({ page }) => {
    await openDemo(page);
    for (const name of ['Stove', 'Box', 'Shelf', 'Tent', 'Desk']) {
      await page.getByRole('navigation', { name: 'Places' }).getByText(name).tap();
      await expect(page).toHaveURL(new RegExp(`/demo/${name.toLowerCase()}`));
    }
    await page.getByRole('link', { name: 'Ledger' }).first().tap();
    await expect(page).toHaveURL(/ledger/);
    await page.getByRole('button', { name: 'Find' }).first().tap();
    await expect(page.getByRole('dialog')).toBeVisible();
  });

  for (const size of [
    { width: 390, height: 844 },
    { width: 1280, height: 800 },
  ]) {
    test(`what is pressed at arm’s length is 56 pixels high at ${size.width} × ${size.height}`, async ({
      page,
    }) => {
      await page.setViewportSize(size);
      for (const path of ['stove', 'shelf?open=G26-7', 'tent?open=B28-2', 'box']) {
        await openDemo(page, path);
        await page.waitForTimeout(500);
        // Words inside text, and figures that say why, are as high as their line; all else is a target.
        const small = await page.evaluate(() =>
          [...document.querySelectorAll<HTMLElement>('main button:not(.word, .why), main a.deed, main .jar')]
            .filter((el) => el.offsetParent !== null && el.getBoundingClientRect().height < 55.5)
            .map((el) => `${el.textContent.trim()} ${el.getBoundingClientRect().height}`),
        );
        expect(small, path).toEqual([]);
      }
    });
  }

  test('in gloved work the bar and the Today line step aside', async ({ page }) => {
    await openDemo(page, 'stove');
    await button(page, /^Heat off/).tap();
    await openHot(page, mouse('tap'));
    await expect(page.getByRole('heading', { name: 'Canner is open, and warm yet.' })).toBeVisible();
    await page.goto('/demo/box?work=G28:1.2*L12-1*2');
    await expect(page.getByText('jar 1 of 2')).toBeVisible();
    await expect(page.getByRole('navigation', { name: 'Places' })).toBeHidden();
    await expect(page.getByRole('region', { name: 'Today' })).toBeHidden();
    const next = await button(page, 'Done, next').boundingBox();
    expect((next?.y ?? 999) + (next?.height ?? 0)).toBeLessThan(844);
  });
});
