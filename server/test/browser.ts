import { randomUUID } from 'node:crypto';
import type { Notice, Problem } from '@eclat/contract';

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
