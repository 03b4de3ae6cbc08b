import { create } from 'zustand';
import { persist } from 'zustand/middleware';
import type { TickSide } from './sides.ts';

interface Wishes {
  tickSide: TickSide;
  tone: boolean;
  source: 'microphone' | 'file' | 'simulated';
  /** As typed. */
  beats: string;
  lift: string;
  teeth: string;
  set: (part: Partial<Omit<Wishes, 'set'>>) => void;
}
/** How this person listens, kept on this device. */
export const useWishes = create<Wishes>()(
  persist(
    (set) => ({
      tickSide: null,
      tone: false,
      source: 'microphone',
      beats: '',
      lift: '',
      teeth: '',
      set: (part) => set(part),
    }),
    { name: 'eclat-listen', partialize: ({ tickSide, source }) => ({ tickSide, source }) },
  ),
);
