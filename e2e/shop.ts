import { spawn, type ChildProcess } from 'node:child_process';
import { randomUUID } from 'node:crypto';
import { createServer, type AddressInfo } from 'node:net';
import { test as base, expect, type Page } from '@playwright/test';
import type { Visit } from '@eclat/contract';
import pg from 'pg';
import sharp from 'sharp';

export const PASS = 'oak wedge nine pins';

export async function freshDatabase(): Promise<string> {
  const url = process.env['ECLAT_TEST_DATABASE_URL'];
  if (!url) throw new Error('ECLAT_TEST_DATABASE_URL is not set: run `npm run e2e`');
  const name = `e_${randomUUID().replaceAll('-', '')}`;
  const client = new pg.Client({ connectionString: url });
  await client.connect();
  await client.query(`create database ${name}`);
  await client.end();
  return url.replace(/\/[^/]*$/, `/${name}`);
}

const DEMO = 'demo_template';
/** Servers of one database share it, those of all workers that of the demo. */
const KEY = Buffer.alloc(32, 'eclat').toString('base64url');

/** The demo shop, loaded once for the whole run; each test gets a copy of its own. */
export async function demoDatabase(): Promise<string> {
  const url = process.env['ECLAT_TEST_DATABASE_URL']!;
  const of = (name: string) => url.replace(/\/[^/]*$/, `/${name}`);
  const name = `e_${randomUUID().replaceAll('-', '')}`;
  const client = new pg.Client({ connectionString: url });
  await client.connect();
  // Held by one worker, until it has loaded and copied: a template that somebody is connected to cannot be copied.
  await client.query('select pg_advisory_lock(1)');
  const { rows } = await client.query('select 1 from pg_database where datname = $1', [DEMO]);
  if (rows.length === 0) {
    await client.query(`create database ${DEMO}`);
    await runs('dist/server/demo.js', { DATABASE_URL: of(DEMO) });
    await runs('dist/server/demo.js', { DATABASE_URL: of(DEMO) }); // a second load changes nothing
  }
  await client.query(`create database ${name} template ${DEMO}`);
  await client.end();
  return of(name);
}

/** The second made-up shop, on a database of its own. */
export async function secondDemo(): Promise<string> {
  const url = await freshDatabase();
  await runs('dist/server/demo.js', { DATABASE_URL: url, ECLAT_DEMO_SHOP: 'second' });
  return url;
}

export const freePort = () =>
  new Promise<number>((resolve) => {
    const probe = createServer().listen(0, '127.0.0.1', () => {
      const { port } = probe.address() as AddressInfo;
      probe.close(() => resolve(port));
    });
  });

export const runs = (script: string, env: Record<string, string>) =>
  new Promise<void>((resolve, reject) => {
    const child = spawn(process.execPath, [script], {
      env: { ...process.env, ECLAT_KEY: KEY, ...env },
      stdio: ['ignore', 'ignore', 'inherit'],
    });
    child.once('exit', (code) => (code === 0 ? resolve() : reject(new Error(`${script} ended with ${code}`))));
  });

/** The role that the product runs under. */
const appUrlOf = (url: string): string => url.replace(/\/\/[^@]*@/, '//eclat_app:app@');

/** One server process of the built product. */
export class ServerProcess {
  private child: ChildProcess | undefined;
  /** What the start window tells, while there is no shop. */
  openingCode = '';
  private migrated = false;
  constructor(
    readonly databaseUrl: string,
    readonly port: number,
    private readonly env: Record<string, string> = {},
  ) {}
  get address() {
    return `http://127.0.0.1:${this.port}`;
  }

  async start(): Promise<this> {
    const served = appUrlOf(this.databaseUrl);
    if (!this.migrated)
      await runs('dist/server/migrate.js', { DATABASE_URL: served, ECLAT_OWNER_URL: this.databaseUrl });
    this.migrated = true;
    const child = spawn(process.execPath, ['dist/server/main.js'], {
      env: {
        ...process.env,
        DATABASE_URL: served,
        PORT: String(this.port),
        ECLAT_KEY: KEY,
        NODE_ENV: 'production',
        ECLAT_CHECK_REPLIES: '1',
        ...this.env,
      },
      stdio: ['ignore', 'pipe', 'inherit'],
    });
    this.child = child;
    await new Promise<void>((resolve, reject) => {
      child.stdout.on('data', (chunk: Buffer) => {
        const text = chunk.toString();
        this.openingCode = /CODE (\S+)/.exec(text)?.[1] ?? this.openingCode;
        if (text.includes('READY')) resolve();
      });
      child.once('exit', (code) => reject(new Error(`server ended with ${code}`)));
    });
    return this;
  }
  /** As when the power goes: no chance to tidy up. */
  async kill(signal: NodeJS.Signals = 'SIGKILL'): Promise<void> {
    const { child } = this;
    if (!child || child.exitCode !== null || child.signalCode !== null) return;
    const gone = new Promise((resolve) => child.once('exit', resolve));
    child.kill(signal);
    await gone;
  }
}

