import { randomUUID } from 'node:crypto';
import type { Visit } from '@eclat/contract';
import { Browser } from './browser.ts';
import pg from 'pg';
import { inject } from 'vitest';
import { connect, migrate } from '../src/platform/database/orm.ts';
import { letIn } from '../src/platform/database/roles.ts';
import { startServer, type Running } from '../src/server.ts';

/** A database of its own inside the throw-away server. */
export async function freshDatabase(): Promise<string> {
  const url = inject('databaseUrl');
  const name = `t_${randomUUID().replaceAll('-', '')}`;
  const client = new pg.Client({ connectionString: url });
  await client.connect();
  await client.query(`create database ${name}`);
  await client.end();
  return url.replace(/\/[^/]*$/, `/${name}`);
}

export { Browser, type Answer } from './browser.ts';

export const PASS = 'oak wedge nine pins';

/** The role that Eclat runs under, in every database of the run. */
export const appUrlOf = (url: string): string => url.replace(/\/\/[^@]*@/, '//eclat_app:app@');

/** The address of the owner is used once: tests serve under the role that the product has. */
async function migrated(url: string): Promise<void> {
  const orm = await connect(url, 2);
  await migrate(orm);
  await letIn(orm, appUrlOf(url));
  await orm.close(true);
}

/** By the hand of somebody who owns the database: its triggers are off while it is done. `?` is a value. */
export async function byHand(
  { url }: { url: string },
  table: string,
  statement: string,
  values: readonly unknown[] = [],
): Promise<void> {
  const client = new pg.Client({ connectionString: url });
  await client.connect();
  let n = 0;
  await client.query(`alter table ${table} disable trigger all`);
  await client.query(
    statement.replaceAll('?', () => `$${++n}`),
    [...values],
  );
  await client.query(`alter table ${table} enable trigger all`);
  await client.end();
}

/** A server on a database, with a clock that the test can turn. */
export async function serveOn(url: string, now: { at: Date }): Promise<Running> {
  await migrated(url);
  return startServer({
    databaseUrl: appUrlOf(url),
    host: '127.0.0.1',
    port: 0,
    web: '/nowhere',
    demo: false,
    checkReplies: true,
    proxies: 0,
    logLevel: 'error',
    clock: () => now.at,
  });
}

/** A shop with its first person, on a fresh database, with a clock that the test can turn. */
export async function openShop(
  now = { at: new Date('2031-05-02T09:00:00Z') },
): Promise<{ running: Running; marit: Browser; now: { at: Date }; browser: () => Browser; url: string }> {
  const url = await freshDatabase();
  const running = await serveOn(url, now);
  const browser = () => new Browser(running.address);
  const marit = browser();
  await marit.ok('PUT', '/first-run', {
    code: running.openingCode,
    shop: 'Fennick Row Clock Room',
    timeZone: 'Europe/London',
    name: 'Marit Fennick',
    passphrase: PASS,
  });
  return { running, marit, now, browser, url };
}

export const newClock = (change: object = {}) => ({
  owner: {
    name: 'Odile Tarrowby',
    phone: '0555 010 442',
    email: 'odile@tarrowby.example',
    address: '4 Cooper’s Yard, Aldermere',
  },
  clock: { description: 'Slate mantel clock' },
  movement: {
    name: 'Square-plate mantel movement',
    familyId: 'mantel-barrels',
    marks: [{ place: 'back plate', text: '6438' }],
  },
  another: true,
  complaint: 'Stops after two days.',
  received: [{ what: 'Key', condition: 'loose on the square' }],
  ...change,
});

export const takeIn = (browser: Browser, change: object = {}) => browser.ok<Visit>('POST', '/visits', newClock(change));

/** Every source of power let down: the inside of the movement may be reached. */
export async function letDown(browser: Browser, visit: Visit): Promise<Visit> {
  for (const { source, version } of visit.power)
    await browser.ok('PUT', `/visits/${visit.id}/power/${source}`, { state: 'let down', version });
  return visit;
}

/** Stages are over, as far as this test goes: done, or left where something is asked that it does not do. */
export async function ends(browser: Browser, visitId: string, stages: readonly string[]): Promise<void> {
  for (const stage of stages) {
    const path = `/visits/${visitId}/stages/${stage}`;
    const { status } = await browser.send('PUT', path, { state: 'done' });
    if (status === 409) await browser.ok('PUT', path, { state: 'left', why: 'As agreed.' });
  }
}
