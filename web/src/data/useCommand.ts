import type { BodyOf, ReplyOf, RouteRef, Visit } from '@eclat/contract';
import { useQueryClient } from '@tanstack/react-query';
import { useRef } from 'react';
import { say } from './app-state.ts';
import { Refusal } from './call.ts';
import { whyOf } from './outbox.ts';
import { afterCommand, refresh } from './refresh.ts';
import { answerOf, Kept, me, sendChange, type Command, type Told } from './send-change.ts';
import { useSending } from './useSending.ts';
import { chooseOne } from './two-states.ts';
import { isBehind, visitNow } from './waiting-in-visit.ts';
import { remember } from './undo.ts';

export { answerOf, Kept, type Command } from './send-change.ts';

interface Options<R extends RouteRef> extends Told {
  /** How the choice between two says a field that is no word or number. */
  words?: Record<string, (value: unknown) => string>;
  /** `undo` takes this very change back; undefined where it is final. */
  onDone?: (reply: ReplyOf<R>, command: Command<R>, undo: (() => void) | undefined) => void;
  /** It is out of the person's hands: done, or kept on this device until the server is back. */
  onSent?: () => void;
  /** Problems that belong to fields are given to the form; what is left is said aloud. */
  onFields?: (fields: { path: string; message: string }[]) => void;
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

  const stood = useRef(new WeakMap<Command<R>, { before: Visit | undefined; behind: boolean }>());
  const send = (command: Command<R>) => {
    const { visitId } = paramsOf(command);
    if (visitId !== undefined)
      stood.current.set(command, { before: visitNow(queries, visitId), behind: isBehind(queries, visitId) });
    return sendChange(queries, route, command, options);
  };
  const wayBackOf = (command: Command<R>, reply: unknown) =>
    remember(queries, {
      ...{ route, command: command, reply, what: options.what },
      ...(stood.current.get(command) ?? { before: undefined, behind: false }),
      personId: me(queries).id,
    });

  const sending = useSending(send, {
    onSuccess: (reply, command) => {
      options.onSent?.();
      if (reply instanceof Kept) {
        // What shows as if it were made needs no word: that the server is away stands on the screen.
        const expected = answerOf<ReplyOf<R>>(reply);
        if (expected === undefined) return say(reply.why, 'danger');
        return options.onDone?.(expected, command, wayBackOf(command, expected));
      }
      const undo = wayBackOf(command, reply);
      afterCommand(queries, route, paramsOf(command), reply);
      options.onDone?.(reply, command, undo);
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
