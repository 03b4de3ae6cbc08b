/**
 * npm run --silent work -- --list | ID '{…}': the calculations from the command line. Installs what is missing, then
 * runs work.ts.
 */
import { spawnSync } from 'node:child_process';
import { checkMachine, requirePackages, ROOT } from './lib/machine.mjs';
import { main } from './lib/say.mjs';

console.log = console.error; // standard output is for the answer alone
await main(() => {
  checkMachine();
  requirePackages();
  const { status } = spawnSync(process.execPath, ['--import', 'tsx', 'scripts/work.ts', ...process.argv.slice(2)], {
    cwd: ROOT,
    stdio: 'inherit',
  });
  process.exitCode = status ?? 1;
});
