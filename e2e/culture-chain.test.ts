import { expect, test, type Page } from '@playwright/test';
import { keysOnly, mouse, type Hands } from './hands.js';
import { BEGIN, blank, button, cookAll, furnish, go, pass, visit } from './house.js';
import { cookShort, plan } from './media.js';

test.describe('one culture from spores to blocks', () => {
  test('with a mouse', ({ page }) => tellChain(page, mouse()));
  test('with keys only', ({ page }) => tellChain(page, keysOnly(page)));
});

test.describe('on a phone, by touch', () => {
  test.use({ viewport: { width: 390, height: 844 }, hasTouch: true, isMobile: true });
  test('one culture from spores to blocks', ({ page }) => tellChain(page, mouse('tap')));
});

async function tellChain(page: Page, hands: Hands): Promise<void> {
  test.setTimeout(360_000);
  const press = (name: string | RegExp) => hands.press(button(page, name));
  /** Goes to work at the Box and gives so many vessels what they get. */
  const give = async (count: number) => {
    await press(BEGIN);
    for (let n = 0; n < count; n++) {
      await press('Done, next');
    }
    await expect(page.getByText(count === 1 ? 'It is done.' : `All ${count} are done.`)).toBeVisible();
  };
  /** From the opened vessel to the Box, where one of what waits gets of it. */
  const transfer = async (from: string, deed: string) => {
    await visit(page, `/shelf?open=${from}`);
    await hands.press(page.getByRole('link', { name: deed }));
    await hands.fill(blank(page, 'How many'), '1');
    await give(1);
  };
  await furnish(page, hands);

  await test.step('spores arrive, and six plates are poured', async () => {
    await go(page, 'Box');
    await press('Add a culture');
    const dialog = page.getByRole('dialog');
    await hands.choose(dialog.getByRole('combobox', { name: 'What came' }), 'spore syringe');
    await hands.fill(dialog.getByLabel('Isolate, as its keeper calls it'), 'BP-Print');
    await hands.press(dialog.getByRole('button', { name: 'It is in the house' }));
    await expect(dialog).toBeHidden();
    await plan(page, /^Agar/, 'Malt 2 %', '6', 'A1', hands);
    await press(/^Dissolve/);
    await pass(page, 15);
    await press(/^In the bottles/);
    await cookShort(page, hands);
  });

  await test.step('spores to a plate, cleaned by two transfers of the leading sector', async () => {
    await visit(page, '/box');
    await hands.fill(blank(page, 'How many'), '1');
    await expect(page.getByText('S1-1').first()).toBeVisible();
    await give(1);
    for (const [plate, days] of [
      ['A1-1', 6],
      ['A1-2', 6],
    ] as const) {
      await pass(page, days * 24 * 60);
      await visit(page, `/shelf?open=${plate}`);
      await hands.fill(page.getByLabel('north', { exact: true }), '12');
      await hands.fill(page.getByLabel('south', { exact: true }), '7');
      await press('Note growth');
      await expect(page.getByText('north 12 mm').first()).toBeVisible();
      await transfer(plate, 'Transfer this');
    }
  });

  await test.step('broth from the clean plate, and its plate test', async () => {
    await plan(page, /^Liquid culture/, 'Honey 4 %', '1', 'L1', hands);
    await press(/^Dissolve/);
    await pass(page, 15);
    await press(/^In the jars/);
    await cookShort(page, hands);
    await pass(page, 6 * 24 * 60);
    await visit(page, '/box?open=L1&from=A1-3');
    await give(1);
    await pass(page, 14 * 24 * 60);
    await visit(page, '/shelf?open=L1-1');
    await press('Thick and even');
    await transfer('L1-1', 'Transfer this');
    await pass(page, 6 * 24 * 60);
    await visit(page, '/shelf?open=A1-4');
    await press('Looked at, nothing foreign');
    await expect(page.getByText('A1-4: looked at').first()).toBeVisible();
    await visit(page, '/shelf?open=L1-1');
    await expect(page.getByText('clean on A1-4 after 6 days').first()).toBeVisible();
  });

  await test.step('ten syringes of it', async () => {
    await press('Draw off');
    const dialog = page.getByRole('dialog');
    await hands.fill(dialog.getByLabel('In each'), '10');
    await hands.fill(dialog.getByLabel('How many'), '10');
    await hands.press(dialog.getByRole('button', { name: 'Drawn' }));
    await expect(page.getByRole('heading', { name: 'L2' })).toBeVisible();
    await expect(button(page, /^L2-10/)).toBeVisible();
  });

  await test.step('grain from a syringe, grain from grain, and a block', async () => {
    for (const [code, from] of [
      ['G1', 'L2-1'],
      ['G2', 'G1-1'],
    ] as const) {
      await plan(page, /^Grain spawn/, 'Millet', '1', code, hands);
      await press(/^Start soak/);
      await pass(page, 14 * 60);
      for (const deed of [/^Start simmer/, /^Drain/, /^Dry enough/, /^In the jars/]) {
        await press(deed);
      }
      await cookAll(page, 90, hands);
      await pass(page, 14 * 60);
      await visit(page, `/box?open=${code}&from=${from}`);
      await give(1);
      await pass(page, 20 * 24 * 60);
      await visit(page, `/shelf?open=${code}-1`);
      await press(/^100 %/);
    }
    await plan(page, /^Bulk/, 'Hardwood and bran 10 %', '1', 'B1', hands);
    await press(/^Mixed/);
    await pass(page, 30);
    await press(/^In the bags/);
    await cookAll(page, 150, hands);
    await pass(page, 14 * 60);
    await visit(page, '/box?open=B1&from=G2-1');
    await give(1);
  });

  await test.step('the block answers where it comes from', async () => {
    await visit(page, '/ledger?tab=lineage&open=B1-1');
    const steps = page.locator('.path li');
    const way = ['B1-1', 'G2-1', 'G1-1', 'L2-1', 'L1-1', 'A1-3', 'S1-1'];
    for (const code of way) {
      await expect(steps.filter({ hasText: code }).first()).toBeVisible();
    }
    await go(page, 'Ledger');
    await visit(page, '/ledger?tab=cultures');
    await expect(page.getByText('Lineage of BP-Print')).toBeVisible();
  });
}
