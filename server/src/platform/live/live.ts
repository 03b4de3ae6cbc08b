import { TOPICS, type Notice } from '@eclat/contract';
import type { Request, Response } from 'express';
import { setTimeout as wait } from 'node:timers/promises';
import pg from 'pg';
import type { Logger } from 'pino';
import { forLog } from '../http/for-log.ts';

const HEARTBEAT_MS = 20_000;
const RETRY_MS = 1_000;

const ended = (client: pg.Client) => new Promise<void>((resolve) => client.once('end', () => resolve()));

/**
 * Passes on what any server process on this database has changed (PostgreSQL NOTIFY) to every browser that listens
 * here.
 */
export class LiveNotices {
  /** Each with the session that it was opened in. */
  private readonly listeners = new Map<Response, string>();
  private client: pg.Client | undefined;
  private stopped = false;
  /** When something was said last, by the clock of this server. */
  private lastAt = 0;
  private readonly heartbeat = setInterval(() => {
    this.send(': still here\n\n');
    void this.endTheSignedOut();
  }, HEARTBEAT_MS);

  constructor(
    private readonly url: string,
    private readonly log: Logger,
    private readonly stillSignedIn: (sessions: readonly string[]) => Promise<Set<string>>,
    private readonly clock: () => Date = () => new Date(),
  ) {}

  /** Resolves once it listens; from then on it comes back by itself when the database goes away and returns. */
  async start(): Promise<void> {
    void this.keepListening(await this.connect());
  }

  private async connect(): Promise<pg.Client> {
    const client = new pg.Client({ connectionString: this.url });
    client.on('notification', ({ payload }) => {
      this.lastAt = this.clock().getTime();
      this.send(`data: ${payload}\n\n`);
      if (payload?.includes('"session"')) void this.endTheSignedOut();
    });
    client.on('error', () => undefined); // the end that follows is what counts
    try {
      await client.connect();
      await client.query('listen eclat');
    } catch (error) {
      await client.end().catch(() => undefined);
      throw error;
    }
    this.client = client;
    return client;
  }

  /** One connection at a time, one try after another: never more, however long the database is away. */
  private async keepListening(first: pg.Client): Promise<void> {
    await ended(first);
    while (!this.stopped) {
      await wait(RETRY_MS);
      if (this.stopped) return;
      try {
        const client = await this.connect();
        // Whatever was said meanwhile went unheard: every browser looks again.
        this.send(`data: ${JSON.stringify({ topics: TOPICS, visits: [] } satisfies Notice)}\n\n`);
        await ended(client);
      } catch (error) {
        this.log.warn({ error: forLog(error) }, 'live notices: the database is not reachable yet');
      }
    }
  }

  /** A stream ends with its session: signed out, locked out, or idle for too long. */
  private async endTheSignedOut(): Promise<void> {
    try {
      // One that is opened while they are being asked for is not among them.
      const asked = [...this.listeners];
      const still = await this.stillSignedIn([...new Set(asked.map(([, session]) => session))]);
      for (const [res, session] of asked) if (!still.has(session)) this.end(res);
    } catch (error) {
      this.log.warn({ error: forLog(error) }, 'live notices: who is signed in could not be asked');
    }
  }

  /** Nothing is written to it any more. */
  private end(res: Response): void {
    this.listeners.delete(res);
    res.end();
  }

  listen = (req: Request, res: Response, session: string): void => {
    res.set({ 'content-type': 'text/event-stream', 'cache-control': 'no-store', 'x-accel-buffering': 'no' });
    res.flushHeaders();
    // What was said while this stream was being opened went past it: the browser is told when that was.
    res.write(`retry: 1500\nevent: last\ndata: ${this.lastAt}\n\n`);
    this.listeners.set(res, session);
    req.on('close', () => this.listeners.delete(res));
  };

  private send(text: string): void {
    for (const res of this.listeners.keys()) res.write(text);
  }

  async stop(): Promise<void> {
    this.stopped = true;
    clearInterval(this.heartbeat);
    for (const res of [...this.listeners.keys()]) this.end(res);
    await this.client?.end().catch(() => undefined);
  }
}
