import type { LoggedEvent, LoggedHour, Strike } from '@eclat/core/sound';
import { create } from 'zustand';
import { persist } from 'zustand/middleware';

export interface Heard {
  hours: LoggedHour[];
  events: LoggedEvent[];
  strikes: Strike[];
}
export interface KeptLog extends Heard {
  beganAt: number;
  /** Until when it is known to have listened. */
  savedAt: number;
  visitId: string | null;
  microphone: string;
  /** False: the page was closed, or the device went off, while it listened. */
  stopped: boolean;
}

/** A shorter listening without an event is not worth a log. */
const WORTH_MS = 600_000;
const MOST = 6;

/**
 * Logs of long listenings, on this device: what was heard overnight is there in the morning, even if the page was
 * closed meanwhile.
 */
export const useLogs = create<{ logs: KeptLog[] }>()(
  persist(() => ({ logs: [] as KeptLog[] }), { name: 'eclat-logs' }),
);

/**
 * Keeps the log as it is now, in place of its earlier state. Where the device has no more room, the oldest logs give
 * way.
 */
export function keepLog(log: KeptLog): void {
  if (log.savedAt - log.beganAt < WORTH_MS && log.strikes.length === 0 && log.events.every((e) => e.kind === 'found'))
    return;
  let logs = [log, ...useLogs.getState().logs.filter((l) => l.beganAt !== log.beganAt)].slice(0, MOST);
  for (;;) {
    try {
      useLogs.setState({ logs });
      return;
    } catch {
      if (logs.length === 1) return;
      logs = logs.slice(0, -1);
    }
  }
}

export const removeLog = (beganAt: number) =>
  useLogs.setState(({ logs }) => ({ logs: logs.filter((l) => l.beganAt !== beganAt) }));
