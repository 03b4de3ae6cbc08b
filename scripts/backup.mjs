/**
 * npm run backup [-- FILE]: the whole database, photos too, in one file of PostgreSQL's own archive format. Safe while
 * Eclat runs.
 */
import { spawnSync } from 'node:child_process';
import { existsSync, mkdirSync } from 'node:fs';
import { dirname, join, resolve } from 'node:path';
import { KEPT } from './lib/machine.mjs';
import { withShop } from './lib/pgtools.mjs';
import { withoutPassword } from './lib/postgres.mjs';
import { giveUp, main, say } from './lib/say.mjs';
import { KEY_FILE } from './lib/signing-key.mjs';

const stamp = new Date().toISOString().slice(0, 16).replace(/[:T]/g, '-');
const file = resolve(process.argv[2] ?? join(KEPT, 'backups', `eclat-${stamp}.dump`));

await main(() =>
  withShop((url, bin) => {
    // Owners' names and addresses stand in it: it is for nobody else's eyes.
    process.umask(0o077);
    mkdirSync(dirname(file), { recursive: true });
    const { address, env } = withoutPassword(url);
    const { status } = spawnSync(
      join(bin, 'pg_dump'),
      ['--format=custom', '--no-owner', '--no-privileges', `--file=${file}`, address],
      { stdio: 'inherit', env },
    );
    if (status !== 0) giveUp('The backup failed: see above. Nothing was changed.');
    say(`backed up to ${file}`);
    if (existsSync(KEY_FILE))
      say(`keep ${KEY_FILE} apart from it: without that file nothing is signed by the key of this shop any more`);
  }),
);
process.exit();
