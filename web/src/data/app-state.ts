import { ownZone, type Zone } from '@eclat/core/days';
import { create } from 'zustand';
import type { Undo } from './undo.ts';
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
  /** Who made it, and when, by the server’s clock. Of what an earlier version kept it is not known. */
  by?: string;
  at?: string;
  /** What the server is expected to answer: what it makes goes by the key of the change until then. */
  expects?: unknown;
  /** What somebody else made of it meanwhile: it is chosen between the two. */
  current?: unknown;
  /** What its fields are called where it was entered. */
  labels?: Record<string, string>;
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

/** What is the person's own, on this device. Server state lives in the query cache, not here. */
interface AppState {
  theme: Theme;
  /** What a bare number means to this person, and how figures are shown in the workings. */
  units: Units;
  /** The step of the first-hour tour that this device is at; null: none is under way. */
  tour: number | null;
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
  /** Steps back at visits, the latest last: after their notices are gone, and after the page was loaded anew. */
  undos: Undo[];
  /** What was taken back last: a screen puts it in hand again. */
  undone: Undo['way'] | null;
  liveOk: boolean;
  /** Whether this browser promised to keep what is on this device; null: it was not asked yet. */
  promised: boolean | null;
  /** A newer version of the page is on this device, and begins when it is asked to. */
  newer: boolean;
  /** This browser offers to install the page as an application. */
  installable: boolean;
  /** What is on this device is looked at; or its person signs out while something waits. */
  onDevice: 'look' | 'sign out' | null;
  /** Something is being looked for, in the sheet that finds anything. */
  findOpen: boolean;
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
      tour: null,
      inHand: null,
      benchView: '',
      unsent: [],
      clockOffset: 0,
      zone: ownZone(),
      conflict: null,
      notice: null,
      undos: [],
      undone: null,
      liveOk: true,
      promised: null,
      newer: false,
      installable: false,
      onDevice: null,
      findOpen: false,
      devices: false,
      printed: [],
      set: (part) => set(part),
    }),
    {
      name: 'eclat',
      partialize: ({ theme, units, singleKeys, tour, inHand, benchView, unsent, undos, zone, clockOffset }) => ({
        theme,
        units,
        singleKeys,
        tour,
        inHand,
        benchView,
        unsent: unsent.filter((u) => !u.stored && !(u.body instanceof Blob)),
        undos,
        zone,
        clockOffset,
      }),
    },
  ),
);

export function say(text: string, tone: Notice['tone'] = 'good', undo?: () => void): void {
  const { set } = useAppState.getState();
  const run = () => {
    set({ notice: null });
    undo?.();
  };
  set({ notice: { text, tone, ...(undo ? { undo: run } : {}) } });
}

/** The time by the server's clock, which all browsers share. */
export const serverNow = (): number => Date.now() + useAppState.getState().clockOffset;
