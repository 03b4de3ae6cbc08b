import { createServer, type Server } from 'node:http';
import type { AddressInfo } from 'node:net';
import { pino, type Logger } from 'pino';
import { createApp } from './app.ts';
import { connect, ready } from './platform/database/orm.ts';
import { sql, type AppContext } from './platform/http/app-context.ts';
import { forLog } from './platform/http/for-log.ts';
import { signingKey } from './movements/keys.ts';
import { checkDaily } from './movements/verify.ts';
import { openingCode } from './people/people.service.ts';
import { HttpProblem } from './platform/http/problems.ts';
import { stillSignedIn } from './platform/http/session.ts';
import { LiveNotices } from './platform/live/live.ts';

export interface Settings {
  databaseUrl: string;
  host: string;
  port: number;
  web: string;
  demo: boolean;
  checkReplies: boolean;
  proxies: number;
  logLevel: string;
  clock?: () => Date;
}

export interface Running {
  appContext: AppContext;
  address: string;
  log: Logger;
  /** Told where it was started, while there is no shop yet. */
  openingCode: string | null;
  stop(): Promise<void>;
}

const SWEEP_MS = 3_600_000,
  FIRST_SWEEP_MS = 60_000;

export async function startServer(settings: Settings): Promise<Running> {
  const log = pino({ level: settings.logLevel });
  const orm = await connect(settings.databaseUrl);
  await ready(orm);
  const appContext: AppContext = {
    orm,
    clock: settings.clock ?? (() => new Date()),
    checkReplies: settings.checkReplies,
    demo: settings.demo,
  };
  await keyOfShop(appContext, log);
  const live = new LiveNotices(
    settings.databaseUrl,
    log,
    (sessions) => stillSignedIn(orm.em.fork(), sessions, appContext.clock()),
    appContext.clock,
  );
  await live.start();
  const stopping = { begun: false };
  const server = createServer(
    createApp(appContext, { live, log, web: settings.web, proxies: settings.proxies, stopping }),
  );
  await listen(server, settings);
  const sweepNow = () =>
    void sweep(appContext).catch((error: unknown) => log.warn({ error: forLog(error) }, 'sweep failed'));
  const sweeping = setInterval(sweepNow, SWEEP_MS);
  const first = setTimeout(sweepNow, FIRST_SWEEP_MS);
  const { port } = server.address() as AddressInfo;
  return {
    openingCode: await openingCode(orm.em.fork(), appContext.clock()),
    appContext,
    log,
    address: `http://${settings.host.includes(':') ? `[${settings.host}]` : settings.host}:${port}`,
    async stop() {
      clearInterval(sweeping);
      clearTimeout(first);
      stopping.begun = true;
      await live.stop();
      await closed(server);
      await orm.close(true);
    },
  };
}

/** The key of the shop is made at the first start. A shop whose key does not open works, but for signatures. */
async function keyOfShop({ orm, clock }: AppContext, log: Logger): Promise<void> {
  await orm.em
    .fork()
    .transactional((em) => signingKey(em, clock()))
    .catch((error: unknown) => {
      if (!(error instanceof HttpProblem)) throw error;
      log.warn(`${error.message} ${error.extra.detail ?? ''}`);
    });
}

const GRACE_MS = 500,
  LONGEST_MS = 15_000;

/**
 * What is being done is done; what comes meanwhile on an open connection is refused before it is read, and its
 * connection ends with that answer. None is cut off, but after a quarter of a minute.
 */
function closed(server: Server): Promise<void> {
  return new Promise((resolve) => {
    server.close(() => resolve());
    const idle = setInterval(() => server.closeIdleConnections(), GRACE_MS);
    const late = setTimeout(() => server.closeAllConnections(), LONGEST_MS);
    server.once('close', () => {
      clearInterval(idle);
      clearTimeout(late);
    });
  });
}

const listen = (server: Server, { port, host }: Settings) =>
  new Promise<void>((resolve, reject) => {
    server.once('error', reject);
    server.listen(port, host, resolve);
  });

/**
 * The books are checked once a day. What has served its time goes: keys of requests sent long ago, sessions and
 * failures that count no more.
 */
async function sweep({ orm, clock }: AppContext): Promise<void> {
  const em = orm.em.fork();
  const ago = (days: number) => new Date(clock().getTime() - days * 86_400_000);
  await sql(em, 'delete from idempotency where at < ?', [ago(7)]);
  await sql(em, 'delete from session where created_at < ?', [ago(30)]);
  await sql(em, 'delete from device where seen_at < ?', [ago(30)]);
  await sql(em, 'delete from knock where at < ?', [ago(1)]);
  await sql(em, 'delete from sign_in_failure where at < ?', [ago(1)]);
  // Of shops that are known here each contact stays.
  await sql(em, `delete from exchange_log where shop = '' and at < ?`, [ago(30)]);
  await checkDaily(orm.em.fork(), clock());
}
