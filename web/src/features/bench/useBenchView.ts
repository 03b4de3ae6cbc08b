import type { BenchRow } from '@eclat/contract';
import { useMemo } from 'react';
import { useSearchParams } from 'react-router';
import { useAppState } from '../../data/app-state.ts';

const NAMES = ['view', 'q', 'stage', 'person', 'promise', 'family', 'by', 'down'] as const;
type Name = (typeof NAMES)[number];
export type BenchView = Readonly<Record<Name, string>>;
export interface BenchProps {
  rows: readonly BenchRow[];
  view: BenchView;
  change: ChangeView;
  now: number;
}
export type ChangeView = (change: Partial<Record<Name, string>>) => void;

/** What is looked for is looked for once; how the bench is looked at is found again the next time. */
const NOT_KEPT = ['q'] as const;
/** Those of the table alone; the list of what now has its own order. */
export const ONLY_TABLE = { person: '', promise: '', family: '', by: '', down: '' };

/** How the bench is looked at: as the address says; where it says nothing, as it was last on this device. */
export function useBenchView(): { view: BenchView; change: ChangeView } {
  const [search, setSearch] = useSearchParams();
  const said = search.toString() || useAppState.getState().benchView;
  const view = useMemo(() => {
    const params = new URLSearchParams(said);
    return Object.fromEntries(NAMES.map((n) => [n, params.get(n) ?? ''])) as BenchView;
  }, [said]);
  const change: ChangeView = (part) => {
    const next = new URLSearchParams(Object.entries({ ...view, ...part }).filter(([, value]) => value));
    const lasting = new URLSearchParams(next);
    for (const name of NOT_KEPT) lasting.delete(name);
    useAppState.getState().set({ benchView: lasting.toString() });
    setSearch(next, { replace: true });
  };
  return { view, change };
}
