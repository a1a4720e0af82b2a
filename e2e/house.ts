import { expect, type Locator, type Page } from '@playwright/test';
import { mouse, type Hands } from './hands.js';

/** A moment in the tests' own time; instants in the store come from it. */
export const NOON = new Date('2026-03-02T12:00:00Z');

/** Opens an empty own house, with a clock that the test moves. */
export async function openEmpty(page: Page): Promise<void> {
  await page.clock.install({ time: NOON });
  await page.goto('/');
  await expect(page.getByRole('heading', { name: 'Four things the numbers need' })).toBeVisible();
}

/** Keeps the first plan as it stands. */
export async function furnish(page: Page, hands: Hands = mouse()): Promise<void> {
  await openEmpty(page);
  await hands.press(button(page, 'Keep this, open the Desk'));
  await expect(button(page, 'Make batch G1')).toBeVisible();
}

/** The second cooker that ships is put into the house: at the start only the first was said to be there. */
export async function ownMultiCooker(page: Page): Promise<void> {
  await visit(page, '/ledger?tab=settings');
  await button(page, 'It is here').click();
  await expect(page.getByRole('group', { name: 'Multi-cooker' })).toBeVisible();
}

/** The place itself, once its records are read: not the word that they are being read. */
function placeOf(page: Page): Locator {
  return page.locator('main > :not(router-outlet, .reading)').first();
}

/** Opens the made-up household on the present day. */
export async function openDemo(page: Page, path = 'desk'): Promise<void> {
  await page.goto('/demo/');
  await expect(page.getByRole('button', { name: /^Make batch/ })).toBeVisible();
  if (path !== 'desk') {
    await page.goto(`/demo/${path}`);
    await expect(placeOf(page)).toBeAttached();
  }
}

/** Lets time pass; clocks are instants, so nothing needs to tick in between. */
export async function pass(page: Page, minutes: number): Promise<void> {
  await page.clock.fastForward(minutes * 60_000);
}

/** By its number key, as on the tabs. */
export async function go(
  page: Page,
  place: 'Desk' | 'Stove' | 'Box' | 'Shelf' | 'Tent' | 'Ledger',
): Promise<void> {
  const key = { Desk: '1', Stove: '2', Box: '3', Shelf: '4', Tent: '5', Ledger: '6' }[place];
  await page.evaluate(() => {
    if (document.activeElement instanceof HTMLElement) {
      document.activeElement.blur();
    }
  });
  await page.keyboard.press(key);
  await expect(page).toHaveURL(new RegExp(`/${place.toLowerCase()}`));
}

/** The first button of that name; a text must be the whole name. */
export function button(page: Page, name: string | RegExp): Locator {
  return page.getByRole('button', { name, exact: typeof name === 'string' }).first();
}

/** What was noted last stands in Today. */
export function noted(page: Page, words: string | RegExp): Promise<void> {
  return expect(page.getByRole('region', { name: 'Today' }).getByText(words)).toBeVisible();
}

export function blank(page: Page, name: string): Locator {
  return page.getByRole('textbox', { name, exact: true });
}

/** Opens an address under a moved clock, whose timers stand still after a load until they are pushed. */
export async function visit(page: Page, path: string): Promise<void> {
  await page.goto(path);
  await expect(async () => {
    await page.clock.runFor(200);
    await expect(placeOf(page)).toBeAttached({ timeout: 300 });
  }).toPass({ timeout: 15_000 });
  await page.clock.runFor(2000);
}

/** A formula of a group on the Desk. */
export async function openFormula(page: Page, group: RegExp, formula: string): Promise<void> {
  await button(page, group).click();
  await page.getByRole('option', { name: formula, exact: true }).click();
}

/** A grain batch from its plan to jars that wait for a cook. */
export async function prepareGrain(page: Page, code: string, hands: Hands = mouse()): Promise<void> {
  await hands.press(button(page, `Make batch ${code}`));
  await hands.press(page.getByRole('link', { name: 'To the Stove' }));
  await hands.press(button(page, /^Start soak/));
  await pass(page, 14 * 60);
  await hands.press(button(page, /^Start simmer/));
  await pass(page, 12);
  await hands.press(button(page, /^Drain/));
  await pass(page, 20);
  await hands.press(button(page, /^Dry enough/));
  await hands.press(button(page, /^In the jars/));
  await expect(button(page, 'Load a cook')).toBeVisible();
}

/** A cook from the checklist to pressure. */
export async function cookToPressure(page: Page, hands: Hands = mouse()): Promise<void> {
  await hands.press(button(page, 'Load a cook'));
  await hands.press(button(page, 'All so, lid on'));
  await expect(button(page, /^Steam is steady/)).toBeVisible();
  await pass(page, 15);
  await hands.press(button(page, /^Steam is steady/));
  await expect(button(page, /^Weight on/)).toBeVisible();
  await pass(page, 10);
  await hands.press(button(page, /^Weight on/));
  await expect(button(page, /^At pressure/)).toBeVisible();
  await pass(page, 6);
  await hands.press(button(page, /^At pressure/));
  await expect(button(page, /^Heat off/)).toBeVisible();
}

/** A cook with all its steps, up to open. */
export async function cookAll(page: Page, holdMinutes: number, hands: Hands = mouse()): Promise<void> {
  await cookToPressure(page, hands);
  await pass(page, holdMinutes);
  await hands.press(button(page, /^Heat off/));
  await expect(button(page, /^Open/)).toBeVisible();
  await pass(page, 70);
  await hands.press(button(page, /^Open/));
  await expect(page.getByRole('heading', { name: 'Canner is open, and warm yet.' })).toBeVisible();
}

export async function addCulture(
  page: Page,
  isolate: string,
  milliliters: string,
  hands: Hands = mouse(),
): Promise<void> {
  await hands.press(button(page, 'Add a culture'));
  const dialog = page.getByRole('dialog');
  await hands.fill(dialog.getByLabel('Isolate, as its keeper calls it'), isolate);
  await hands.fill(dialog.getByLabel('Milliliters in each'), milliliters);
  await hands.press(dialog.getByRole('button', { name: 'It is in the house' }));
  await expect(dialog).toBeHidden();
}

/** Two jars that are cooked and cool, with 10 ml of culture in the house, at the Box. */
export async function readyToInoculate(page: Page): Promise<void> {
  await furnish(page);
  await blank(page, 'How many').fill('2');
  await prepareGrain(page, 'G1');
  await cookAll(page, 90);
  await go(page, 'Box');
  await addCulture(page, 'BP-Test', '10');
  await pass(page, 12 * 60);
  await expect(page.getByText('cool to the middle')).toBeVisible();
}

/** The one deed that goes to work at the Box, whatever is to be read or passed over before. */
export const BEGIN = /^(Begin|All read, begin|Go on all the same)/;

/** A lid that comes off while its curve is still above boiling: it is asked, and was. */
export async function openHot(page: Page, hands: Hands = mouse()): Promise<void> {
  await hands.press(button(page, /^Open/));
  await hands.press(button(page, /^It is open/));
}
