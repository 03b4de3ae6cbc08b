import type { Route } from '@eclat/contract';
import { useRef } from 'react';
import { say } from '../store.ts';
import { useCommand, type Command } from './useCommand.ts';

/** Takes something out, and offers to put it back as it was. */
export function useTakeOut<Out extends Route, Back extends Route>(out: Out, back: Back, what: string) {
  const before = useRef<Command<Back> | null>(null);
  const putBack = useCommand(back, { what });
  const take = useCommand(out, {
    what,
    // The row may be gone from the screen by now: what it was is held here.
    onDone: () => { const was = before.current; say(`${what} taken out.`, 'good', was ? () => putBack.mutate(was) : undefined); },
  });
  return { busy: take.isPending, take: (command: Command<Out>, was: Command<Back>) => { before.current = was; take.mutate(command); } };
}
