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

test('a calendar file after a change moves what moved, and cancels what fell away', async ({ page }) => {
  await furnish(page);
  await page.getByRole('link', { name: 'Plan ahead' }).click();
  const wish = async (grams: string) => {
    await blank(page, 'How much').fill(grams);
    await take(page.getByLabel('How surely'), 'as likely as not');
    await page.getByRole('textbox', { name: 'On', exact: true }).fill('14 Aug 2026');
    await button(page, 'Plan it').click();
    await expect(page.getByRole('heading', { name: new RegExp(`^${grams} g of`) })).toBeVisible({
      timeout: 20_000,
    });
  };
  const events = async () => {
    const [file] = await Promise.all([page.waitForEvent('download'), button(page, 'Calendar file').click()]);
    const text = await readFile(await file.path(), 'utf8');
    return new ICAL.Component(ICAL.parse(text) as unknown[])
      .getAllSubcomponents('vevent')
      .map((c) => ({ uid: new ICAL.Event(c).uid, status: c.getFirstPropertyValue('status') }));
  };
  await wish('400');
  await wish('300');
  const before = await events();
  await page.getByRole('button', { name: /^Take off 300 g/ }).click();
  await expect(page.getByRole('heading', { name: /^300 g of/ })).toBeHidden();
  const after = await events();
  const cancelled = after.filter((e) => e.status === 'CANCELLED').map((e) => e.uid);
  expect(cancelled.length).toBeGreaterThan(3);
  expect(after.map((e) => e.uid).sort()).toEqual(before.map((e) => e.uid).sort());
  // What was cancelled once is not told again.
  expect((await events()).filter((e) => e.status === 'CANCELLED')).toEqual([]);
});
