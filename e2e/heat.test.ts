import { expect, test, type Page } from '@playwright/test';
import { take } from './hands.js';
import { blank, button, cookAll, furnish, pass, prepareGrain, go } from './house.js';
import { plan } from './media.js';

/** The record of the first cook: two quarts, held 90 minutes, opened. */
async function cooked(page: Page): Promise<void> {
  await furnish(page);
  await blank(page, 'How many').fill('2');
  await prepareGrain(page, 'G1');
  await cookAll(page, 90);
  await page
    .getByRole('link', { name: /^Record: proof/ })
    .first()
    .click();
  await expect(page.getByText('Done by time.')).toBeVisible();
}

/** Notes a proof as the form stands, with what differs. */
async function prove(page: Page, fields: Readonly<Record<string, string>> = {}): Promise<void> {
  const form = page.locator('form', { hasText: 'What was in it' });
  if (!(await form.isVisible())) {
    await page.getByText('Note a proof').click();
  }
  for (const [name, value] of Object.entries(fields)) {
    const field = form.getByLabel(name, { exact: true });
    if ((await field.getAttribute('role')) === 'combobox') {
      await take(field, value);
    } else {
      await field.fill(value);
    }
  }
  await form.getByRole('button', { name: 'Note it' }).click();
}

/** Another two quarts, up to what their load is told before the lid. */
async function nextLoad(page: Page): Promise<void> {
  await go(page, 'Desk');
  await blank(page, 'How many').fill('2');
  await prepareGrain(page, 'G2');
  await button(page, 'Load a cook').click();
  await expect(page.getByText(/such vessels sours? by the cook, as far as is known/)).toBeVisible();
}

test.describe('what was measured in a cook', () => {
  test('an indicator that passed proves it, in the line of the day too, and calms the next like load', async ({
    page,
  }) => {
    await cooked(page);
    await prove(page);
    await expect(page.getByText('Proved.', { exact: true })).toBeVisible();
    await expect(
      button(page, /^Correct the last entry: cook 1: biological indicator read; proved/),
    ).toBeVisible();
    await nextLoad(page);
    await expect(page.getByText(/1 measurement in vessels like these/)).toBeVisible();
    await expect(page.getByText(/what the trade finds: of 100 quarts/)).toBeVisible();
    await expect(page.getByText(/^Likely all 2 keep/)).toBeVisible();
    await expect(page.getByText(/no hold up to five hours is sure/)).toBeHidden();
  });

  test('two proofs that cannot both be true are said to contradict, and one is to be doubted', async ({
    page,
  }) => {
    await cooked(page);
    await prove(page);
    await expect(page.getByText('Proved.', { exact: true })).toBeVisible();
    await prove(page, { 'The one from the cook': 'turned: its spores lived' });
    await expect(page.getByText(/The proofs contradict each other: doubt one of them/)).toBeVisible();
    await expect(page.getByText(/2 measurements in vessels like these/)).toBeVisible();
  });

  test('a maximum thermometer at 105 °C in the middle is not sterile, and its load likely sours', async ({
    page,
  }) => {
    await cooked(page);
    await prove(page, { 'What was in it': 'maximum thermometer', 'It reads': '105' });
    await expect(page.getByText('Not sterile.')).toBeVisible();
    await expect(page.getByText(/the middle never was hot enough for long enough/)).toBeVisible();
    await expect(page.getByText(/^Likely all 2 keep/)).toBeHidden();
    await go(page, 'Box');
    await expect(page.getByText(/Cook 1: Not sterile/)).toBeVisible();
    // Nothing is put in yet: it can be made good, and is sterile then by the record of the other cook.
    await page.getByRole('link', { name: 'Cook it again at the Stove' }).click();
    await expect(page.getByText('Cook 1: not sterile', { exact: true })).toBeVisible();
    await button(page, 'Cook again').click();
    await expect(page.getByRole('list', { name: 'In the cooker' })).toContainText('2 quart jars');
    await button(page, 'All so, lid on').click();
    await expect(page.getByText('cook 2, 2 quart jars')).toBeVisible();
    await expect(button(page, 'Cook again')).toBeHidden();
    await page.getByRole('link', { name: 'All cooks, with their records' }).click();
    await expect(page.getByText('Today: 2 cooked elsewhere or waiting for it.')).toBeVisible();
  });
});

test('bags in two layers that touch are held far longer, and a gap is advised', async ({ page }) => {
  await furnish(page);
  await plan(page, /^Bulk/, 'Hardwood and bran 10 %', '2', 'B1');
  await button(page, /^Mixed/).click();
  await pass(page, 30);
  await button(page, /^In the bags/).click();
  await button(page, 'Load a cook').click();
  await expect(page.getByText('150 min at 15 psi', { exact: true })).toBeVisible();
  await blank(page, 'Layers').fill('2');
  await expect(page.getByText('150 min at 15 psi', { exact: true })).toBeVisible();
  await take(page.getByLabel('Between the bags'), 'no gap');
  await expect(page.getByText('150 min at 15 psi', { exact: true })).toBeHidden();
  await expect(page.getByText(/They heat as one block.* then 150 min would do\./)).toBeVisible();
  await button(page, 'All so, lid on').click();
  await expect(button(page, /^Steam is steady/)).toBeVisible();
});
