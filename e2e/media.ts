import { expect, type Page } from '@playwright/test';
import { mouse, type Hands } from './hands.js';
import { blank, button, cookToPressure, go, pass } from './house.js';

/** A batch of a formula, brought from the Desk to the Stove. */
export async function plan(
  page: Page,
  group: RegExp,
  formula: string,
  count: string,
  code: string,
  hands: Hands = mouse(),
): Promise<void> {
  await go(page, 'Desk');
  await hands.press(button(page, group));
  await hands.press(page.getByRole('option', { name: formula, exact: true }));
  // The formula is opened by its address: what is typed before it stands there would be of the one before.
  await expect(button(page, `Make batch ${code}`)).toBeVisible();
  await hands.fill(blank(page, 'How many'), count);
  await hands.press(button(page, `Make batch ${code}`));
  await hands.press(page.getByRole('link', { name: 'To the Stove' }));
}

/** The short cook of what is dissolved, until it is open and cool. */
export async function cookShort(page: Page, hands: Hands = mouse()): Promise<void> {
  await cookToPressure(page, hands);
  await pass(page, 30);
  await hands.press(button(page, /^Heat off/));
  await pass(page, 80);
  await hands.press(button(page, /^Open/));
  await expect(button(page, /^Open/)).toBeHidden();
  await pass(page, 14 * 60);
}
