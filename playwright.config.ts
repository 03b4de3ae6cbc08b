import { defineConfig } from '@playwright/test';

/** The real thing: built product, real server processes, real PostgreSQL, Debian's Chromium. */
export default defineConfig({
  testDir: 'e2e',
  testMatch: '*.spec.ts',
  timeout: 120_000,
  expect: { timeout: 10_000 },
  workers: 2,
  reporter: [['list'], ['json']],
  use: {
    browserName: 'chromium',
    viewport: { width: 1280, height: 800 },
    actionTimeout: 15_000,
    locale: 'en-GB',
    timezoneId: 'Europe/London',
    launchOptions: {
      executablePath: process.env['CHROMIUM'] ?? '/usr/bin/chromium',
      args: ['--no-sandbox', '--disable-gpu', '--disable-quic', '--no-first-run', '--disable-background-networking', '--disable-component-update', '--disable-sync'],
    },
  },
});
