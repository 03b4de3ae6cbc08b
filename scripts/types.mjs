import { spawn } from 'node:child_process';
import { ROOT } from './lib/machine.mjs';

/** Type check of every workspace, one after another: lint runs beside it. */
const workspaces = ['server', 'web', 'core', 'contract'];

const check = (workspace) =>
  new Promise((resolve) => {
    spawn(process.execPath, ['node_modules/typescript/bin/tsc', '-p', workspace], { cwd: ROOT, stdio: 'inherit' }).once(
      'exit',
      (status) => {
        if (status !== 0) process.exitCode = 1;
        resolve();
      },
    );
  });

for (const workspace of workspaces) await check(workspace);
