import { expect, test, type Page } from '@playwright/test';
import { spawn, type ChildProcess } from 'node:child_process';
import { take } from './hands.js';
import { button, furnish, go, pass, prepareGrain, visit } from './house.js';

/** A cook with the lid just on, at a Stove whose pretended canner sends its cook ahead, to be shown when it is due. */
async function lidOn(page: Page, fault: string, pace = 0): Promise<void> {
  await furnish(page);
  await prepareGrain(page, 'G1');
  await visit(page, `/stove?pace=${pace}`);
  await button(page, 'Load a cook').click();
  await expect(page.getByText('90 min at 15 psi', { exact: true })).toBeVisible();
  await button(page, 'All so, lid on').click();
  await expect(button(page, /^Steam is steady/)).toBeVisible();
  await connect(page, fault);
}

async function connect(page: Page, fault: string): Promise<void> {
  await page.getByText('Connect an instrument').click();
  await take(page.getByLabel('Practice with a pretended canner:'), fault);
  await button(page, 'Practice').click();
  await expect(page.getByText('It takes the steps by itself.')).toBeVisible();
}

/** Lets minutes pass one by one, as an instrument is listened to. */
async function run(page: Page, minutes: number, step = 5): Promise<void> {
  for (let done = 0; done < minutes; done += step) {
    await pass(page, step);
    await page.clock.runFor(1500);
  }
}

test.describe('a cook led by instruments', () => {
  test('takes every step of a good run, shows what it reads and ends with a log of the middle', async ({
    page,
  }) => {
    await lidOn(page, 'a good run');
    await run(page, 50);
    await expect(page.getByText(/minutes left at 15 psi/)).toBeVisible();
    await expect(page.getByText(/15(\.\d)? psi · steam 1[12]\d\.\d °C · middle \d+\.\d °C/)).toBeVisible();
    await run(page, 100);
    await expect(button(page, /^Open/)).toBeVisible();
    await page.getByRole('link', { name: /^Record of this cook/ }).click();
    await expect(page.getByText(/A probe logged F0 \d+\.\d min/)).toBeVisible();
    await expect(page.getByText(/1 measurement in vessels like these/)).toBeVisible();
    // The next cook of such jars rests on it too, and the hold it was shown to need governs.
    await go(page, 'Stove');
    await pass(page, 80);
    await button(page, /^Open/).click();
    await go(page, 'Desk');
    await prepareGrain(page, 'G2');
    await button(page, 'Load a cook').click();
    await expect(page.getByText(/1 measurement in vessels like these/)).toBeVisible();
    await expect(
      page.getByText(/What was measured in these vessels governs|the trade’s hold stands/),
    ).toBeVisible();
    await expect(page.getByText(/such vessels sours? by the cook/)).toBeVisible();
    // The Desk plans the same cook of such jars, minute for minute.
    const hold = (await page.locator('nw-hold-choice .slide strong').textContent())!;
    expect(hold).toMatch(/^\d+ min$/);
    await go(page, 'Desk');
    await expect(button(page, new RegExp(`^${hold}$`))).toBeVisible();
    await expect(page.getByText(/What was measured in such vessels governs/)).toBeVisible();
  });

  test('that was hardly vented shows its air, and its record says so', async ({ page }) => {
    await lidOn(page, 'hardly vented');
    await run(page, 35);
    await expect(page.getByText(/minutes left at 15 psi/)).toBeVisible();
    await expect(page.getByText(/\d+ % air/)).toBeVisible();
    await run(page, 100);
    await expect(button(page, /^Open/)).toBeVisible();
    await page.getByRole('link', { name: /^Record of this cook/ }).click();
    await expect(page.getByText(/Air stayed in: the same pressure was cooler/)).toBeVisible();
  });

  test('stops its clock when pressure is lost, and carries on when that is said', async ({ page }) => {
    await lidOn(page, 'pressure lost at minute 40');
    // Short steps, so that the answer comes while the pressure is back.
    await run(page, 76);
    await run(page, 9, 1);
    await expect(page.getByText('Clock stopped. Turn the heat up.')).toBeVisible();
    await run(page, 5, 1);
    await button(page, 'At pressure again').click();
    await expect(button(page, /^Start again, 90 min\s*ends at F0 about \d+/)).toBeVisible();
    await button(page, /^Carry on, 5\d min more/).click();
    await expect(page.getByText(/(5|4)\d minutes left at 15 psi/)).toBeVisible();
  });

  test('that boils dry is void, and its jars wait for another', async ({ page }) => {
    await lidOn(page, 'boils dry');
    await run(page, 95);
    await expect(page.getByText('Does not count.')).toBeVisible();
    await expect(page.getByText('It boiled dry. The load waits for another cook.')).toBeVisible();
  });

  test('goes on after a reload in the middle of the hold', async ({ page }) => {
    await lidOn(page, 'a good run');
    await run(page, 60);
    await expect(page.getByText(/minutes left at 15 psi/)).toBeVisible();
    await visit(page, '/stove?pace=0');
    await run(page, 5);
    await expect(page.getByText(/15(\.\d)? psi · steam/)).toBeVisible();
    await run(page, 85);
    await expect(button(page, /^Open/)).toBeVisible();
  });
});

