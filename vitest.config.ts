import { defineConfig } from 'vitest/config';

export default defineConfig({
  test: {
    projects: [
      { test: { name: 'core', root: 'core', include: ['src/**/*.test.ts'] } },
      { test: { name: 'contract', root: 'contract', include: ['src/**/*.test.ts'] } },
      { test: { name: 'scripts', root: 'scripts', include: ['**/*.test.ts'], testTimeout: 90_000 } },
      { test: { name: 'web', root: 'web', include: ['src/**/*.test.{ts,tsx}'] } },
      { test: { name: 'server', root: 'server', include: ['src/**/*.test.ts'], globalSetup: ['./test/database.ts'], testTimeout: 30_000, hookTimeout: 60_000 } },
    ],
  },
});