/** A shop on a database of its own, with the server that is asked for. Errors of the page fail the test. */
export const test = base.extend<{
  serve: (databaseUrl: string, env?: Record<string, string>, port?: number) => Promise<ServerProcess>;
  server: ServerProcess;
  errors: string[];
}>({
  // eslint-disable-next-line no-empty-pattern -- Playwright reads the names of fixtures off the pattern
  serve: async ({}, use) => {
    const started: ServerProcess[] = [];
    await use(async (databaseUrl, env, port) => {
      const server = new ServerProcess(databaseUrl, port ?? (await freePort()), env);
      started.push(server);
      return server.start();
    });
    for (const server of started) await server.kill(); // whatever became of the test
  },
  server: async ({ serve }, use) => use(await serve(await freshDatabase())),
  errors: [
    async ({ page }, use) => {
      const errors: string[] = [];
      watch(page, errors);
      await use(errors);
      expect(errors).toEqual([]);
    },
    { auto: true },
  ],
});

/** What Chromium says of a server that is away: to the page, and to the worker that is fetched or looked at anew. */
const AWAY =
  /net::ERR|Failed to load resource|Failed to fetch dynamically|An unknown error occurred when fetching the script/;

/** Anything the policy or the page itself complains of; a server that is away on purpose is not such a thing. */
export function watch(page: Page, errors: string[]): void {
  page.on('pageerror', (e) => errors.push(e.message));
  page.on('console', (m) => {
    if (m.type() === 'error' && !AWAY.test(m.text())) errors.push(m.text());
  });
}

export async function openShop(page: Page, server: ServerProcess, address = server.address): Promise<void> {
  await page.goto(address);
  await page.getByLabel('Code', { exact: true }).fill(server.openingCode);
  await page.getByLabel('Name of the shop').fill('Fennick Row Clock Room');
  await page.getByLabel('Your name').fill('Marit Fennick');
  await page.getByLabel('Passphrase', { exact: true }).fill(PASS);
  await page.getByRole('button', { name: 'Open the shop' }).click();
  await expect(page.getByText('The bench is empty')).toBeVisible();
}

export async function signIn(page: Page, address: string, name = 'Marit Fennick', passphrase = PASS): Promise<void> {
  await page.goto(address);
  await page.getByLabel('Name', { exact: true }).fill(name);
  await page.getByLabel('Passphrase', { exact: true }).fill(passphrase);
  await page.getByRole('button', { name: 'Sign in' }).click();
  await expect(page.getByRole('button', { name })).toBeVisible();
}

/** What a screen says first. */
export const answer = (page: Page) => page.getByRole('status').first();

/** What the server answers, asked by the page itself. */
export const asked = (page: Page, path: string): Promise<string> =>
  page.evaluate(async (from) => (await fetch(from)).text(), path);

export async function takeIn(page: Page, family: string, clock: string, mark = '6438'): Promise<void> {
  await place(page, 'Take in');
  await expect(page.getByRole('heading', { name: 'Take a clock in' })).toBeVisible();
  await page.getByLabel('Name', { exact: true }).fill('Odile Tarrowby');
  await page.getByLabel('Phone').fill('0555 010 442');
  await page.getByLabel('The clock').fill(clock);
  await page.getByLabel('The movement').fill('Square-plate movement');
  await page.getByLabel('Family').selectOption({ label: family });
  await page.getByRole('button', { name: 'Add a number or mark' }).click();
  await page.getByLabel('Number or mark').fill(mark);
  await page.getByLabel('What the owner says is wrong').fill('Stops after two days.');
  await page.getByRole('button', { name: 'Case key', exact: true }).click();
  await page.getByRole('button', { name: 'Take it in' }).click();
  await expect(page.getByRole('heading', { name: clock })).toBeVisible();
  await unfold(page);
}

/** Cautions read, every train let down, the strip begun. */
/** A clock taken in, and how its visit stands now. */
export async function clockIn(page: Page, server: ServerProcess) {
  await openShop(page, server);
  await takeIn(page, 'Longcase clock', 'Tall clock');
  const visitId = /[0-9a-f-]{36}/.exec(page.url())![0];
  const now = async () => JSON.parse(await asked(page, `/api/visits/${visitId}`)) as Visit;
  return { visitId, now };
}

