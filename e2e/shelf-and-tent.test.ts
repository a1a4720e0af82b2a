import { expect, test } from '@playwright/test';
import { button, noted, openDemo } from './house.js';

test('a look that is due opens what it speaks of, and walks it alone', async ({ page }) => {
  await openDemo(page, 'stove');
  await page
    .getByRole('region', { name: 'Today' })
    .getByRole('link', { name: /Look at B29/ })
    .click();
  await expect(page).toHaveURL(/shelf\?open=/);
  await expect(page.getByRole('region', { name: 'B29' })).toBeInViewport();
  await button(page, /^Look at B29/).click();
  await expect(page.getByText('1 of 1, day 18')).toBeVisible();
  await button(page, '75 %').click();
  await noted(page, 'B29-1: 75 %');
});

test('a jar, a row and a batch are dragged to another place, and one press brings each back', async ({
  page,
}) => {
  await openDemo(page, 'shelf');
  const fridge = page.locator('[data-place=fridge]');
  await expect(fridge).toHaveText('Fridge 29');
  await page.locator('[data-code="G27-2"]').dragTo(fridge);
  await noted(page, 'G27-2 to Fridge');
  await expect(fridge).toHaveText('Fridge 30');
  await button(page, 'Undo').click();
  await expect(fridge).toHaveText('Fridge 29');
  await button(page, /Cook 12/).dragTo(page.locator('[data-place=tent]'));
  await expect(page.locator('[data-place=tent]')).toHaveText('Tent 21');
  await button(page, 'Undo').click();
  // Not let go over a place: it stays.
  await page.locator('[data-code="G27-2"]').dragTo(page.getByRole('heading', { name: 'Shelf' }));
  await expect(page.locator('[data-place=shelf]')).toHaveText('Wardrobe 54');
});

test('a green jar is found, cleared, found again and taken out', async ({ page }) => {
  await openDemo(page, 'shelf');
  await button(page, /^G27-20,/).click();
  const suspect = async () => {
    await button(page, 'Suspect').click();
    await page.getByRole('radio', { name: 'In the middle' }).click();
    await button(page, 'G green mold').click();
  };
  await suspect();
  await expect(page.getByText('green mold in the middle. Keep it shut; take it outdoors.')).toBeVisible();
  await button(page, 'Cleared: no green mold after all').click();
  await expect(page.getByText('no green mold after all', { exact: false }).first()).toBeVisible();
  await expect(button(page, /^G27-20, \d+ %/)).toBeVisible();
  await suspect();
  await button(page, 'Close').click();
  await expect(page.getByRole('heading', { name: '5 pint jars of wet rot and green mold' })).toBeVisible();
  await button(page, 'Taken out, all 5').click();
  await expect(button(page, /^G27-20,/)).toBeHidden();
  await noted(page, /G27-3, 7, 8, 12, 20: contaminated|5 of G27: contaminated/);
});

test('pins come early, at 70 %, and are cut from the bag as it stands', async ({ page }) => {
  await openDemo(page, 'shelf');
  await button(page, /^B29-1,/).click();
  await button(page, '75 %').click();
  await button(page, 'Pins seen').click();
  await page.getByRole('link', { name: 'It fruits: to the Tent' }).click();
  await expect(page).toHaveURL(/tent\?open=/);
  const card = page.getByRole('region', { name: /^B29-1/ });
  await expect(card).toContainText('pins');
  await expect(button(page, /B29-1, pins/)).toContainText('still shut, Wardrobe');
  for (const digit of '150') {
    await card.getByRole('button', { name: digit, exact: true }).click();
  }
  await button(page, 'Harvested, 150 g').click();
  await noted(page, 'B29-1 harvested, 150 g');
});

test('a place of one’s own takes a block, its warmth is read, and it is kept over a reload', async ({
  page,
}) => {
  await openDemo(page, 'tent');
  await button(page, 'Places, warmth, rhythm').click();
  const dialog = page.getByRole('dialog');
  await dialog.getByRole('combobox', { name: 'Place', exact: true }).click();
  await page.getByRole('option', { name: 'Another place' }).click();
  await dialog.getByLabel('Name').fill('Bathroom');
  await dialog.getByRole('combobox', { name: 'What it is for' }).click();
  await page.getByRole('option', { name: 'things fruit there' }).click();
  await button(page, 'Add this place').click();
  await dialog.getByLabel('Its thermometer shows').fill('18.4');
  await button(page, 'Note it').click();
  await expect(dialog.getByText(/^Last read 18.4/)).toBeVisible();
  await page.keyboard.press('Escape');
  await page.goto('/demo/tent?open=B28-3');
  await button(page, 'Note, photo, trouble').click();
  await button(page, 'More with B28-3').click();
  await page.getByRole('menuitem', { name: 'To: Bathroom' }).click();
  await noted(page, 'B28-3 to Bathroom');
  await page.reload();
  await expect(page.getByText('18.4 °C read').first()).toBeVisible();
});

