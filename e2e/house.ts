import { expect, type Page } from '@playwright/test';

/** A moment in the tests' own time; instants in the store come from it. */
export const NOON = new Date('2026-03-02T12:00:00Z');

/** Opens an empty own house, with a clock that the test moves. */
export async function openEmpty(page: Page): Promise<void> {
  await page.clock.install({ time: NOON });
  await page.goto('/');
  await expect(page.getByRole('heading', { name: 'Four things the numbers need' })).toBeVisible();
}

/** Keeps the first plan as it stands. */
export async function furnish(page: Page): Promise<void> {
  await openEmpty(page);
  await page.getByRole('button', { name: 'Keep this, open the Desk' }).click();
  await expect(page.getByRole('button', { name: 'Make batch G1' })).toBeVisible();
}

/** Lets time pass; clocks are instants, so nothing needs to tick in between. */
export async function pass(page: Page, minutes: number): Promise<void> {
  await page.clock.fastForward(minutes * 60_000);
}

export async function go(
  page: Page,
  place: 'Desk' | 'Stove' | 'Box' | 'Shelf' | 'Tent' | 'Ledger',
): Promise<void> {
  const key = { Desk: '1', Stove: '2', Box: '3', Shelf: '4', Tent: '5', Ledger: '6' }[place];
  await page.locator('body').click({ position: { x: 2, y: 2 } });
  await page.keyboard.press(key);
  await expect(page).toHaveURL(new RegExp(`/${place.toLowerCase()}`));
}

export async function press(page: Page, name: string | RegExp): Promise<void> {
  await page
    .getByRole('button', { name, exact: typeof name === 'string' })
    .first()
    .click();
}

/** Fills in one word of the sentence. */
export async function fillBlank(page: Page, name: string, text: string): Promise<void> {
  const box = page.getByRole('textbox', { name, exact: true });
  await box.fill(text);
  await box.blur();
}

/** A grain batch from its plan to jars that wait for a cook. */
export async function prepareGrain(page: Page, code: string): Promise<void> {
  await page.getByRole('button', { name: `Make batch ${code}` }).click();
  await page.getByRole('link', { name: 'To the Stove' }).click();
  await press(page, /^Start soak/);
  await pass(page, 14 * 60);
  await press(page, /^Start simmer/);
  await pass(page, 12);
  await press(page, /^Drain/);
  await pass(page, 20);
  await press(page, /^Dry enough/);
  await press(page, /^In the jars/);
}

/** A cook with all its steps, up to open. */
export async function cookAll(page: Page, holdMinutes: number): Promise<void> {
  await press(page, 'Load a cook');
  await press(page, 'All so, lid on');
  await pass(page, 15);
  await press(page, /^Steam is steady/);
  await pass(page, 10);
  await press(page, /^Weight on/);
  await pass(page, 6);
  await press(page, /^At pressure/);
  await pass(page, holdMinutes);
  await press(page, /^Heat off/);
  await pass(page, 70);
  await press(page, /^Open/);
}

export async function addCulture(page: Page, isolate: string, millilitres: string): Promise<void> {
  await page.getByRole('button', { name: 'Add a culture' }).first().click();
  const dialog = page.getByRole('dialog');
  await dialog.getByLabel('Isolate, as its keeper calls it').fill(isolate);
  await dialog.getByLabel('Millilitres in each').fill(millilitres);
  await dialog.getByRole('button', { name: 'It is in the house' }).click();
  await expect(dialog).toBeHidden();
}
