import type { RouteRef } from '@eclat/contract';
import { useRef } from 'react';
import { say } from './app-state.ts';
import { useCommand, type Command } from './useCommand.ts';

/** Takes something out, and offers to put it back as it was. */
export function useRemove<Out extends RouteRef, Back extends RouteRef>(out: Out, back: Back, what: string) {
  // The row may be gone from the screen when the server answers, and the next one be on its way out: each command has
  // its own way back.
  const ways = useRef(new WeakMap<Command<Out>, Command<Back>>());
  const putBack = useCommand(back, { what });
  const taking = useCommand(out, {
    what,
    onDone: (_reply, command) => {
      const way = ways.current.get(command);
      say(`${what} taken out.`, 'good', way && (() => putBack.mutate(way)));
    },
  });
  return (command: Command<Out>, way: Command<Back> | undefined): void => {
    if (way) ways.current.set(command, way);
    taking.mutate(command);
  };
}
