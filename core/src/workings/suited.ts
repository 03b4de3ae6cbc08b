import { drivenBy, has, isSpring, isWeight, type Traits } from '../movement/index.ts';

type Suits = (t: Traits) => boolean;

// Which movements a working is of use for: what most of them ask.
export const pendulum: Suits = (t) => t.oscillator === 'pendulum';
export const torsion: Suits = (t) => t.oscillator === 'torsion pendulum';
export const balance: Suits = (t) => t.oscillator === 'balance';
export const swings: Suits = (t) => t.oscillator !== 'mains frequency';
export const springs: Suits = (t) => drivenBy(t, isSpring);
export const weights: Suits = (t) => drivenBy(t, isWeight);
export const strikes: Suits = (t) => t.strike !== 'none';
export const electric: Suits = (t) => has(t, 'coil') || has(t, 'contacts');
export const fusee: Suits = (t) => drivenBy(t, (d) => d === 'fusee spring');
