import { drivenBy, has, isSpring, isWeight, type Traits } from '../movement/index.ts';

type Suits = (t: Traits) => boolean;
const pendulum: Suits = (t) => t.oscillator === 'pendulum';
const torsion: Suits = (t) => t.oscillator === 'torsion pendulum';
const balance: Suits = (t) => t.oscillator === 'balance';
const swings: Suits = (t) => t.oscillator !== 'mains frequency';
const springs: Suits = (t) => drivenBy(t, isSpring);
const weights: Suits = (t) => drivenBy(t, isWeight);
const strikes: Suits = (t) => t.strike !== 'none';
const electric: Suits = (t) => has(t, 'coil') || has(t, 'contacts');
const fusee: Suits = (t) => drivenBy(t, (d) => d === 'fusee spring');

/**
 * Which movements a working is of use for; a working that is not named here serves all. The page of all workings never
 * hides one.
 */
const SUITS: Record<string, Suits> = {
  'train-beats': swings,
  'train-missing': () => true,
  'train-duration': swings,
  'strike-train': (t) => t.trains.some((x) => x.train === 'strike' || x.train === 'chime'),
  'pendulum-length': pendulum,
  'pendulum-beats': pendulum,
  gravity: pendulum,
  'circular-error': pendulum,
  'semi-arc': pendulum,
  'pendulum-temperature': pendulum,
  'pendulum-alter': pendulum,
  'set-rate': (t) => pendulum(t) || balance(t),
  'torsion-strip': torsion,
  'torsion-other': torsion,
  'torsion-first': torsion,
  'spring-turns': springs,
  'spring-length': springs,
  'spring-strength': springs,
  'spring-run': springs,
  'spring-stock': springs,
  'spring-set': springs,
  mass: (t) => weights(t) || pendulum(t),
  'line-length': weights,
  'weight-landing': weights,
  'line-strength': weights,
  'weight-power': weights,
  fusee,
  'key-square': (t) => springs(t) || weights(t),
  'count-wheel': strikes,
  quarters: (t) => has(t, 'chime drum'),
  'watch-bells': (t) => t.strike === 'ship bells',
  'strike-heard': strikes,
  'blow-spacing': strikes,
  'release-minute': strikes,
  moon: (t) => has(t, 'moon work'),
  coil: electric,
  suppression: electric,
  duty: electric,
  'step-test': electric,
  outputs: electric,
  synchronous: (t) => t.oscillator === 'mains frequency',
  amplitude: balance,
  'beat-error': (t) => pendulum(t) || balance(t),
  'sound-limit': (t) => pendulum(t) || balance(t),
  'sample-clock': swings,
  'rate-against': swings,
};

export const suits = (workingId: string, traits: Traits): boolean => SUITS[workingId]?.(traits) ?? true;
/** For the test that every row names a working. */
export const SUITED = Object.keys(SUITS);
