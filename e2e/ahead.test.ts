import { readFile } from 'node:fs/promises';
import { expect, test } from '@playwright/test';
import ICAL from 'ical.js';
import { take } from './hands.js';
import { blank, button, furnish, pass } from './house.js';

test('a supper on a day from an empty house becomes dated steps, which are moved by keys, over a reload', async ({
  page,
}) => {
  await furnish(page);
  await page.getByRole('link', { name: 'Plan ahead' }).click();
  await expect(page.getByRole('heading', { name: 'Plan ahead' })).toBeVisible();
  await expect(page.getByText(/Nothing is wanted yet/)).toBeVisible();
  await blank(page, 'How much').fill('2000');
  await take(page.getByLabel('How surely'), 'as likely as not');
  await page.getByRole('textbox', { name: 'On', exact: true }).fill('14 Aug 2026');
  await button(page, 'Plan it').click();
  const supper = page.getByRole('region', { name: /^2 kg of .*, Fri 14 Aug/ });
  await expect(supper.getByText(/as likely as not enough/)).toBeVisible({ timeout: 20_000 });
  await expect(supper.getByText(/Order a culture/)).toBeVisible();
  await supper.getByRole('button', { name: /^all \d+ steps/ }).click();
  await expect(supper.getByText(/Open \d+ × 2.3 kg bags/)).toBeVisible();
  const [file] = await Promise.all([page.waitForEvent('download'), button(page, 'Calendar file').click()]);
  expect(file.suggestedFilename()).toBe('plan-2026-03-02.ics');
  const calendar = await readFile(await file.path(), 'utf8');
  const [event] = new ICAL.Component(ICAL.parse(calendar) as unknown[]).getAllSubcomponents('vevent');
  expect(new ICAL.Event(event).summary).toMatch(/^Order a culture of/);
  await page.reload();
  await pass(page, 1);
  await expect(supper.getByText(/Order a culture/)).toBeVisible({ timeout: 20_000 });
  // By keys only: a step two days on, seen, kept, and there after a reload.
  const spawn = page.getByRole('button', { name: /Spawn \d+ × 2.3 kg bags/ }).first();
  await spawn.focus();
  await page.keyboard.press('ArrowRight');
  await page.keyboard.press('ArrowRight');
  await expect(page.getByText(/Spawn .*: .* → .*(moves?\.|Nothing else)/)).toBeVisible();
  await page.keyboard.press('Enter');
  await expect(button(page, 'Keep it so')).toBeHidden();
  await page.reload();
  await supper.getByRole('button', { name: /^all \d+ steps/ }).click({ timeout: 20_000 });
  await expect(supper.getByText('put there by hand')).toBeVisible();
  // By keys only: to the button, and it is gone.
  await supper.getByRole('button', { name: /^Take off/ }).focus();
  await page.keyboard.press('Enter');
  await expect(page.getByText(/Nothing is wanted yet/)).toBeVisible();
});
