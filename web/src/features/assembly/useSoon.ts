import { useEffect, useRef, useState } from 'react';

const PAUSE_MS = 500;

/**
 * Presses that follow each other fast: each shows at once, and the last is sent after a pause, or when the page is
 * left.
 */
export function useSoon<T>(kept: T, send: (value: T) => void): [T, (value: T, now?: boolean) => void] {
  const [mine, setMine] = useState<{ value: T } | null>(null);
  const waiting = useRef<{ timer: ReturnType<typeof setTimeout>; value: T } | null>(null);
  const sends = useRef(send);
  sends.current = send;
  const flush = useRef(() => {
    if (!waiting.current) return;
    clearTimeout(waiting.current.timer);
    const { value } = waiting.current;
    waiting.current = null;
    sends.current(value);
  });
  useEffect(() => flush.current, []);
  const put = (value: T, now = false) => {
    setMine({ value });
    if (waiting.current) clearTimeout(waiting.current.timer);
    waiting.current = { timer: setTimeout(() => flush.current(), PAUSE_MS), value };
    if (now) flush.current();
  };
  return [mine ? mine.value : kept, put];
}
