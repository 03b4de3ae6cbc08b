/** npm run restore -- FILE: puts a backup into an empty database. One that holds a shop already is left alone. */
import { spawnSync } from 'node:child_process';
import { existsSync } from 'node:fs';
import { join, resolve } from 'node:path';
import { withShop } from './lib/pgtools.mjs';
import { withoutPassword } from './lib/postgres.mjs';
import { giveUp, main, say } from './lib/say.mjs';

const file = process.argv[2] && resolve(process.argv[2]);

async function restore(url, bin) {
  const { address, env } = withoutPassword(url);
  const asked = spawnSync(join(bin, 'psql'), [address, '-Atc', "select to_regclass('public.visit') is not null"], {
    encoding: 'utf8',
    env,
  });
  if (asked.status !== 0) giveUp(`The database does not answer:\n${asked.stderr}`);
  if (asked.stdout.trim() === 't')
    giveUp(
      'This database holds a shop already. Restore into an empty one: move .eclat/shop away, or ' +
        'point DATABASE_URL at a new database.',
    );
  const { status } = spawnSync(
    join(bin, 'pg_restore'),
    ['--no-owner', '--no-privileges', '--exit-on-error', '--single-transaction', `--dbname=${address}`, file],
    { stdio: 'inherit', env },
  );
  if (status !== 0) giveUp('The restore failed: see above. The database is as empty as it was.');
  say('restored; npm start opens the shop');
}
restore.makes = true;

await main(() => {
  if (!file || !existsSync(file)) giveUp('Which backup? npm run restore -- .eclat/backups/eclat-….dump');
  return withShop(restore);
});
process.exit();
