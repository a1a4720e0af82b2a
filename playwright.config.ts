import { defineConfig } from '@playwright/test';

/** `npm test` finds one that is free; alone it is this. */
const PORT = Number(process.env['TEST_PORT'] ?? '4399');

/** The built app, served by the real server, in Debian's Chromium. */
export default defineConfig({
  testDir: 'e2e',
  testMatch: '**/*.test.ts',
  timeout: 180_000,
  expect: { timeout: 25_000 },
  workers: 2,
  fullyParallel: true,
  retries: process.env['CI'] ? 1 : 0,
  reporter: [['line'], ['json', { outputFile: 'test-results/e2e.json' }]],
  use: {
    baseURL: `http://127.0.0.1:${PORT}`,
    viewport: { width: 1280, height: 800 },
    serviceWorkers: 'block',
    timezoneId: 'Europe/London',
    locale: 'en-US',
    acceptDownloads: true,
    actionTimeout: 30_000,
    launchOptions: {
      executablePath: process.env['CHROME_BIN'] ?? '/usr/bin/chromium',
      args: ['--no-sandbox', '--disable-gpu'],
    },
  },
  webServer: {
    command: 'node dist/server/main.js',
    env: { PORT: String(PORT) },
    url: `http://127.0.0.1:${PORT}/`,
    reuseExistingServer: false,
  },
});
