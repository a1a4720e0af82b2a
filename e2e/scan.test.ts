import { readFile } from 'node:fs/promises';
import { expect, test, type Page } from '@playwright/test';
import { beforeCamera } from './camera.js';
import { button, openDemo } from './house.js';
import { codeOf, filmOf, firstCodeOf } from './label-picture.js';

/** Labels of a batch of the made-up household, as the app makes them. */
async function labelsOf(page: Page, vessel: string, number: string): Promise<Buffer> {
  await openDemo(page, `shelf?open=${vessel}`);
  await expect(page.getByRole('heading', { name: vessel })).toBeVisible();
  await page.keyboard.press('p');
  await button(page, 'None of them').click();
  await page.getByRole('option', { name: number, exact: true }).click();
  const saved = page.waitForEvent('download');
  await button(page, 'Save the PDF').click();
  return readFile(await (await saved).path());
}

test('a label that the app made is read by the camera and opens its vessel', async ({ page }) => {
  const film = filmOf(firstCodeOf(await labelsOf(page, 'G26-5', '5')));
  await beforeCamera(test, film, async (other) => {
    await openDemo(other, 'box');
    await button(other, 'Scan a label').click();
    await expect(other).toHaveURL(/\/demo\/shelf\?open=/);
    await expect(other.getByRole('heading', { name: 'G26-5' })).toBeVisible();
  });
});

test('a code of another house is told apart, is never followed, and the end of a code may be typed', async ({
  page,
}) => {
  const film = filmOf(firstCodeOf(await labelsOf(page, 'G26-5', '5')));
  await beforeCamera(test, film, async (other) => {
    await other.goto('/');
    await button(other, 'Keep this, open the Desk').click();
    await expect(button(other, 'Make batch G1')).toBeVisible();
    await other.goto('/box');
    await button(other, 'Scan a label').click();
    await expect(other.getByRole('dialog').getByText('That label is of the made-up house.')).toBeVisible();
    await expect(other).toHaveURL(/\/box$/);
  });
  await openDemo(page, 'box');
  await button(page, 'Scan a label').click();
  await expect(page.getByText(/^No camera:/)).toBeVisible();
  await page.getByLabel('Or type the end of its code').fill('26-99');
  await button(page, 'Take it').click();
  await expect(page.getByRole('dialog').getByText('Nothing here is called 26-99.')).toBeVisible();
  await page.getByLabel('Or type the end of its code').fill('26-5');
  await button(page, 'Take it').click();
  await expect(page.getByRole('heading', { name: 'G26-5' })).toBeVisible();
});

test('a code that somebody else printed is never followed', async () => {
  const film = filmOf(await codeOf('https://offers.example/v/1?win=1'));
  await beforeCamera(test, film, async (page) => {
    await openDemo(page, 'box');
    const asked: string[] = [];
    page.on('request', (request) => asked.push(request.url()));
    await button(page, 'Scan a label').click();
    const dialog = page.getByRole('dialog');
    await expect(dialog.getByText('That is no label of this house. Nothing was opened.')).toBeVisible();
    await expect(page).toHaveURL(/\/demo\/box$/);
    expect(asked.filter((url) => url.includes('offers.example'))).toEqual([]);
  });
});

test('a scanner that types opens a vessel and presses no key of ours', async ({ page }) => {
  await openDemo(page, 'tent');
  await expect(page.getByRole('region', { name: 'Today' }).getByText('Harvest B28-2')).toBeVisible();
  // As fast as a scanner, however busy the machine of the tests is.
  await page.evaluate(() => {
    for (const key of ['G', '2', '6', '-', '5', 'Enter']) {
      document.body.dispatchEvent(new KeyboardEvent('keydown', { key, bubbles: true, cancelable: true }));
    }
  });
  await expect(page).toHaveURL(/\/demo\/shelf\?open=/);
  await expect(page.getByRole('heading', { name: 'G26-5' })).toBeVisible();
  // A hand that presses one key is waited for and heard.
  await page.keyboard.press('2');
  await expect(page).toHaveURL(/stove/);
});
