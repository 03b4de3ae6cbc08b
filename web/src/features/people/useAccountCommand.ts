import type { ReplyOf, RouteRef } from '@eclat/contract';
import { useMutation, useQueryClient } from '@tanstack/react-query';
import type { FieldValues } from 'react-hook-form';
import { say } from '../../data/app-state.ts';
import { call, Refusal } from '../../data/call.ts';
import { afterCommand } from '../../data/refresh.ts';
import type { Command } from '../../data/useCommand.ts';
import type { ContractForm } from '../../data/useContractForm.ts';

interface Options<R extends RouteRef> {
  onDone: (reply: ReplyOf<R>) => void;
  /** Whose fields are told what cannot be. */
  form?: { refused: ContractForm<FieldValues>['refused'] };
}

/** A change of accounts. It may hold a passphrase, so it is never kept on this device while the server is away. */
export function useAccountCommand<R extends RouteRef>(route: R, { onDone, form }: Options<R>) {
  const queries = useQueryClient();
  return useMutation({
    mutationFn: (command: Command<R>): Promise<ReplyOf<R>> => call(route, command as never),
    onSuccess: (reply, command) => {
      afterCommand(queries, route, command.params, reply);
      onDone(reply);
    },
    onError: (error) => {
      const fields = error instanceof Refusal ? error.problem.fields : undefined;
      if (fields && form) form.refused(fields);
      else say(error.message, 'danger');
    },
  });
}