export async function makeSafe(page: Page): Promise<void> {
  await stage(page, 'Power down');
  await expect(page.getByRole('status').first()).toContainText('Do not open the plates');
  const unread = page.getByRole('button', { name: 'I have read this' });
  for (let n = await unread.count(); n > 0; n--) {
    await unread.first().click();
    await expect(unread).toHaveCount(n - 1);
  }
  for (const train of await page.getByRole('radio', { name: 'Let down' }).all()) await train.click();
  await page.getByRole('button', { name: 'Begin the strip' }).click();
  await stageDone(page, 'Power down');
}

/** Its strike is wrong: the second pass, with the hands off again. */
export async function opensPass(page: Page): Promise<void> {
  await stage(page, 'Strip');
  await page.getByLabel('It has to come apart again, because').fill('Strike runs on');
  await page.getByRole('button', { name: 'Open a pass' }).click();
  await expect(page.getByText('Pass 2: power down comes first again.')).toBeVisible();
  await page.getByRole('group', { name: 'Usually next' }).getByRole('button', { name: 'hands' }).click();
  await page.getByRole('button', { name: 'Log it' }).click();
}

/** By the wheel, to a stage or to what lies beside them; what is folded there is opened. */
export async function stage(page: Page, name: string): Promise<void> {
  await page.getByRole('button', { name: /^Stages\. Here/ }).click();
  const way = page.getByRole('navigation', { name: 'Stages of this visit' });
  const link = way
    .getByRole('link', { name, exact: true })
    .or(way.getByRole('link', { name: new RegExp(`${name}\\b`) }));
  const to = await link.first().getAttribute('href');
  await link.first().click();
  await hasCome(page, (at) => at === to);
  await expect(way).toBeHidden();
  await unfold(page);
}
/** What is pressed next is pressed there: the address changes a moment before the screen does. */
async function hasCome(page: Page, there: (path: string) => boolean): Promise<void> {
  await expect.poll(async () => there((await page.locator('main').getAttribute('data-at')) ?? '')).toBe(true);
}
/** Opens all that is folded on a screen: all at once, for what is fetched meanwhile may take one of them away. */
export async function unfold(page: Page): Promise<void> {
  await expect(page.getByRole('heading').first()).toBeVisible();
  await expect(page.getByText(/^(Loading|Drawing)/)).toHaveCount(0);
  const press = `[...document.querySelectorAll('main [data-fold][aria-expanded="false"]')]
    .filter((e) => e.checkVisibility()).map((e) => e.click()).length`;
  await expect.poll(() => page.evaluate<number>(press)).toBe(0);
}
/** A place of the shop: in the bar, or in the person’s menu where the bar is the clock’s. */
export async function place(page: Page, name: string, person = 'Marit Fennick'): Promise<void> {
  const link = page.getByRole('navigation', { name: 'Main' }).getByRole('link', { name, exact: true });
  const menu = page.getByRole('button', { name: person });
  await expect(link.or(menu).first()).toBeVisible();
  if (await link.isVisible()) return link.click();
  await menu.click();
  await page.getByRole('menuitem', { name, exact: true }).click();
}
/** Photos by file, beside whatever is worked on. */
export async function lookAtPhotos(page: Page): Promise<void> {
  await page.getByRole('button', { name: 'Look up' }).click();
  await expect(page.getByRole('tab', { name: /^Photos/ })).toBeVisible();
}
/** Until the scripts of all other screens are there: they are fetched quietly, some seconds after the first screen. */
export async function warmedUp(page: Page): Promise<void> {
  let before = 0;
  const still = async () => {
    const scripts = await page.evaluate(() => performance.getEntriesByType('resource').map((r) => r.name));
    const now = scripts.filter((name) => name.endsWith('.js')).length;
    const all = now === before && scripts.some((name) => name.includes('/LookUp-'));
    before = now;
    return all;
  };
  await expect.poll(still, { intervals: [1000] }).toBe(true);
}
/** From the keyboard: a page that is still taking its shape does not move under a key. */
export async function stageDone(page: Page, name: string): Promise<void> {
  const done = page.getByRole('button', { name: `${name} is done` });
  await expect(done).toBeEnabled(); // a click would wait for that by itself
  const here = new URL(page.url()).pathname;
  await done.press('Enter');
  await hasCome(page, (at) => at !== here);
  await unfold(page);
}

/** A photograph as a camera gives it. */
export const photograph = () =>
  sharp({ create: { width: 1600, height: 1200, channels: 3, background: '#7a8895' } })
    .jpeg()
    .toBuffer();
export { expect };
