import pg from 'pg';
import { expect, it } from 'vitest';
import { appUrlOf, freshDatabase, serveOn } from '../../../test/shop.ts';
import { startServer } from '../../server.ts';
import { connect, migrate } from './orm.ts';
import { letIn } from './roles.ts';

const now = () => ({ at: new Date('2031-05-02T09:00:00Z') });

it('lets the application add to what was signed, and neither change nor empty it, nor own a thing', async () => {
  const url = await freshDatabase();
  await (await serveOn(url, now())).stop();
  const client = new pg.Client({ connectionString: appUrlOf(url) });
  await client.connect();
  const { rows } = await client.query<{ name: string; may: string[] }>(
    `select c.relname as name, array(select p from unnest(array['insert', 'update', 'delete', 'truncate', 'trigger']) p
        where has_table_privilege(c.oid, p) order by p) as may
      from pg_class c where c.relnamespace = 'public'::regnamespace and c.relkind = 'r'`,
  );
  const may = Object.fromEntries(rows.map((r) => [r.name, r.may]));
  for (const signed of ['history_entry', 'log_entry', 'seen_head', 'brought_photo', 'key_change'])
    expect([signed, may[signed]]).toEqual([signed, ['insert']]);
  expect(may['photo']).toEqual(['insert', 'update']);
  expect(may['migrations']).toEqual([]);
  expect(may['visit']).toEqual(['delete', 'insert', 'update']);
  const most = rows.flatMap((r) => (r.may.some((p) => p === 'truncate' || p === 'trigger') ? [r.name] : []));
  expect(most).toEqual([]);
  await expect(client.query('create table mine (x int)')).rejects.toThrow(/permission denied/);
  const owned = await client.query('select 1 from pg_tables where tableowner = current_user');
  expect(owned.rows).toEqual([]);
  await client.end();
});

it('a process under that role waits until the owner has brought the database to this version', async () => {
  const url = await freshDatabase();
  // The role is known from other databases of this server, and has nothing here yet.
  const first = await connect(url, 2);
  await first.em.getConnection().execute('select 1');
  let started = false;
  const starting = startServer({
    ...{ databaseUrl: appUrlOf(url), host: '127.0.0.1', port: 0, web: '/nowhere', demo: false, checkReplies: true },
    ...{ proxies: 0, logLevel: 'error', clock: () => now().at },
  }).then((running) => {
    started = true;
    return running;
  });
  await new Promise((resolve) => setTimeout(resolve, 1500));
  expect(started).toBe(false);
  await migrate(first);
  await letIn(first, appUrlOf(url));
  await first.close(true);
  await (await starting).stop();
  expect(started).toBe(true);
});
