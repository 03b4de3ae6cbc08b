import { defineConfig } from '@playwright/test';

/** The real thing: built product, real server processes, real PostgreSQL, Debian's Chromium. */
export default defineConfig({
  testDir: 'e2e',
  // Sound comes in time or not at all: the microphone is heard when nothing else runs.
  projects: [
    { name: 'shop', testMatch: '*.spec.ts', testIgnore: 'microphone.spec.ts' },
    { name: 'sound', testMatch: 'microphone.spec.ts', dependencies: ['shop'] },
  ],
  // A machine whose disk stalls holds a page up for many seconds: waiting costs nothing where it does not.
  timeout: 600_000,
  expect: { timeout: 60_000 },
  workers: 2,
  // A second try on a machine that stalled; that it was needed is said at the end.
  retries: 1,
  reporter: [['list'], ['json']],
  use: {
    browserName: 'chromium',
    viewport: { width: 1280, height: 800 },
    actionTimeout: 90_000,
    locale: 'en-GB',
    timezoneId: 'Europe/London',
    launchOptions: {
      executablePath: process.env['CHROMIUM'] ?? '/usr/bin/chromium',
      args: [
        '--no-sandbox',
        '--disable-gpu',
        '--disable-quic',
        '--no-proxy-server',
        '--no-first-run',
        '--disable-background-networking',
        '--disable-component-update',
        '--disable-sync',
        '--use-fake-ui-for-media-stream',
        '--use-fake-device-for-media-stream',
      ],
    },
  },
});
