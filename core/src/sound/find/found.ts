/** A beat that was found: its spacing, where tick and tock lie, and what is uncertain. */
export interface Lock {
  /** Frames from one beat to the next, mean of tick to tock and tock to tick. */
  beatFrames: number;
  /** The frame of one tick, and of the tock after it. */
  tickAt: number;
  tockAt: number;
  /** Whether tick and tock are both heard, or only one of them. */
  heard: 'both' | 'one';
  /** Only one sound is heard: its partner may be just as loud, or may be missing. */
  ambiguous: boolean;
  strength: number;
  /** Share of the expected beats that were heard, leaving out those covered by another sound. */
  covered: number;
  /** Beats an hour of other clocks in the room. */
  others: number[];
}
