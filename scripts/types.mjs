import { spawn } from 'node:child_process';
import { ROOT } from './lib/machine.mjs';

/** Type check of every workspace, two at a time: the large ones begin. */
const waiting = ['server', 'web', 'core', 'contract'];

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

async function next() {
  while (waiting.length > 0) await check(waiting.shift());
}
await Promise.all([next(), next()]);
