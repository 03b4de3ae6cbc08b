import type { Notice } from '@eclat/contract';
import { useQueryClient } from '@tanstack/react-query';
import { useEffect } from 'react';
import { useAppState } from './app-state.ts';
import { refresh } from './refresh.ts';

/** Keys of the changes sent from this page: it looks again by itself once they are answered, and need not be told. */
export const ours = new Set<string>();

/** Looks again at whatever another browser, or another server process, has changed. */
export function useLive(): void {
  const queries = useQueryClient();
  useEffect(() => {
    const source = new EventSource('/api/live');
    let lost = false;
    source.onopen = () => {
      useAppState.getState().set({ liveOk: true });
      if (lost) void queries.invalidateQueries(); // whatever was said meanwhile went unheard
      lost = false;
    };
    source.onerror = () => {
      lost = true;
      useAppState.getState().set({ liveOk: false });
    };
    source.onmessage = ({ data }) => {
      const notice = JSON.parse(data as string) as Notice;
      if (!notice.key || !ours.delete(notice.key)) refresh(queries, notice);
    };
    return () => source.close();
  }, [queries]);
}
