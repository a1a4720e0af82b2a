import { expect, test } from '@playwright/test';
import { mouse, take } from './hands.js';
import { blank, button, furnish } from './house.js';

test('a step is dragged on the board, shows what that moves, and goes back or stays', async ({ page }) => {
  await furnish(page);
  await page.getByRole('link', { name: 'Plan ahead' }).click();
  await blank(page, 'How much').fill('600');
  await take(page.getByLabel('How surely'), 'as likely as not');
  await page.getByRole('textbox', { name: 'On', exact: true }).fill('14 Aug 2026');
  await button(page, 'Plan it').click();
  const spawn = page.getByRole('button', { name: /Spawn \d+ × 2.3 kg bags/ }).first();
  await expect(spawn).toBeVisible({ timeout: 20_000 });
  const drag = async (byPx: number) => {
    await spawn.scrollIntoViewIfNeeded();
    const box = (await spawn.boundingBox())!;
    const [x, y] = [box.x + box.width / 2, box.y + box.height / 2];
    await page.mouse.move(x, y);
    await page.mouse.down();
    for (let i = 1; i <= 10; i += 1) {
      await page.mouse.move(x + (byPx * i) / 10, y + i);
    }
    await page.mouse.up();
  };
  const named = await spawn.getAttribute('aria-label');
  await drag(60);
  await expect(page.getByText(/Spawn .*: .* → .*(moves?\.|Nothing else)/)).toBeVisible();
  await button(page, 'Put back').click();
  await expect(button(page, 'Keep it so')).toBeHidden();
  await expect(spawn).toHaveAttribute('aria-label', named!);
  await drag(-40);
  await button(page, 'Keep it so').click();
  await page.getByRole('button', { name: /^all \d+ steps/ }).click();
  await expect(page.getByText('put there by hand')).toBeVisible();
  await expect(spawn).not.toHaveAttribute('aria-label', named!);
});

test.describe('on a phone, by touch', () => {
  test.use({ viewport: { width: 390, height: 844 }, hasTouch: true, isMobile: true });

  test('a wish becomes days, a day its list, and cookers may be on one at a time', async ({ page }) => {
    const hands = mouse('tap');
    await furnish(page, hands);
    await hands.press(page.getByRole('link', { name: 'Plan ahead' }));
    await hands.fill(blank(page, 'How much'), '500');
    await hands.fill(page.getByRole('textbox', { name: 'On', exact: true }), '14 Aug 2026');
    await hands.press(button(page, 'Plan it'));
    const supper = page.getByRole('region', { name: /^500 g of .*, Fri 14 Aug/ });
    await expect(supper.getByText(/likely enough/)).toBeVisible({ timeout: 20_000 });
    // Nothing runs over the edge of the glass.
    expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(390);
    await hands.press(button(page, 'When there is time'));
    await hands.press(page.getByRole('radio', { name: 'one at a time' }));
    await expect(page.getByRole('radio', { name: 'one at a time' })).toBeChecked();
    await expect(supper.getByText(/likely enough/)).toBeVisible({ timeout: 20_000 });
    const day = supper.getByRole('listitem').getByRole('link').first();
    const date = (await day.textContent())!.trim().replace(/^\w+ /, '');
    await hands.press(day);
    await expect(page.getByRole('heading', { level: 1 })).toContainText(date);
    expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(390);
  });
});

test.describe('while no page is looked at', () => {
  test.use({ serviceWorkers: 'allow' });

  test('a clock that is due is said once, by the service worker, over two tabs', async ({
    page,
    context,
  }) => {
    await context.grantPermissions(['notifications']);
    await furnish(page);
    await page.getByRole('link', { name: 'Stove' }).first().click();
    await button(page, 'Just time something').click();
    await page.getByLabel('What', { exact: true }).fill('rolls in the oven');
    await page.getByLabel('Minutes').fill('5');
    await button(page, 'Start').click();
    await expect(page.getByRole('region', { name: 'Clock rolls in the oven' })).toBeVisible();
    const other = await context.newPage();
    await other.clock.install({ time: new Date('2026-03-02T12:01:00Z') });
    await other.goto('/stove');
    const shown = () =>
      page.evaluate(async () => {
        const worker = await navigator.serviceWorker.ready;
        return (await worker.getNotifications()).map((n) => [n.title, n.body]);
      });
    for (const tab of [page, other]) {
      await tab.evaluate(() => {
        Object.defineProperty(document, 'visibilityState', { value: 'hidden', configurable: true });
        const { prototype } = ServiceWorkerRegistration;
        const show = Reflect.get(prototype, 'showNotification') as (...of: unknown[]) => Promise<void>;
        prototype.showNotification = function (...of) {
          const { dataset } = document.documentElement;
          dataset['said'] = String(Number(dataset['said'] ?? 0) + 1);
          return show.apply(this, of);
        };
      });
    }
    expect(await shown()).toEqual([]);
    await page.clock.runFor(6 * 60_000);
    await other.clock.runFor(6 * 60_000);
    await expect.poll(shown).toEqual([['Nailwort', 'rolls in the oven']]);
    const said = await Promise.all(
      [page, other].map((tab) => tab.evaluate(() => Number(document.documentElement.dataset['said'] ?? 0))),
    );
    expect(said[0]! + said[1]!).toBe(1);
  });
});
