import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { TestProject } from 'vitest/node';

declare module 'vitest' {
  interface ProvidedContext {
    databaseUrl: string;
  }
}

/** A throw-away PostgreSQL for the whole run; ECLAT_TEST_DATABASE_URL gives one that stands already. */
export default async function database(project: TestProject) {
  const given = process.env['ECLAT_TEST_DATABASE_URL'];
  if (given) return project.provide('databaseUrl', given);
  const { startCluster } = (await import('../../scripts/lib/postgres.mjs')) as {
    startCluster: (folder: string, settings: string[]) => Promise<{ url: string; stop(): Promise<void> }>;
  };
  const folder = mkdtempSync(join(tmpdir(), 'eclat-test-'));
  const cluster = await startCluster(folder, ['fsync=off', 'synchronous_commit=off', 'full_page_writes=off']);
  project.provide('databaseUrl', cluster.url);
  return async () => {
    await cluster.stop();
    rmSync(folder, { recursive: true, force: true });
  };
}
