import { expect, test, type Page } from '@playwright/test';
import { beforeCamera } from './camera.js';
import { button, openDemo } from './house.js';
import { filmOf } from './label-picture.js';

/** A jar of wheat before a wall, white from its top down to a share of its height. */
async function jarPicture(page: Page, share: number): Promise<Buffer> {
  const url = await page.evaluate((white) => {
    const canvas = document.createElement('canvas');
    [canvas.width, canvas.height] = [400, 520];
    const pen = canvas.getContext('2d');
    for (const [color, left, top, width, height] of [
      ['#6f7a80', 0, 0, 400, 520],
      ['#a0744a', 80, 80, 240, 400],
      ['#deded2', 80, 80, 240, 400 * white],
    ] as const) {
      if (pen !== null) {
        pen.fillStyle = color;
        pen.fillRect(left, top, width, height);
      }
    }
    return canvas.toDataURL('image/png');
  }, share);
  return Buffer.from(url.split(',')[1] ?? '', 'base64');
}

test('a photo from a file offers how far a jar has run, and is held beside an earlier one', async ({
  page,
}) => {
  await openDemo(page, 'shelf?open=G26-1');
  const photos = page.getByRole('button', { name: /^Photo of G26-1/ });
  await expect(photos).toHaveCount(3);
  await page
    .getByRole('button', { name: 'Photo', exact: true })
    .setInputFiles({ name: 'jar.png', mimeType: 'image/png', buffer: await jarPicture(page, 0.6) });
  await expect(page.getByText(/By its colors about \d+ %, likely \d+ to \d+ %/)).toBeVisible();
  // Up to where the white ends: all of what is judged has run.
  const frame = page.getByRole('img', { name: 'The photo that was just taken' });
  const box = (await frame.boundingBox())!;
  for (const name of ['Bottom left', 'Bottom right']) {
    const corner = page.getByRole('button', { name: `${name} corner of what is judged` });
    await corner.scrollIntoViewIfNeeded();
    const at = (await corner.boundingBox())!;
    const top = (await frame.boundingBox())!.y;
    await page.mouse.move(at.x + at.width / 2, at.y + at.height / 2);
    await page.mouse.down();
    await page.mouse.move(at.x + at.width / 2, top + box.height * 0.55, { steps: 4 });
    await page.mouse.up();
  }
  await expect(page.getByText(/By its colors about (9\d|100) %/)).toBeVisible();
  await button(page, /^Note (95|100) % with this photo/).click();
  await expect(
    page.getByRole('region', { name: 'Today' }).getByText(/G26-1: (95|100) %, photo/),
  ).toBeVisible();
  await page.reload();
  await expect(photos).toHaveCount(4);
  await photos.last().click();
  await page.getByRole('dialog').getByRole('radio').first().click();
  await expect(page.getByRole('dialog').getByRole('img')).toHaveCount(2);
});

test('a photo is taken with this machine’s camera', async () => {
  const [width, height] = [320, 240];
  const gray = Uint8Array.from({ length: width * height }, (_, i) => (i % width < width / 2 ? 60 : 200));
  await beforeCamera(test, filmOf({ width, height, gray }), async (page) => {
    await openDemo(page, 'shelf?open=G26-5');
    await button(page, 'Camera').click();
    await button(page, 'Take the picture').click();
    await expect(page.getByRole('dialog')).toBeHidden();
    const taken = page.getByRole('img', { name: 'The photo that was just taken' });
    await expect(taken).toBeVisible();
    expect(await taken.evaluate((i: HTMLImageElement) => [i.naturalWidth, i.naturalHeight])).toEqual([
      width,
      height,
    ]);
    await button(page, 'Save the note').click();
    await expect(page.getByRole('button', { name: /^Photo of G26-5/ })).toHaveCount(1);
  });
});

test('without a camera it says so, and a file may be chosen', async ({ page }) => {
  await openDemo(page, 'shelf?open=G26-5');
  await button(page, 'Camera').click();
  await expect(page.getByText(/^No camera: .* Choose a file instead\.$/)).toBeVisible();
  await expect(button(page, 'Take the picture')).toBeDisabled();
});
