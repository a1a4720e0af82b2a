import { expect, test } from '@playwright/test';
import { take } from './hands.js';
import { BEGIN, blank, button, cookAll, furnish, go, openDemo, pass, prepareGrain, visit } from './house.js';

test('a first plan stands within a minute, from the first page to a made batch', async ({ page }) => {
  await furnish(page);
  await expect(page.getByText('90 min at 15 psi')).toBeVisible();
  await button(page, 'Make batch G1').click();
  await expect(page.getByText('G1 is made.')).toBeVisible();
});

test('what was said at the start is what the Desk and the Stove reckon with', async ({ page }) => {
  await page.goto('/start');
  await blank(page, 'Altitude').fill('640');
  await take(page.getByRole('combobox', { name: 'Vessels' }), 'pint jars');
  await blank(page, 'How many').fill('14');
  await button(page, 'Keep this, open the Desk').click();
  await expect(button(page, '70 min')).toBeVisible();
  await expect(page.getByRole('combobox', { name: 'Pressure' })).toHaveText('15 psi');
  await expect(page.getByText('here 119.8 °C')).toBeVisible();
  await expect(page.getByText('One cook, 14 places')).toBeVisible();
  await expect(page.getByRole('combobox', { name: 'Vessels' })).toHaveText('pint jars');
});

test('an archive of the Ledger joins what is here, and changes nothing twice', async ({ page }) => {
  await furnish(page);
  await prepareGrain(page, 'G1');
  await visit(page, '/ledger?tab=archive');
  const download = page.waitForEvent('download');
  await button(page, 'Save the archive').click();
  const path = await (await download).path();
  for (let again = 0; again < 2; again++) {
    await page.getByLabel('Choose the file').setInputFiles(path);
    await expect(page.getByText('Brought in: 0 records added.', { exact: true })).toBeVisible();
  }
});

test('an archive of the made-up household is refused by one’s own', async ({ page }) => {
  await openDemo(page, 'ledger?tab=archive');
  const download = page.waitForEvent('download');
  await button(page, 'Save the archive').click();
  const path = await (await download).path();
  await page.goto('/start');
  await page.getByLabel('Bring an archive back').setInputFiles(path);
  await expect(page.getByRole('alert')).toContainText(
    'of the made-up household, which never mixes with your own. Nothing was changed.',
  );
  await page.goto('/demo/ledger?tab=archive');
  await page.getByLabel('Choose the file').setInputFiles(path);
  await expect(page.getByText('Brought in: 0 records added')).toBeVisible();
});

test('text that looks like markup stays text at every place that shows it', async ({ page }) => {
  const evil = '<img src=x onerror="document.title=1">=1+1';
  await furnish(page);
  await blank(page, 'How many').fill('1');
  await prepareGrain(page, 'G1');
  await cookAll(page, 90);
  await go(page, 'Box');
  await button(page, 'Add a culture').click();
  await page.getByLabel('Isolate, as its keeper calls it').fill(evil);
  await button(page, 'It is in the house').click();
  await pass(page, 12 * 60);
  await button(page, BEGIN).click();
  await button(page, 'Done, next').click();
  await page.getByRole('link', { name: 'To the Shelf' }).click();
  await expect(page.getByText(evil)).toBeVisible();
  for (const path of ['/shelf?open=G1-1', '/ledger?tab=lineage&open=G1-1', '/ledger?tab=cultures']) {
    await visit(page, path);
    await expect(page.getByText(evil).first()).toBeVisible();
    expect(await page.locator('img[src="x"]').count()).toBe(0);
  }
  expect(await page.title()).not.toBe('1');
});

test('settings: night is kept on this screen, units on the house', async ({ page }) => {
  await openDemo(page, 'ledger?tab=settings');
  await take(page.getByLabel('Light'), 'night');
  const ground = () => page.evaluate(() => getComputedStyle(document.body).backgroundColor);
  expect(await ground()).toBe('rgb(15, 30, 44)');
  await page.reload();
  await expect(page.getByLabel('Light')).toContainText('night');
  expect(await ground()).toBe('rgb(15, 30, 44)');
  await take(page.getByLabel('Pressure in'), 'kPa');
  await take(page.getByLabel('Mass in'), 'ounces and pounds');
  await page.keyboard.press('Escape');
  await go(page, 'Desk');
  await expect(page.getByText('at 103.4 kPa')).toBeVisible();
  await expect(page.getByRole('button', { name: '69.84 ounces, why?' })).toBeVisible();
});

