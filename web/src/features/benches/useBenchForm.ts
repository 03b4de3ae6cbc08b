import type { BenchEntry, BenchTest } from '@eclat/contract';
import { benchWords } from '@eclat/core/benches';
import { api } from '../../data/api.ts';
import { say } from '../../data/app-state.ts';
import { useCommand } from '../../data/useCommand.ts';
import { useKept } from '../../data/useDraft.ts';
import { useThisVisit } from '../visit/useThisVisit.ts';

/** An entry that is corrected, and what follows once it is. */
export interface Correcting {
  entry: BenchEntry;
  onEnd: () => void;
}

/**
 * One form of a bench: what is typed stays until it is sent.
 * @param start what stands in it before anybody typed; @param correcting the entry it corrects, else it adds one
 */
export function useBenchForm<T extends object>(form: string, start: T, bench: string, correcting?: Correcting) {
  const visit = useThisVisit();
  const params = { visitId: visit.id };
  const name = `${bench.toLowerCase()}.${visit.id}.${form}`;
  const [typed, set] = useKept(correcting ? `${name}.${correcting.entry.id}` : name, start);
  const add = useCommand(api.benches.add, {
    what: bench,
    onSent: () => set(start),
    onDone: (_reply, _sent, undo) => say('Kept.', 'good', undo),
  });
  const change = useCommand(api.benches.change, {
    what: bench,
    labels: { test: 'What was entered' },
    words: { test: (test) => benchWords(test as BenchTest, visit.movement.traits) },
    onSent: () => {
      set(start);
      correcting?.onEnd();
    },
    onDone: (_reply, _sent, undo) => say('Changed.', 'good', undo),
  });
  return {
    typed,
    on:
      <K extends keyof T>(field: K) =>
      (value: T[K]) =>
        set((o) => ({ ...o, [field]: value })),
    busy: add.isPending || change.isPending,
    send: (test: BenchTest) => {
      if (!correcting) return add.mutate({ params, body: { test } });
      const { id: testId, version } = correcting.entry;
      change.mutate({ params: { ...params, testId }, body: { test, version } });
    },
    /** What was typed is let go. */
    drop: () => set(start),
  };
}
