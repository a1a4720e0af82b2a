import { writeFile } from 'node:fs/promises';
import { chromium, type Page, type test as Test } from '@playwright/test';

/** A second browser before whose camera a picture lies. */
export async function beforeCamera(
  test: typeof Test,
  film: Buffer,
  look: (page: Page) => Promise<void>,
): Promise<void> {
  const path = test.info().outputPath('camera.y4m');
  await writeFile(path, film);
  const { launchOptions, baseURL } = test.info().project.use;
  const browser = await chromium.launch({
    ...launchOptions,
    args: [
      ...(launchOptions?.args ?? []),
      '--use-fake-device-for-media-stream',
      '--use-fake-ui-for-media-stream',
      `--use-file-for-fake-video-capture=${path}`,
    ],
  });
  try {
    const context = await browser.newContext({
      ...(baseURL !== undefined && { baseURL }),
      serviceWorkers: 'block',
      timezoneId: 'Europe/London',
      permissions: ['camera'],
    });
    const page = await context.newPage();
    page.setDefaultTimeout(30_000);
    await look(page);
  } finally {
    await browser.close();
  }
}
