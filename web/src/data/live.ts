import { useEffect } from 'react';
import { useQueryClient } from '@tanstack/react-query';
import { useStore } from './app-state.ts';
import { keys } from './queries.ts';

/** Keys of the changes sent from this page: it looks again by itself once they are answered, and need not be told. */
export const ours = new Set<string>();

/** Looks again at whatever another browser, or another server process, has changed. */
export function useLive(): void {
  const queries = useQueryClient();
  useEffect(() => {
    const source = new EventSource('/api/live');
    let lost = false;
    source.onopen = () => {
      useStore.getState().set({ liveOk: true });
      if (lost) void queries.invalidateQueries(); // whatever was said meanwhile went unheard
      lost = false;
    };
    source.onerror = () => {
      lost = true;
      useStore.getState().set({ liveOk: false });
    };
    source.onmessage = ({ data }) => {
      const { visitId, key } = JSON.parse(data as string) as { visitId: string | null; key?: string };
      if (key && ours.delete(key)) return;
      if (!visitId) return void queries.invalidateQueries();
      void queries.invalidateQueries({ queryKey: keys.visit(visitId) });
      void queries.invalidateQueries({ queryKey: keys.bench });
      void queries.invalidateQueries({ queryKey: keys.timers });
      void queries.invalidateQueries({ queryKey: keys.books });
    };
    return () => source.close();
  }, [queries]);
}
