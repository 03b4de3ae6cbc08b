/**
 * npm run --silent listen -- FILE.wav [--beats N] [--lift DEGREES] [--teeth N] [--card PPM]: hears a clock in a WAV
 * file. Installs what is missing, then runs listen.ts.
 */
import { spawnSync } from 'node:child_process';
import { checkMachine, requirePackages, ROOT } from './lib/machine.mjs';
import { main } from './lib/say.mjs';

console.log = console.error; // standard output is for the answer alone
await main(() => {
  checkMachine();
  requirePackages();
  // Files are named from where the person stands.
  const { status } = spawnSync(process.execPath, ['--import', 'tsx', 'scripts/listen.ts', ...process.argv.slice(2)], {
    cwd: ROOT,
    stdio: 'inherit',
    env: { ...process.env, ECLAT_FROM: process.env.INIT_CWD ?? process.cwd() },
  });
  process.exitCode = status ?? 1;
});
