import pg from 'pg';
import { pino } from 'pino';
import { setTimeout as wait } from 'node:timers/promises';
import { expect, it } from 'vitest';
import { freshDatabase } from '../../../test/shop.ts';
import { LiveNotices } from './live.ts';

it('comes back after its connection is cut, with one connection and a word to every browser', async () => {
  const url = await freshDatabase();
  const live = new LiveNotices(url, pino({ level: 'silent' }));
  await live.start();
  const heard: string[] = [];
  const browser = {
    set: () => browser,
    flushHeaders: () => undefined,
    write: (text: string) => heard.push(text),
    end: () => undefined,
  };
  live.listen({ on: () => undefined } as never, browser as never);
  const admin = new pg.Client({ connectionString: url });
  await admin.connect();
  const listening = async () =>
    (
      await admin.query(
        "select pid from pg_stat_activity where datname = current_database() and query = 'listen eclat'",
      )
    ).rows.length;
  for (let cut = 0; cut < 3; cut++) {
    await admin.query(
      "select pg_terminate_backend(pid) from pg_stat_activity where datname = current_database() and query = 'listen eclat'",
    );
    for (let i = 0; i < 50 && heard.filter((h) => h.includes('reconnected')).length <= cut; i++) await wait(100);
  }
  await wait(1500);
  expect(heard.filter((h) => h.includes('reconnected'))).toHaveLength(3);
  expect(await listening()).toBe(1);
  await admin.query('select pg_notify(\'eclat\', \'{"visitId":null,"what":"x"}\')');
  await wait(200);
  expect(heard.at(-1)).toContain('"what":"x"');
  await live.stop();
  await wait(200);
  expect(await listening()).toBe(0);
  await admin.end();
});
