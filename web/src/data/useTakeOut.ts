import type { RouteRef } from '@eclat/contract';
import { say } from './app-state.ts';
import { useCommand, type Command } from './useCommand.ts';

/** Takes something out of a visit, and offers to put it back as it was. */
export function useTakeOut<Out extends RouteRef>(out: Out, what: string): (command: Command<Out>) => void {
  const taking = useCommand(out, { what, onDone: (_reply, _sent, undo) => say(`${what} taken out.`, 'good', undo) });
  return (command) => taking.mutate(command);
}
