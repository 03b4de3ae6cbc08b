import { defineConfig } from 'vitest/config';

/**
 * Files share their modules: loading them anew for each file took more than half of the time. No module keeps state
 * between tests but the web's store, which its setup puts back.
 */
const isolate = false;

export default defineConfig({
  test: {
    projects: [
      { test: { isolate, name: 'core', root: 'core', testTimeout: 60_000, include: ['src/**/*.test.ts'] } },
      { test: { isolate, name: 'contract', root: 'contract', include: ['src/**/*.test.ts'] } },
      { test: { isolate, name: 'scripts', root: 'scripts', include: ['**/*.test.ts'], testTimeout: 240_000 } },
      {
        test: {
          isolate,
          name: 'web',
          root: 'web',
          testTimeout: 120_000,
          setupFiles: ['./test/setup.ts'],
          include: ['src/**/*.test.{ts,tsx}'],
        },
      },
      {
        test: {
          isolate,
          name: 'server',
          root: 'server',
          include: ['src/**/*.test.ts'],
          globalSetup: ['./test/database.ts'],
          env: { ECLAT_KEY: 'dGhlIGtleSBvZiB0aGUgdGVzdHMsIDMyIGJ5dGVzLi4' },
          testTimeout: 120_000,
          hookTimeout: 180_000,
        },
      },
    ],
  },
});
