import { spawnSync } from 'node:child_process';
import { ROOT } from './lib/machine.mjs';

/** Type check of every workspace. */
for (const workspace of ['core', 'contract', 'server', 'web']) {
  const { status } = spawnSync(process.execPath, ['node_modules/typescript/bin/tsc', '-p', workspace], { cwd: ROOT, stdio: 'inherit' });
  if (status !== 0) process.exitCode = 1;
}
