import { MutationObserver, notifyManager, useQueryClient, type MutationObserverOptions } from '@tanstack/react-query';
import { useCallback, useEffect, useState, useSyncExternalStore } from 'react';

type Answers<Reply, Given> = Pick<MutationObserverOptions<Reply, Error, Given>, 'onSuccess' | 'onError'>;
type More<Reply, Given> = Parameters<MutationObserver<Reply, Error, Given>['mutate']>[1];

/**
 * A change on its way. It is sent within the press itself: what else the press changes on the screen is drawn while
 * the server works. Who does not read `isPending` is not drawn again for it.
 */
export function useSending<Reply, Given extends object>(
  send: (given: Given) => Promise<Reply>,
  answers: Answers<Reply, Given>,
) {
  const queries = useQueryClient();
  const [held] = useState(() => ({
    observer: new MutationObserver<Reply, Error, Given>(queries, {}),
    /** Sent by a press, and not yet watched; one thing may be sent twice in a row. */
    begun: new WeakMap<Given, Promise<Reply>[]>(),
    watched: false,
  }));
  const { observer, begun } = held;
  useEffect(() => observer.setOptions({ ...answers, mutationFn: (given) => begun.get(given)?.shift() ?? send(given) }));
  const subscribe = useCallback(
    (changed: () => void) => observer.subscribe(notifyManager.batchCalls(changed)),
    [observer],
  );
  const pending = () => observer.getCurrentResult().isPending;
  useSyncExternalStore(subscribe, () => held.watched && pending());
  const begin = (given: Given): Given => {
    begun.set(given, [...(begun.get(given) ?? []), send(given)]);
    return given;
  };
  return {
    mutate: (given: Given, more?: More<Reply, Given>): void =>
      void observer.mutate(begin(given), more).catch(() => undefined),
    mutateAsync: (given: Given): Promise<Reply> => observer.mutate(begin(given)),
    get isPending(): boolean {
      held.watched = true;
      return pending();
    },
  };
}
