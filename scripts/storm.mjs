/** npm run storm -- KILLS: what becomes of acknowledged writes when server and database are killed again and again. */
import { spawnSync } from 'node:child_process';
import { randomBytes } from 'node:crypto';
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { checkMachine, freePort, requireBuild, requirePackages, ROOT } from './lib/machine.mjs';
import { startCluster } from './lib/postgres.mjs';
import { giveUp, main, say } from './lib/say.mjs';

await main(async () => {
  checkMachine();
  requirePackages();
  requireBuild();
  const folder = mkdtempSync(join(tmpdir(), 'eclat-storm-'));
  const cluster = await startCluster(folder);
  try {
    say('loading the demo shop');
    const env = {
      ...process.env,
      DATABASE_URL: cluster.url,
      ECLAT_KEY: randomBytes(32).toString('base64url'),
      ECLAT_STORM: folder,
      PORT: String(await freePort()),
    };
    const node = (...args) => spawnSync(process.execPath, args, { cwd: ROOT, env, stdio: 'inherit' }).status;
    if (node('dist/server/demo.js') !== 0) giveUp('The demo could not be loaded.');
    return node('--import', 'tsx', join('bench', 'storm.ts'), ...process.argv.slice(2));
  } finally {
    await cluster.stop();
    rmSync(folder, { recursive: true, force: true });
  }
});
process.exit();
