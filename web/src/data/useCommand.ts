import type { BodyOf, ParamsOf, QueryOf, ReplyOf, RouteRef } from '@eclat/contract';
import { useQueryClient } from '@tanstack/react-query';
import { say, serverNow, type Unsent } from './app-state.ts';
import { Away, call, Refusal, urlOf } from './call.ts';
import { ours } from './live.ts';
import { expectOf, keepUnsent, nothingWaits, sentBefore, whyOf } from './outbox.ts';
import { photoOnDevice } from './photo-on-device.ts';
import { sessionQuery } from './queries.ts';
import { afterCommand, refresh } from './refresh.ts';
import { newId } from './new-id.ts';
import { useSending } from './useSending.ts';
import { chooseOne } from './two-states.ts';
import { expectedOf } from './waiting-in-visit.ts';

export interface Command<R extends RouteRef> {
  params: ParamsOf<R>;
  body?: BodyOf<R>;
  query?: QueryOf<R>;
  /** A photo or sound, in place of a body. */
  file?: Blob;
}

interface Options<R extends RouteRef> {
  /** What it is, for notices: "Finding". */
  what: string;
  /** Labels of the fields that two people may have changed at once. */
  labels?: Record<string, string>;
  /** How the choice between two says a field that is no word or number. */
  words?: Record<string, (value: unknown) => string>;
  onDone?: (reply: ReplyOf<R>, command: Command<R>) => void;
  /** It is out of the person's hands: done, or kept on this device until the server is back. */
  onSent?: () => void;
  /** It holds a passphrase: it is sent at once or not at all, and never kept on this device. */
  atOnce?: boolean;
  /** Problems that belong to fields are given to the form; what is left is said aloud. */
  onFields?: (fields: { path: string; message: string }[]) => void;
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
const soon = <T>(work: Promise<T>): Promise<T | undefined> =>
  Promise.race([
    work.catch(() => undefined),
    new Promise<undefined>((resolve) => setTimeout(() => resolve(undefined), SOON_MS)),
  ]);

/** A command as it is kept on this device. */
const asEntered = <R extends RouteRef>(
  route: R,
  { params, query, file, body }: Command<R>,
  { what, labels = {} }: Options<R>,
): Pick<Unsent, 'method' | 'url' | 'body' | 'what' | 'labels'> => ({
  method: route.method,
  url: urlOf(route, params, query as Record<string, string> | undefined),
  body: file ?? body,
  what,
  labels,
});

/**
 * A change at the bench: sent once however often it is tried, kept on this device while the server is away, and
 * turned into a choice when somebody else was faster.
 */
export function useCommand<R extends RouteRef>(route: R, options: Options<R>) {
  const queries = useQueryClient();
  const paramsOf = (command: Command<R>) => command.params as Record<string, string>;
  const lookAgain = (command: Command<R>) => {
    const { visitId } = paramsOf(command);
    refresh(queries, { topics: route.changes ?? [], visits: visitId === undefined ? [] : [visitId] });
  };

  async function send(command: Command<R>): Promise<ReplyOf<R> | Kept> {
    const key = newId();
    ours.add(key);
    const { id: personId, name: by } = queries.getQueryData(sessionQuery.queryKey)?.person ?? { id: '', name: '' };
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

  const sending = useSending(send, {
    onSuccess: (reply, command) => {
      options.onSent?.();
      if (reply instanceof Kept) {
        // What shows as if it were made needs no word: that the server is away stands on the screen.
        const expected = answerOf<ReplyOf<R>>(reply);
        return expected === undefined ? say(reply.why, 'danger') : options.onDone?.(expected, command);
      }
      afterCommand(queries, route, paramsOf(command), reply);
      options.onDone?.(reply, command);
    },
    onError: (error, command) => {
      if (!(error instanceof Refusal)) return say(error.message, 'danger');
      if (error.problem.type === 'urn:eclat:lost-race') return choose(command, error.problem.current);
      const { fields } = error.problem;
      if (fields && options.onFields) options.onFields(fields);
      else say(whyOf(error), 'danger');
    },
  });

  /** Shows both states. Mine is sent again on top of theirs, or theirs stays. */
  function choose(command: Command<R>, current: unknown): void {
    const theirs = (current ?? {}) as Record<string, unknown>;
    const mine = command.body as Record<string, unknown>;
    const { what, labels = {}, words = {} } = options;
    chooseOne(
      { what, mine, theirs, labels, words },
      {
        mine: () => sending.mutate({ ...command, body: { ...mine, version: theirs['version'] ?? 0 } as BodyOf<R> }),
        theirs: () => {
          lookAgain(command);
          say('Theirs is kept.');
        },
      },
    );
  }
  return sending;
}
