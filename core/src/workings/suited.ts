import { beats, drivenBy, has, isSpring, isWeight, type Traits } from '../movement/index.ts';

type Suits = (t: Traits) => boolean;

// Which movements a working is of use for: what most of them ask.
/** A pendulum swings in it. */
export const pendulum: Suits = (t) => t.oscillator === 'pendulum';
/** Its pendulum turns on a strip. */
export const torsion: Suits = (t) => t.oscillator === 'torsion pendulum';
/** A balance swings in it. */
export const balance: Suits = (t) => t.oscillator === 'balance';
/** It has a rate of its own: all but those that follow the mains. */
export const swings: Suits = beats;
/** At least one train is driven by a spring. */
export const springs: Suits = (t) => drivenBy(t, isSpring);
/** At least one train is driven by a weight. */
export const weights: Suits = (t) => drivenBy(t, isWeight);
/** It strikes. */
export const strikes: Suits = (t) => t.strike !== 'none';
/** It has a coil or contacts. */
export const electric: Suits = (t) => has(t, 'coil') || has(t, 'contacts');
/** At least one train is driven through a fusee. */
export const fusee: Suits = (t) => drivenBy(t, (d) => d === 'fusee spring');