test('what a logger posts of a room is heard in the tent, and again after a reload', async ({
  page,
  request,
}) => {
  await openDemo(page, 'tent');
  const post = (channel: string, value: number) =>
    request.post('/instruments/readings', {
      data: {
        source: 'tent probe',
        readings: [{ at: new Date(Date.now() - 1000).toISOString(), channel, value }],
      },
    });
  expect((await post('humour', 3)).status()).toBe(422);
  await button(page, 'A logger here').click();
  await button(page, 'Listen to a logger').click();
  await expect(async () => {
    await post('co2Ppm', 1440);
    await expect(page.getByText(/CO₂ 1\s?440 ppm: above/)).toBeVisible({ timeout: 2000 });
  }).toPass({ timeout: 20_000 });
  await page.reload();
  await button(page, 'A logger here').click();
  await expect(page.getByText('A logger on this machine')).toBeVisible();
  await button(page, 'Stop listening').click();
});

test('two blocks are broken up into a tub, which takes their place; one undo brings them back', async ({
  page,
}) => {
  await openDemo(page, 'tent?open=B28-1');
  await button(page, 'Note, photo, trouble').click();
  await button(page, 'More with B28-1').click();
  await page.getByRole('menuitem', { name: 'Into another vessel' }).click();
  const dialog = page.getByRole('dialog');
  await dialog.getByRole('button', { name: 'B28-3' }).click();
  await expect(
    dialog.getByText('4.54 kg, about 9.07 l as it lies. One 12 l tub takes 9.02 l.'),
  ).toBeVisible();
  await expect(dialog.getByLabel('How many')).toHaveValue('2');
  await dialog.getByLabel('How many').fill('1');
  await button(page, /^Layers/).click();
  await dialog.getByRole('textbox', { name: 'Casing over it' }).fill('500');
  await button(page, 'Moved over').click();
  await expect(dialog.getByText(/Casing must be between 1 and 400 mm. You gave 500 mm/)).toBeVisible();
  await dialog.getByRole('textbox', { name: 'Casing over it' }).fill('30');
  await dialog.getByLabel('Casing of').fill('peat and lime');
  await button(page, 'Moved over').click();
  await noted(page, '2 of B28 moved into B32-1, broken up');
  await expect(page).toHaveURL(/tent\?open=/);
  await expect(button(page, /^B28-1,/)).toBeHidden();
  await expect(page.getByRole('region', { name: /^B32-1/ })).toContainText('2 057 g dry');
  await page.reload();
  await expect(page.getByRole('region', { name: /^B32-1/ })).toContainText('first flush');
  await button(page, 'Undo').click();
  await expect(button(page, /^B28-1, resting/)).toBeVisible();
  await expect(button(page, /^B32-1/)).toBeHidden();
});

test('forty jars are walked by keys, one press each, and one press notes all the rest', async ({ page }) => {
  await openDemo(page, 'shelf?open=G27');
  await button(page, /^Look at G27/).click();
  await expect(page.getByText('1 of 36, day 11', { exact: false })).toBeVisible();
  for (let jar = 1; jar <= 20; jar++) {
    await expect(page.getByText(`${jar} of 36,`, { exact: false })).toBeVisible();
    await page.keyboard.press('4');
  }
  await noted(page, /G27-2\d: 40 %/);
  await page.keyboard.press('u');
  await expect(page.getByText('21 of 36,', { exact: false })).toBeVisible();
  await button(page, /All the rest as forecast/).click();
  await expect(button(page, /^Look at G27/)).toBeVisible();
  await expect(page.getByRole('button', { name: /^G27-\d+, (3[7-9]|4\d) %/ })).toHaveCount(35);
});

test.describe('with one thumb', () => {
  test.use({ viewport: { width: 390, height: 844 }, hasTouch: true, isMobile: true });

  test('forty jars are walked by touch, one tap each', async ({ page }) => {
    await openDemo(page, 'shelf?open=G27');
    await button(page, /^Look at G27/).tap();
    for (let jar = 1; jar <= 36; jar++) {
      await expect(page.getByText(`${jar} of 36,`, { exact: false })).toBeVisible();
      // A level stands where the thumb is, at every jar: nothing is scrolled for.
      const level = button(page, '33 %');
      await expect(level).toBeInViewport();
      await level.tap();
    }
    await expect(button(page, /^Look at G27/)).toBeVisible();
    await expect(page.getByRole('button', { name: /^G27-\d+, 33 %/ })).toHaveCount(36);
  });
});
