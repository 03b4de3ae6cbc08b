import type { BodyOf, ParamsOf, QueryOf, ReplyOf, RouteRef } from '@eclat/contract';
import type { QueryClient } from '@tanstack/react-query';
import { serverNow, type Unsent } from './app-state.ts';
import { Away, call, Refusal, urlOf } from './call.ts';
import { ours } from './live.ts';
import { newId } from './new-id.ts';
import { expectOf, keepUnsent, nothingWaits, sentBefore, whyOf } from './outbox.ts';
import { photoOnDevice } from './photo-on-device.ts';
import { sessionQuery } from './queries.ts';
import { refresh } from './refresh.ts';
import { expectedOf } from './waiting-in-visit.ts';

export interface Command<R extends RouteRef> {
  params: ParamsOf<R>;
  body?: BodyOf<R>;
  query?: QueryOf<R>;
  /** A photo or sound, in place of a body. */
  file?: Blob;
}

/** How a change is spoken of, and whether it may wait. */
export interface Told {
  /** What it is, for notices: "Finding". */
  what: string;
  /** Labels of the fields that two people may have changed at once. */
  labels?: Record<string, string>;
  /** It holds a passphrase: it is sent at once or not at all, and never kept on this device. */
  atOnce?: boolean;
}

const NOT_SENT = 'Nothing was sent: the server is away, or earlier changes wait. Try again in a moment.';
const AWAY = 'The server is away. This is kept here and sent when it is back.';

/** It is on this device and will be sent; what is said about it, and what the server is expected to answer. */
export class Kept {
  constructor(
    readonly why: string,
    readonly refused: boolean,
    readonly expects: unknown,
  ) {}
}

/** What the server answered, or is expected to; undefined where that cannot be said. */
export const answerOf = <Reply>(reply: Reply | Kept): Reply | undefined =>
  reply instanceof Kept ? (reply.expects as Reply | undefined) : reply;

const SOON_MS = 2_000;
/** What may be waited for on this device, and is done without where it fails or hangs. */
export const soon = <T>(work: Promise<T>): Promise<T | undefined> =>
  Promise.race([
    work.catch(() => undefined),
    new Promise<undefined>((resolve) => setTimeout(() => resolve(undefined), SOON_MS)),
  ]);

/** Who is signed in at this browser. */
export const me = (queries: QueryClient) => queries.getQueryData(sessionQuery.queryKey)?.person ?? { id: '', name: '' };

/** A command as it is kept on this device. */
const asEntered = <R extends RouteRef>(
  route: R,
  { params, query, file, body }: Command<R>,
  { what, labels = {} }: Told,
): Pick<Unsent, 'method' | 'url' | 'body' | 'what' | 'labels'> => ({
  method: route.method,
  url: urlOf(route, params, query as Record<string, string> | undefined),
  body: file ?? body,
  what,
  labels,
});

/**
 * Sends a change once, however often it is tried; keeps it on this device while the server is away.
 * @throws a refusal, with its reason
 */
export async function sendChange<R extends RouteRef>(
  queries: QueryClient,
  route: R,
  command: Command<R>,
  options: Told,
): Promise<ReplyOf<R> | Kept> {
  const key = newId();
  ours.add(key);
  const { id: personId, name: by } = me(queries);
  const at = new Date(serverNow()).toISOString();
  const keep = async (why: string, refused?: string): Promise<Kept> => {
    if (options.atOnce) throw new Error(NOT_SENT);
    const entered = { ...asEntered(route, command, options), key, personId, by, at };
    if (refused !== undefined) {
      keepUnsent({ ...entered, refused });
      return new Kept(why, true, undefined);
    }
    if (command.file) await soon(photoOnDevice(key, command.file));
    keepUnsent(entered); // first: what it will come to may not be known here
    const expects = await soon(expectedOf(queries, key));
    if (expects !== undefined) expectOf(key, expects);
    return new Kept(why, false, expects);
  };
  try {
    if (!nothingWaits(personId) && !(await sentBefore(personId))) return await keep(AWAY);
    return await call(route, { ...command, key } as never);
  } catch (error) {
    if (error instanceof Away) return await keep(AWAY);
    if (!(error instanceof Refusal)) throw error;
    if (error.status === 401) {
      refresh(queries, { topics: ['session'], visits: [] });
      return await keep('You were signed out. This is kept here and sent when you sign in.');
    }
    // Nobody can take a photo of that moment again: a refused one stays, with its reason.
    if (command.file) return await keep(`${options.what}: ${whyOf(error)}`, whyOf(error));
    throw error;
  }
}
