import type { BodyOf, ParamsOf, Problem, QueryOf, ReplyOf, RouteRef } from '@eclat/contract';
import { useAppState } from './app-state.ts';
import { newId } from './new-id.ts';

/** What the server said no to, in its own words. */
export class Refusal extends Error {
  constructor(readonly problem: Problem) {
    super(problem.detail ? `${problem.title} ${problem.detail}` : problem.title);
  }
  get status() {
    return this.problem.status;
  }
}

/** The server could not be reached. */
export class Away extends Error {
  constructor() {
    super('The server cannot be reached. What you entered is kept on this device.');
  }
}

type Given<R extends RouteRef> = (keyof ParamsOf<R> extends never ? { params?: undefined } : { params: ParamsOf<R> }) &
  (BodyOf<R> extends undefined ? { body?: undefined } : { body: BodyOf<R> }) & {
    query?: QueryOf<R>;
    key?: string;
    file?: Blob;
    signal?: AbortSignal;
  };

type Scalar = string | number | boolean | undefined;

export function urlOf(
  route: RouteRef,
  params: Record<string, string> = {},
  query: Record<string, Scalar> = {},
): string {
  const path = route.path.replace(/:(\w+)/g, (_, name: string) => encodeURIComponent(params[name]!));
  const search = new URLSearchParams(
    Object.entries(query).flatMap(([k, v]) => (v === undefined || v === '' ? [] : [[k, String(v)]])),
  );
  return `/api${path}${search.size > 0 ? `?${search}` : ''}`;
}

export async function call<R extends RouteRef>(route: R, given: Given<R>): Promise<ReplyOf<R>> {
  const url = urlOf(route, given.params, given.query as Record<string, Scalar> | undefined);
  return request(route.method, url, given.file ?? given.body, given.key ?? newId(), {
    signal: given.signal,
  }) as Promise<ReplyOf<R>>;
}

/** A change that is not answered for so long did not get through: a network that went silent answers nothing. */
const UNANSWERED_MS = 30_000;
/** A file may take longer: the slowest network that is waited for. */
const SLOWEST_BYTES_PER_MS = 50;

export async function request(
  method: string,
  url: string,
  body: unknown,
  key: string,
  { signal, madeAt }: { signal?: AbortSignal | undefined; madeAt?: string | undefined } = {},
): Promise<unknown> {
  const isFile = body instanceof Blob;
  // What is read is asked for again by itself.
  const unanswered = method === 'GET' ? null : new AbortController();
  const timer = setTimeout(() => unanswered?.abort(), UNANSWERED_MS + (isFile ? body.size / SLOWEST_BYTES_PER_MS : 0));
  let reply: Response;
  try {
    reply = await fetch(url, {
      method,
      headers: {
        ...(body === undefined
          ? {}
          : { 'content-type': isFile ? body.type || 'application/octet-stream' : 'application/json' }),
        ...(method === 'GET' ? {} : { 'idempotency-key': key }),
        ...(madeAt === undefined ? {} : { 'eclat-made-at': madeAt }),
      },
      ...(body === undefined ? {} : { body: isFile ? body : JSON.stringify(body) }),
      signal: signal ?? unanswered?.signal ?? null,
    });
  } catch (error) {
    if ((error as Error).name === 'AbortError' && !unanswered?.signal.aborted) throw error;
    throw new Away();
  } finally {
    clearTimeout(timer);
  }
  const read: unknown = await reply.json().catch(() => ({}));
  if (reply.ok) return read;
  if (reply.status === 502 || reply.status === 503 || reply.status === 504) throw new Away();
  throw new Refusal({ type: 'about:blank', title: 'The server said no.', ...(read as object), status: reply.status });
}

/** Asks who is signed in and sets this browser's clock by the server's: the middle of the round trip. */
export function noteServerTime(now: number, sentAt: number, cameAt: number): void {
  useAppState.getState().set({ clockOffset: now - (sentAt + cameAt) / 2 });
}
