import type { Notice } from '@eclat/contract';
import { useQueryClient } from '@tanstack/react-query';
import { useEffect } from 'react';
import { serverNow, useAppState } from './app-state.ts';
import { lookAgain, refresh } from './refresh.ts';

/** Keys of the changes sent from this page: it looks again by itself once they are answered, and need not be told. */
export const ours = new Set<string>();

/** As the browser numbers it. */
const CLOSED = 2;
const AGAIN_MS = 2_000;
/** By which two clocks, and a first reply, may be apart. */
const SLACK_MS = 3_000;

/** Looks again at whatever another browser, or another server process, has changed. */
export function useLive(): void {
  const queries = useQueryClient();
  useEffect(() => {
    let source: EventSource;
    let again: ReturnType<typeof setTimeout> | undefined;
    let lost = false;
    const since = serverNow() - SLACK_MS;
    const listen = () => {
      source = new EventSource('/api/live');
      source.onopen = opened;
      source.onmessage = told;
      source.addEventListener('last', lastSaid);
      source.onerror = () => {
        lost = true;
        useAppState.getState().set({ liveOk: false });
        // A browser that was answered with an error does not try again by itself.
        if (source.readyState === CLOSED) again = setTimeout(listen, AGAIN_MS);
      };
    };
    const opened = () => {
      useAppState.getState().set({ liveOk: true });
      if (lost) lookAgain(queries); // whatever was said meanwhile went unheard
      lost = false;
    };
    /** Said between the first look at the data and the opening of this stream: nobody told us. */
    const lastSaid = ({ data }: MessageEvent) => {
      if (Number(data) > since && !lost) lookAgain(queries);
    };
    const told = ({ data }: MessageEvent) => {
      const notice = JSON.parse(data as string) as Notice;
      if (!notice.key || !ours.delete(notice.key)) refresh(queries, notice);
    };
    listen();
    return () => {
      clearTimeout(again);
      source.close();
    };
  }, [queries]);
}
