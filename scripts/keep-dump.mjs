/**
 * npm run keep-dump -- NAME: the database of this version with the demo in it, as SQL that a later version is tried on:
 * server/test/dumps/NAME.sql.gz. Pictures and sounds are cut to a few bytes.
 */
import { spawnSync } from 'node:child_process';
import { randomBytes } from 'node:crypto';
import { mkdirSync, mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { gzipSync } from 'node:zlib';
import pg from 'pg';
import { requireBuild, requirePackages, ROOT } from './lib/machine.mjs';
import { requirePostgres, startCluster, withoutPassword } from './lib/postgres.mjs';
import { giveUp, main, say } from './lib/say.mjs';

const name = process.argv[2];
/** A whole picture of one point. */
const DOT =
  `decode('iVBORw0KGgoAAAANSUhEUgAAAAEAAAABCAYAAAAfFcSJAAAADUlEQVR42mNk+M9QDwADhgGAWjR9awAAAABJRU5ErkJggg==', ` +
  `'base64')`;

await main(async () => {
  if (!name) giveUp('Which version is it? For example: npm run keep-dump -- 0014-batch');
  requirePackages();
  await requireBuild();
  const folder = mkdtempSync(join(tmpdir(), 'eclat-dump-'));
  const cluster = await startCluster(folder, ['fsync=off']);
  try {
    const demo = spawnSync(process.execPath, ['dist/server/demo.js'], {
      cwd: ROOT,
      env: { ...process.env, DATABASE_URL: cluster.url, ECLAT_KEY: randomBytes(32).toString('base64url') },
      stdio: ['ignore', 'ignore', 'inherit'],
    });
    if (demo.status !== 0) giveUp('The demo could not be loaded.');
    const client = new pg.Client({ connectionString: cluster.url });
    await client.connect();
    const { rows } = await client.query(
      `select table_name, column_name from information_schema.columns where table_schema = 'public' ` +
        `and data_type = 'bytea'`,
    );
    // Photos that were brought are not changed by anybody else.
    await client.query('set session_replication_role = replica');
    for (const { table_name: table, column_name: column } of rows)
      await client.query(`update "${table}" set "${column}" = ${DOT} where "${column}" is not null`);
    await client.end();
    const { address, env } = withoutPassword(cluster.url);
    const dump = spawnSync(
      join(requirePostgres(), 'pg_dump'),
      ['--no-owner', '--no-privileges', '--inserts', '--rows-per-insert=200', address],
      { encoding: 'utf8', env, maxBuffer: 2 ** 28 },
    );
    if (dump.status !== 0) giveUp(`The dump failed:\n${dump.stderr}`);
    const into = join(ROOT, 'server/test/dumps');
    mkdirSync(into, { recursive: true });
    // A client other than psql reads it: its own commands begin with a backslash.
    const sql = dump.stdout.replace(/^\\.*\n/gm, '');
    const packed = gzipSync(sql, { level: 9 });
    writeFileSync(join(into, `${name}.sql.gz`), packed);
    say(`kept as server/test/dumps/${name}.sql.gz, ${Math.round(packed.length / 1000)} kB`);
  } finally {
    await cluster.stop();
    rmSync(folder, { recursive: true, force: true });
  }
});
process.exit();
