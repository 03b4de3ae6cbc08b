import type { BenchTest } from '@eclat/contract';
import { api } from '../../data/api.ts';
import { say } from '../../data/app-state.ts';
import { useCommand } from '../../data/useCommand.ts';
import { useKept } from '../../data/useDraft.ts';
import { useThisVisit } from '../visit/useThisVisit.ts';

/** One form of a bench: what is typed stays until it is sent. */
export function useBenchForm<T extends object>(form: string, start: T, bench: string) {
  const visit = useThisVisit();
  const [typed, set] = useKept(`${bench.toLowerCase()}.${visit.id}.${form}`, start);
  const remove = useCommand(api.benches.remove, { what: bench });
  const add = useCommand(api.benches.add, {
    what: bench,
    onSent: () => set(start),
    onDone: (e) => say('Kept.', 'good', () => remove.mutate({ params: { visitId: visit.id, testId: e.id } })),
  });
  return {
    typed,
    on:
      <K extends keyof T>(name: K) =>
      (value: T[K]) =>
        set((o) => ({ ...o, [name]: value })),
    busy: add.isPending,
    send: (test: BenchTest) => add.mutate({ params: { visitId: visit.id }, body: { test } }),
  };
}