test('a QR’s link opens the place where the vessel stands', async ({ page }) => {
  await openDemo(page);
  for (const [code, place] of [
    ['G27-15', 'shelf'],
    ['B28-3', 'tent'],
    ['G28-1', 'stove'],
    ['L12-1', 'shelf'],
  ] as const) {
    await page.goto(`/demo/v/${code}`);
    await expect(page).toHaveURL(new RegExp(`/demo/${place}\\?open=[0-9a-f-]{36}$`));
    // By its id too, as labels of today say it.
    const id = new URL(page.url()).searchParams.get('open');
    await page.goto(`/demo/v/${id}`);
    await expect(page).toHaveURL(new RegExp(`/demo/${place}\\?open=${id}`));
  }
  await page.goto('/demo/v/G99-1');
  await expect(page.getByText('Nothing here is called G99-1.')).toBeVisible();
});

test('find, the day and the list of keys open by key and give the focus back', async ({ page }) => {
  await openDemo(page, 'shelf');
  await page.keyboard.press('/');
  await page.getByLabel('A code or a word').fill('B28-2');
  await page.keyboard.press('Enter');
  await expect(page).toHaveURL(/tent\?open=/);
  await expect(page.getByRole('region', { name: /^B28-2/ })).toBeVisible();
  await page.keyboard.press('?');
  await expect(page.getByRole('dialog')).toContainText('Undo, again for the one before');
  await page.keyboard.press('Escape');
  await expect(page.getByRole('dialog')).toBeHidden();
  await button(page, 'Today and after, the whole list').click();
  await expect(page.getByRole('dialog')).toContainText('Today and after');
});

test('the walk along the shelf goes by digits, one press a jar', async ({ page }) => {
  await openDemo(page, 'shelf');
  await expect(button(page, /^Walk the shelf/)).toBeVisible();
  await page.keyboard.press('i');
  await expect(page.getByText('1 of 48, day 11')).toBeVisible();
  await expect(page.getByText('Keys: 1 is 10 %, 9 is 90 %, 0 is 100 %')).toBeVisible();
  await page.keyboard.press('4');
  await expect(page.getByText('2 of 48')).toBeVisible();
  await expect(button(page, 'G27-1, 40 %')).toBeVisible();
  await page.keyboard.press('0');
  await expect(page.getByText('3 of 48')).toBeVisible();
  await expect(button(page, 'G27-2, 100 %')).toBeVisible();
  await page.keyboard.press('Escape');
  await expect(button(page, /^Walk the shelf/)).toBeVisible();
  await page.keyboard.press('5');
  await expect(page).toHaveURL(/tent/);
});

test('digits change place and write nothing, whatever is open; a pad takes them while it has the focus', async ({
  page,
}) => {
  await openDemo(page, 'shelf');
  const last = page.getByRole('region', { name: 'Today' }).getByText('cook 14: At pressure');
  await button(page, /^G27-1,/).click();
  await expect(page.getByRole('heading', { name: 'G27-1' })).toBeVisible();
  await page.keyboard.press('4');
  await expect(page).toHaveURL(/shelf/);
  await expect(last).toBeVisible();
  await page.keyboard.press('5');
  await expect(page).toHaveURL(/tent/);
  // A ripe block opens by itself.
  await expect(page.getByRole('region', { name: /^B28-2/ })).toBeVisible();
  await button(page, 'Note, photo, trouble').click();
  await page.keyboard.press('1');
  await expect(page).toHaveURL(/desk/);
  await expect(last).toBeVisible();
  await page.keyboard.press('5');
  await button(page, /^B28-4/).click();
  await page.getByRole('group', { name: 'Grams' }).focus();
  await page.keyboard.type('3189');
  await page.keyboard.press('Backspace');
  await expect(button(page, 'Harvested, 318 g')).toBeVisible();
  await page.getByRole('heading', { name: 'Tent', exact: true }).click();
  await page.keyboard.press('6');
  await expect(page).toHaveURL(/ledger/);
  await expect(last).toBeVisible();
});
