import { expect, test } from '@playwright/test';
import { button, cookToPressure, furnish, pass, prepareGrain, visit } from './house.js';

test.describe('a cook', () => {
  test.beforeEach(async ({ page }) => {
    await furnish(page);
    await prepareGrain(page, 'G1');
    await cookToPressure(page);
  });

  test('its clock survives a reload, a slept hour and a closed tab', async ({ page, context }) => {
    await pass(page, 30);
    await expect(page.getByText('60 minutes left at 15 psi')).toBeVisible();
    await visit(page, '/stove');
    await expect(page.getByText(/(60|59) minutes left at 15 psi/)).toBeVisible();
    await pass(page, 40);
    await expect(page.getByText(/(20|19) minutes left at 15 psi/)).toBeVisible();
    const other = await context.newPage();
    await other.clock.install({ time: new Date('2026-03-03T05:30:00Z') });
    await page.close();
    await other.goto('/stove');
    await expect(other.getByText(/minutes over at 15 psi|minutes left at 15 psi/)).toBeVisible();
    await expect(button(other, /^Heat off/)).toBeVisible();
  });

  test('stops its clock when pressure is lost, and gives both ways on with their figures', async ({
    page,
  }) => {
    await pass(page, 40);
    await button(page, 'Pressure was lost').click();
    await expect(page.getByText('Clock stopped. Turn the heat up.')).toBeVisible();
    await pass(page, 6);
    await button(page, 'At pressure again').click();
    await expect(button(page, /^Start again, 90 min\s*ends at F0 about/)).toBeVisible();
    await button(page, /^Carry on, 50 min more/).click();
    await expect(page.getByText('50 minutes left at 15 psi')).toBeVisible();
  });

  test('can be corrected when a step was pressed late, but not before the step before', async ({ page }) => {
    await pass(page, 10);
    await expect(page.getByText('80 minutes left at 15 psi')).toBeVisible();
    await page.getByRole('button', { name: 'Correct', exact: true }).click();
    await page.getByRole('button', { name: '−5 min' }).click();
    await expect(page.getByText('75 minutes left at 15 psi')).toBeVisible();
    await page.getByRole('button', { name: 'Correct', exact: true }).click();
    await page.getByLabel('or type it', { exact: true }).fill('3 Mar 2026');
    await page.getByLabel('or type it, time').fill('02:00');
    await button(page, 'It was then').click();
    await expect(page.getByRole('alert')).toContainText('When must be after the step before');
    await expect(page.getByText('75 minutes left at 15 psi')).toBeVisible();
  });

  test('that boiled dry does not count: its jars wait for another', async ({ page }) => {
    await page.getByText('It went wrong').click();
    await button(page, 'It boiled dry').click();
    await expect(page.getByText('Does not count.')).toBeVisible();
    await expect(button(page, 'Load a cook')).toBeVisible();
  });
});
