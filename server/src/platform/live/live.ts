import { TOPICS, type Notice } from '@eclat/contract';
import type { Request, Response } from 'express';
import { setTimeout as wait } from 'node:timers/promises';
import pg from 'pg';
import type { Logger } from 'pino';

const HEARTBEAT_MS = 20_000;
const RETRY_MS = 1_000;

const ended = (client: pg.Client) => new Promise<void>((resolve) => client.once('end', () => resolve()));

/**
 * Passes on what any server process on this database has changed (PostgreSQL NOTIFY) to every browser that listens
 * here.
 */
export class LiveNotices {
  private readonly listeners = new Set<Response>();
  private client: pg.Client | undefined;
  private stopped = false;
  private readonly heartbeat = setInterval(() => this.send(': still here\n\n'), HEARTBEAT_MS);

  constructor(
    private readonly url: string,
    private readonly log: Logger,
  ) {}

  /** Resolves once it listens; from then on it comes back by itself when the database goes away and returns. */
  async start(): Promise<void> {
    void this.keepListening(await this.connect());
  }

  private async connect(): Promise<pg.Client> {
    const client = new pg.Client({ connectionString: this.url });
    client.on('notification', ({ payload }) => this.send(`data: ${payload}\n\n`));
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
        this.log.warn({ error }, 'live notices: the database is not reachable yet');
      }
    }
  }

  listen = (req: Request, res: Response): void => {
    res.set({ 'content-type': 'text/event-stream', 'cache-control': 'no-store', 'x-accel-buffering': 'no' });
    res.flushHeaders();
    res.write('retry: 1500\n\n');
    this.listeners.add(res);
    req.on('close', () => this.listeners.delete(res));
  };

  private send(text: string): void {
    for (const res of this.listeners) res.write(text);
  }

  async stop(): Promise<void> {
    this.stopped = true;
    clearInterval(this.heartbeat);
    for (const res of this.listeners) res.end();
    await this.client?.end().catch(() => undefined);
  }
}
