/** The traits from which survey, oil chart, cautions and faults follow. The family name never decides anything. */

export const TRAINS = ['going', 'strike', 'chime', 'alarm'] as const;
export type TrainKey = (typeof TRAINS)[number];

export const DRIVES = [
  'open spring',
  'barrel spring',
  'fusee spring',
  'weight on line',
  'weight on endless chain',
  'electric rewind',
  'mains',
  'none',
] as const;
export type Drive = (typeof DRIVES)[number];

export const CONSTRUCTIONS = ['pinned or screwed plates', 'riveted plates', 'sealed motor'] as const;
export const OSCILLATORS = ['pendulum', 'torsion pendulum', 'balance', 'mains frequency'] as const;
export const ESCAPEMENTS = ['recoil', 'dead-beat', 'lever', 'pin-pallet', 'verge', 'none'] as const;
export const STRIKES = ['none', 'count wheel', 'rack', 'ship bells'] as const;

export const FITTINGS = [
  'crutch',
  'suspension spring',
  'torsion strip',
  'platform',
  'hairspring',
  'cone pivots',
  'lantern pinions',
  'stop work',
  'maintaining power',
  'fusee chain',
  'pulleys',
  'chime drum',
  'selector lever',
  'moon work',
  'calendar work',
  'repeater',
  'coil',
  'contacts',
  'rotor',
  'print work',
  'recording drum',
  'dome',
  'lacquered plates',
  'bellows',
  'wooden arbors',
  'mains cord',
  'luminous paint',
  'mercury pendulum',
] as const;
export type Fitting = (typeof FITTINGS)[number];

/** How far from the power an arbor turns: it decides play, oil and care. */
export const ARBOR_CLASSES = ['barrel', 'train', 'late train', 'escape', 'pallet', 'fly', 'lever', 'balance'] as const;
export type ArborClass = (typeof ARBOR_CLASSES)[number];

export interface Arbor {
  /** Stable within the movement, written as the bench says it: T1, S4, C6. */
  id: string;
  name: string;
  class: ArborClass;
}

export interface Train {
  train: TrainKey;
  drive: Drive;
  arbors: Arbor[];
}

export interface Traits {
  trains: Train[];
  construction: (typeof CONSTRUCTIONS)[number];
  oscillator: (typeof OSCILLATORS)[number];
  escapement: (typeof ESCAPEMENTS)[number];
  strike: (typeof STRIKES)[number];
  fittings: Fitting[];
  /** How long a full wind is meant to last, in hours; absent where nothing is wound. */
  windHours?: number;
}

/** Whether the movement has a fitting. */
export const has = (traits: Traits, fitting: Fitting): boolean => traits.fittings.includes(fitting);

const STORED: readonly Drive[] = [
  'open spring',
  'barrel spring',
  'fusee spring',
  'weight on line',
  'weight on endless chain',
  'electric rewind',
];

/** Trains that can hold power while the plates are opened, each with its own power state. */
export const poweredTrains = (traits: Traits): Train[] => traits.trains.filter((t) => STORED.includes(t.drive));

const SPRINGS: readonly Drive[] = ['open spring', 'barrel spring', 'fusee spring'];
/** Driven by a spring of any kind. */
export const isSpring = (drive: Drive): boolean => SPRINGS.includes(drive);
/** Driven by a weight of any kind. */
export const isWeight = (drive: Drive): boolean => drive === 'weight on line' || drive === 'weight on endless chain';
/** Whether any train is driven so. */
export const drivenBy = (traits: Traits, test: (drive: Drive) => boolean): boolean =>
  traits.trains.some((t) => test(t.drive));

export const PLATES = ['front', 'back'] as const;
export type Plate = (typeof PLATES)[number];

export interface Hole {
  /** `T3.front`: the arbor and the plate. */
  key: HoleKey;
  arbor: Arbor;
  train: TrainKey;
  plate: Plate;
}

/** `T2.back`: the arbor's id and the plate. Stable within the movement, and never used again for another hole. */
export type HoleKey = `${string}.${Plate}`;
/** The key of a hole: its arbor and its plate. */
export const holeKey = (arborId: string, plate: Plate): HoleKey => `${arborId}.${plate}`;
/** The arbor and the plate that a key names; null for text that is no key. */
export function parseHoleKey(key: string): { arborId: string; plate: Plate } | null {
  const dot = key.lastIndexOf('.');
  const plate = PLATES.find((p) => p === key.slice(dot + 1));
  return dot > 0 && plate ? { arborId: key.slice(0, dot), plate } : null;
}

/** Every pivot hole of the movement, in the order of work: one train after another, front and back of each arbor. */
export function holesOf(traits: Traits): Hole[] {
  return traits.trains.flatMap(({ train, arbors }) =>
    arbors.flatMap((arbor) => PLATES.map((plate) => ({ key: holeKey(arbor.id, plate), arbor, train, plate }))),
  );
}
