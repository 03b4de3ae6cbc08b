import { ownZone, type Zone } from '@eclat/core/days';
import { create } from 'zustand';
import type { Printed } from '../devices/printer.ts';
import { persist } from 'zustand/middleware';

export type Theme = 'system' | 'light' | 'dark';
export type Units = 'metric' | 'inch';

export interface Unsent {
  key: string;
  method: string;
  url: string;
  /** What a person entered, or a photo or sound. */
  body: unknown;
  what: string;
  personId: string;
  /** When it was made, ms since 1970: what waits is sent in this order. */
  madeAt: number;
  /** It stands in the device’s database. Until it does, and where there is none, it stands beside the theme. */
  stored?: boolean;
  /** Why the server would not take it when it was back. It stays here until the person has dealt with it. */
  refused?: string;
}

export interface Conflict {
  what: string;
  fields: { name: string; label: string; mine: string; theirs: string }[];
  keepMine: () => void;
  takeTheirs: () => void;
}

export interface Notice {
  text: string;
  tone: 'good' | 'danger';
  undo?: () => void;
}

/** One step back: what was done, the visit or screen it was done on, and how to take it back. */
export interface Undo {
  text: string;
  at: string;
  run: () => void;
}

/** What is the person's own, on this device. Server state lives in the query cache, not here. */
interface AppState {
  theme: Theme;
  /** What a bare number means to this person, and how figures are shown in the workings. */
  units: Units;
  /** The visit that was open last on this device. */
  inHand: string | null;
  /** How the bench was looked at last: its view, filters and order, as they stand in an address. */
  benchView: string;
  /** Single keys are shortcuts. Who dictates, or whose hand shakes, switches them off. */
  singleKeys: boolean;
  unsent: Unsent[];
  /** Server time less this computer's, ms. */
  clockOffset: number;
  /** The shop’s time zone; until the shop has said it, this device’s. */
  zone: Zone;
  conflict: Conflict | null;
  notice: Notice | null;
  /** The way back from what was done last, after its notice is gone too. */
  undo: Undo | null;
  liveOk: boolean;
  /** The devices panel is open, and what the simulated label printer printed. */
  devices: boolean;
  printed: Printed[];
  set: (part: Partial<Omit<AppState, 'set'>>) => void;
}

export const useAppState = create<AppState>()(
  persist(
    (set) => ({
      theme: 'system',
      units: 'metric',
      singleKeys: true,
      inHand: null,
      benchView: '',
      unsent: [],
      clockOffset: 0,
      zone: ownZone(),
      conflict: null,
      notice: null,
      undo: null,
      liveOk: true,
      devices: false,
      printed: [],
      set: (part) => set(part),
    }),
    {
      name: 'eclat',
      partialize: ({ theme, units, singleKeys, inHand, benchView, unsent, zone }) => ({
        theme,
        units,
        singleKeys,
        inHand,
        benchView,
        unsent: unsent.filter((u) => !u.stored && !(u.body instanceof Blob)),
        zone,
      }),
    },
  ),
);

/** Undo belongs to the clock, or to the screen, that it was offered on. */
export const undoPlace = (path: string): string => /^\/visits\/[^/]+/.exec(path)?.[0] ?? path;

export function say(text: string, tone: Notice['tone'] = 'good', undo?: () => void): void {
  const { set } = useAppState.getState();
  if (!undo) return set({ notice: { text, tone } });
  const run = () => {
    set({ undo: null, notice: null });
    undo();
  };
  set({ notice: { text, tone, undo: run }, undo: { text, at: undoPlace(window.location.pathname), run } });
}

/** The time by the server's clock, which all browsers share. */
export const serverNow = (): number => Date.now() + useAppState.getState().clockOffset;
