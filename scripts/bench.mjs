/**
 * npm run bench: builds, starts a throw-away database with the demo in it, and prints what bench/ measures; `npm run
 * bench -- large` only that, and what follows goes to it: `npm run bench -- sound 100 1000`.
 */
import { spawn, spawnSync } from 'node:child_process';
import { randomBytes } from 'node:crypto';
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { checkMachine, freePort, requireBuild, requireChromium, requirePackages, ROOT } from './lib/machine.mjs';
import { startCluster } from './lib/postgres.mjs';
import { giveUp, main, say } from './lib/say.mjs';

await main(async () => {
  checkMachine();
  requirePackages();
  requireBuild();
  const chromium = requireChromium();
  const folder = mkdtempSync(join(tmpdir(), 'eclat-bench-'));
  const cluster = await startCluster(folder);
  const port = await freePort();
  const env = {
    ...process.env,
    DATABASE_URL: cluster.url,
    ECLAT_KEY: randomBytes(32).toString('base64url'),
    PORT: String(port),
    NODE_ENV: 'production',
    ECLAT_DEMO: '1',
    ECLAT_CHECK_REPLIES: process.argv[2] === 'fuzz' ? '1' : '0',
    CHROMIUM: chromium,
    ECLAT_ADDRESS: `http://127.0.0.1:${port}`,
  };
  let server;
  try {
    say('loading the demo shop');
    if (spawnSync(process.execPath, ['dist/server/demo.js'], { cwd: ROOT, env, stdio: 'inherit' }).status !== 0)
      giveUp('The demo could not be loaded.');
    server = spawn(process.execPath, ['dist/server/main.js'], { cwd: ROOT, env, stdio: ['ignore', 'pipe', 'inherit'] });
    await new Promise((resolve) => server.stdout.once('data', resolve));
    const only = process.argv[2];
    for (const file of [
      'first-screen.ts',
      'bench-list.ts',
      'workings.ts',
      'wheel-search.ts',
      'diagnosis.ts',
      'large-visit.ts',
      'find.ts',
      'sound.ts',
      'teeth.ts',
      'signatures.ts',
      'book-file.ts',
      'press.ts',
      'presses.ts',
      ...(only === 'axe' ? ['axe.ts'] : []), // nothing is measured
      ...(only === 'fuzz' ? ['fuzz.ts'] : []), // it leaves the demo in no state to be measured
    ].filter((f, _, all) => !only || (all.includes(`${only}.ts`) ? f === `${only}.ts` : f.startsWith(only)))) {
      const { status } = spawnSync(
        process.execPath,
        ['--import', 'tsx', join('bench', file), ...process.argv.slice(3)],
        { cwd: ROOT, env: { ...env, ECLAT_PID: String(server.pid) }, stdio: 'inherit' },
      );
      if (status !== 0) process.exitCode = 1;
    }
  } finally {
    server?.kill('SIGTERM');
    await cluster.stop();
    rmSync(folder, { recursive: true, force: true });
  }
});
process.exit();
