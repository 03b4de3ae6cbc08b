import type { BodyOf, ParamsOf, QueryOf, ReplyOf, RouteRef } from '@eclat/contract';
import { useQueryClient } from '@tanstack/react-query';
import { say, useAppState } from './app-state.ts';
import { Away, call, Refusal, urlOf } from './call.ts';
import { ours } from './live.ts';
import { keepUnsent, nothingWaits, sentBefore, whyOf } from './outbox.ts';
import { sessionQuery } from './queries.ts';
import { afterCommand, refresh } from './refresh.ts';
import { newId } from './new-id.ts';
import { useSending } from './useSending.ts';

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

/** It is on this device and will be sent; what is said about it. */
export class Kept {
  constructor(
    readonly why: string,
    readonly refused: boolean,
  ) {}
}

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
    const personId = queries.getQueryData(sessionQuery.queryKey)?.person?.id ?? '';
    const keep = (why: string, refused?: string): Kept => {
      if (options.atOnce) throw new Error(NOT_SENT);
      const url = urlOf(route, paramsOf(command), command.query as Record<string, string> | undefined);
      const body = command.file ?? command.body;
      const item = { key, method: route.method, url, body, what: options.what, personId };
      keepUnsent(refused === undefined ? item : { ...item, refused });
      return new Kept(why, refused !== undefined);
    };
    try {
      if (!nothingWaits(personId) && !(await sentBefore(personId))) return keep(AWAY);
      return await call(route, { ...command, key } as never);
    } catch (error) {
      if (error instanceof Away) return keep(AWAY);
      if (!(error instanceof Refusal)) throw error;
      if (error.status === 401) {
        refresh(queries, { topics: ['session'], visits: [] });
        return keep('You were signed out. This is kept here and sent when you sign in.');
      }
      // Nobody can take a photo of that moment again: a refused one stays, with its reason.
      if (command.file) return keep(`${options.what}: ${whyOf(error)}`, whyOf(error));
      throw error;
    }
  }

  const sending = useSending(send, {
    onSuccess: (reply, command) => {
      options.onSent?.();
      if (reply instanceof Kept) return say(reply.why, 'danger');
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
    const labels = options.labels ?? {};
    const inWords = (name: string, of: Record<string, unknown>) => (options.words?.[name] ?? shown)(of[name]);
    const fields = Object.keys(mine)
      .map((name) => ({ name, label: labels[name] ?? name, mine: inWords(name, mine), theirs: inWords(name, theirs) }))
      .filter(({ name, mine: m, theirs: t }) => name !== 'version' && m !== t);
    const close = () => useAppState.getState().set({ conflict: null });
    useAppState.getState().set({
      conflict: {
        what: options.what,
        fields,
        keepMine: () => {
          close();
          sending.mutate({ ...command, body: { ...mine, version: theirs['version'] ?? 0 } as BodyOf<R> });
        },
        takeTheirs: () => {
          close();
          lookAgain(command);
          say('Theirs is kept.');
        },
      },
    });
  }
  return sending;
}

/** A value as the choice between two versions says it. */
function shown(value: unknown): string {
  if (value === null || value === undefined || value === '') return '—';
  if (typeof value === 'boolean') return value ? 'yes' : 'no';
  if (Array.isArray(value)) return value.map(shown).join(', ');
  if (typeof value === 'object') return Object.values(value).map(shown).join(', ');
  return typeof value === 'string' ? value : JSON.stringify(value);
}