test('what is weighed can be taken from a scale that posts, and a stranger’s page cannot post', async ({
  page,
  request,
}) => {
  await furnish(page);
  await button(page, 'Make batch G1').click();
  await page.getByRole('link', { name: 'To the Stove' }).click();
  await button(page, 'Other amount').click();
  await button(page, 'From a scale').click();
  const post = (type: string) =>
    request.post('/instruments/readings', {
      headers: { 'content-type': type },
      data: JSON.stringify({
        source: 'kitchen scale',
        readings: [{ at: '2026-03-02T12:00:00Z', channel: 'scaleG', value: 1971 }],
      }),
    });
  expect((await post('text/plain')).status()).toBe(415);
  await expect(async () => {
    await post('application/json');
    await expect(button(page, /take it from the scale/)).toBeVisible({ timeout: 500 });
  }).toPass({ timeout: 10_000 });
  await button(page, /take it from the scale/).click();
  await expect(page.getByText('1 971 g').first()).toBeVisible();
});

test.describe('a server that dies in the middle of a stream', () => {
  const PORT = 4471;
  let server: ChildProcess;
  async function start(): Promise<void> {
    server = spawn(process.execPath, ['dist/server/main.js'], {
      env: { ...process.env, PORT: String(PORT) },
    });
    await new Promise((resolve) => server.stdout?.once('data', resolve));
  }
  async function kill(): Promise<void> {
    const gone = new Promise((resolve) => server.once('exit', resolve));
    server.kill('SIGKILL');
    await gone;
  }
  test.use({ baseURL: `http://127.0.0.1:${PORT}` });
  test.beforeEach(start);
  test.afterEach(kill);

  test('leaves a gap that is said, and nothing is filled in', async ({ page }) => {
    // Faster than life, so that it keeps up with the page's clock; what came ahead of it is shown first.
    await lidOn(page, 'a good run', 120);
    await run(page, 30, 1);
    await expect(page.getByText(/psi · steam|steam \d+/).first()).toBeVisible();
    await kill();
    await expect(async () => {
      await run(page, 5, 5);
      await expect(page.getByText(/Instrument silent since \d\d:\d\d; nothing is filled in\./)).toBeVisible({
        timeout: 200,
      });
    }).toPass({ timeout: 60_000 });
    await start();
    await expect(async () => {
      await run(page, 1, 1);
      await expect(page.getByText(/steam \d+\.\d °C/).first()).toBeVisible({ timeout: 200 });
    }).toPass({ timeout: 20_000 });
  });
});
