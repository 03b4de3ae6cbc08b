import { randomUUID } from 'node:crypto';
import type { Notice, Problem, Visit } from '@eclat/contract';
import pg from 'pg';
import { inject } from 'vitest';
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

export interface Answer<T = Record<string, unknown>> {
  status: number;
  body: T & Problem;
  headers: Headers;
  text: string;
}

export class Browser {
  private readonly jar = new Map<string, string>();
  constructor(readonly address: string) {}

  /** For what is no JSON and is fetched by its address. */
  get cookies(): { cookie: string } {
    return { cookie: [...this.jar].map((pair) => pair.join('=')).join('; ') };
  }

  async send<T = Record<string, unknown>>(
    method: string,
    path: string,
    body?: unknown,
    headers: Record<string, string> = {},
  ): Promise<Answer<T>> {
    const raw = body instanceof Uint8Array;
    const res = await fetch(`${this.address}/api${path}`, {
      method,
      headers: {
        origin: this.address,
        ...this.cookies,
        ...(body === undefined ? {} : { 'content-type': raw ? 'application/octet-stream' : 'application/json' }),
        ...(method === 'POST' ? { 'idempotency-key': randomUUID() } : {}),
        ...headers,
      },
      ...(body === undefined ? {} : { body: raw ? (body as Buffer<ArrayBuffer>) : JSON.stringify(body) }),
    });
    for (const set of res.headers.getSetCookie()) {
      const [name, value] = set.split(';')[0]!.split('=') as [string, string];
      if (value) this.jar.set(name, value);
      else this.jar.delete(name);
    }
    const text = await res.text();
    return {
      status: res.status,
      headers: res.headers,
      text,
      body: (text.startsWith('{') || text.startsWith('[') ? JSON.parse(text) : {}) as T & Problem,
    };
  }
  /** The event stream of what changes; `notices` grows as they come. */
  async listen(): Promise<{ notices: Notice[]; ended: Promise<void>; stop: () => void }> {
    const ending = new AbortController();
    const res = await fetch(`${this.address}/api/live`, { headers: this.cookies, signal: ending.signal });
    const notices: Notice[] = [];
    const read = async () => {
      const pieces = res.body!.pipeThrough(new TextDecoderStream()).getReader();
      for (let piece = await pieces.read(); !piece.done; piece = await pieces.read())
        for (const [, data] of piece.value.matchAll(/^data: (\{.+)$/gm)) notices.push(JSON.parse(data!) as Notice);
    };
    const ended = read().catch(() => undefined); // by `stop`, or by the server
    return { notices, ended, stop: () => ending.abort() };
  }
  /** As `send`, but anything else than success is an error with what the server said. */
  async ok<T = Record<string, unknown>>(method: string, path: string, body?: unknown): Promise<T> {
    const answer = await this.send<T>(method, path, body);
    if (answer.status >= 300) throw new Error(`${method} ${path}: ${answer.status} ${JSON.stringify(answer.body)}`);
    return answer.body;
  }
}

export const PASS = 'oak wedge nine pins';

/** A server on a database, with a clock that the test can turn. */
export const serveOn = (url: string, now: { at: Date }): Promise<Running> =>
  startServer({
    databaseUrl: url,
    host: '127.0.0.1',
    port: 0,
    web: '/nowhere',
    demo: false,
    checkReplies: true,
    proxies: 0,
    logLevel: 'error',
    clock: () => now.at,
  });

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
