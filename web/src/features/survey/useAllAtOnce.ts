import { api } from '../../data/api.ts';
import { say } from '../../data/app-state.ts';
import { useCommand } from '../../data/useCommand.ts';
import { useThisVisit } from '../visit/useThisVisit.ts';

/** Parts that were looked at and are sound, right or polished, in one press, and back in one. */
export function useAllAtOnce(said: string) {
  const params = { visitId: useThisVisit().id };
  const set = useCommand(api.survey.setSound, {
    what: 'Parts',
    onDone: (_reply, _sent, undo) => say(said, 'good', undo),
  });
  return {
    send: (parts: string[]) => set.mutate({ params, body: { parts } }),
    get isPending() {
      return set.isPending;
    },
  };
}
