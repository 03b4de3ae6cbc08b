import { existsSync } from 'node:fs';
import { join } from 'node:path';
import { KEPT } from './machine.mjs';
import { clusterFolder, requirePostgres, startCluster } from './postgres.mjs';
import { giveUp } from './say.mjs';

/**
 * The shop's database, as its owner: ECLAT_OWNER_URL, DATABASE_URL, or our own cluster, started for the moment when
 * Eclat does not run.
 */
export async function withShop(work) {
  const bin = requirePostgres();
  const given = process.env.ECLAT_OWNER_URL ?? process.env.DATABASE_URL;
  if (given) return work(given, bin);
  const folder = clusterFolder('shop');
  if (!existsSync(join(folder, 'data', 'PG_VERSION')) && !work.makes)
    giveUp('There is no shop here yet: run npm start first, or set DATABASE_URL.');
  const running = existsSync(join(folder, 'data', 'postmaster.pid')) && existsSync(join(KEPT, 'shop.pid'));
  const cluster = await startCluster(folder);
  try {
    return await work(cluster.url, bin);
  } finally {
    if (!running) await cluster.stop();
  }
}
