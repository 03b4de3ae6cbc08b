/** The traits from which survey, oil chart, cautions and faults follow. The family name never decides anything. */

/** What a train does. A movement may have two of one purpose: each has an id of its own. */
export const PURPOSES = ['going', 'strike', 'chime', 'alarm', 'music', 'print', 'figure'] as const;
export type Purpose = (typeof PURPOSES)[number];

/** What gives the power. A source may drive several trains, or none of those that are described. */
export const SOURCE_KINDS = [
  'open spring',
  'barrel spring',
  'fusee spring',
  'weight on line',
  'weight on cable',
  'weight on chain',
  'weight on endless chain',
  'weight on endless rope',
  'electric rewind',
  'electric impulse',
  'mains motor',
] as const;
export type SourceKind = (typeof SOURCE_KINDS)[number];

/** What is looked for on a movement and may not be there: its absence is a fact too. */
export const ABSENT = ["maker's name", 'serial number', 'date', "earlier repairer's mark"] as const;
export type Absent = (typeof ABSENT)[number];

export const CONSTRUCTIONS = ['pinned or screwed plates', 'riveted plates', 'sealed motor'] as const;
export const OSCILLATORS = [
  'pendulum',
  'torsion pendulum',
  'balance',
  'mains frequency',
  'pulses of a master',
] as const;
export const ESCAPEMENTS = ['recoil', 'dead-beat', 'lever', 'pin-pallet', 'verge', 'cylinder', 'none'] as const;
export const STRIKES = ['none', 'count wheel', 'rack', 'ship bells'] as const;
/** What holds a striking train still at lock. */
export const LOCKS_AT = ['warning wheel', 'locking wheel', 'hoop wheel', 'gathering pallet'] as const;

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
  'floating balance',
  'toggle',
  'visible escapement',
  'jewelled pallets',
  'moving figure',
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

export interface PowerSource {
  /** Stable within the movement, and never used again for another. */
  id: string;
  kind: SourceKind;
  /** What tells it from the others; empty: what it drives says it. */
  name: string;
}

export interface Train {
  /** Stable within the movement, and never used again for another; of a template it is the purpose. */
  id: string;
  purpose: Purpose;
  /** What it is called here where its purpose does not say it; empty: its purpose. */
  name: string;
  /** The source that drives it; null: none of its own, it is let off or turned by another. */
  source: string | null;
  arbors: Arbor[];
}

export interface Traits {
  sources: PowerSource[];
  trains: Train[];
  construction: (typeof CONSTRUCTIONS)[number];
  oscillator: (typeof OSCILLATORS)[number];
  escapement: (typeof ESCAPEMENTS)[number];
  strike: (typeof STRIKES)[number];
  fittings: Fitting[];
  /** How long a full wind is meant to last, in hours; absent where nothing is wound. */
  windHours?: number;
  /** Where the strike is held at lock; absent where nobody has looked. */
  locksAt?: (typeof LOCKS_AT)[number];
}

/** Whether something in it beats: it is not driven by the mains, nor stepped by another clock. */
export const beats = (traits: Pick<Traits, 'oscillator'>): boolean =>
  traits.oscillator !== 'mains frequency' && traits.oscillator !== 'pulses of a master';

/** Whether the movement has a fitting. */
export const has = (traits: Traits, fitting: Fitting): boolean => traits.fittings.includes(fitting);

/** What the bench calls a train: its name here, or its purpose. */
export const trainName = (train: Train): string => train.name || train.purpose;
/** Whether any train serves this purpose. */
export const hasTrain = (traits: Traits, purpose: Purpose): boolean => traits.trains.some((t) => t.purpose === purpose);
/** The trains that a source drives. */
export const trainsOf = (traits: Traits, source: PowerSource): Train[] =>
  traits.trains.filter((t) => t.source === source.id);
/** The source that drives a train, or undefined. */
export const sourceOf = (traits: Traits, train: Train): PowerSource | undefined =>
  traits.sources.find((s) => s.id === train.source);

/** What the bench calls a source: its name, or the trains that it drives, or what it is. */
export const sourceName = (traits: Traits, source: PowerSource): string =>
  source.name || trainsOf(traits, source).map(trainName).join(' and ') || source.kind;

const SPRINGS: readonly SourceKind[] = ['open spring', 'barrel spring', 'fusee spring'];
const WEIGHTS: readonly SourceKind[] = SOURCE_KINDS.filter((k) => k.startsWith('weight'));
/** A spring of any kind. */
export const isSpring = (kind: SourceKind): boolean => SPRINGS.includes(kind);
/** A weight of any kind. */
export const isWeight = (kind: SourceKind): boolean => WEIGHTS.includes(kind);
/** Something in it is fed from the mains: a motor, or no more than a cord. */
export const onMains = (t: Traits): boolean => has(t, 'mains cord') || drivenBy(t, isMains);
/** Whether it can hold power while the plates are opened, and so has a power state. */
/** A motor that runs from the mains: it stores nothing, and its supply can kill. */
export const isMains = (kind: SourceKind): boolean => kind === 'mains motor';
export const isStored = (kind: SourceKind): boolean => isSpring(kind) || isWeight(kind) || kind === 'electric rewind';
/** The sources that have a power state, in the order of the description. */
export const storedSources = (traits: Traits): PowerSource[] => traits.sources.filter((s) => isStored(s.kind));
/** Whether any source is of such a kind. */
export const drivenBy = (traits: Traits, test: (kind: SourceKind) => boolean): boolean =>
  traits.sources.some((s) => test(s.kind));

export const PLATES = ['front', 'back'] as const;
export type Plate = (typeof PLATES)[number];

export interface Hole {
  /** `T3.front`: the arbor and the plate. */
  key: HoleKey;
  arbor: Arbor;
  train: Train;
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

/** A hole in words: "T2 centre wheel, back plate". */
export const holeName = ({ arbor, plate }: Hole): string => `${arbor.id} ${arbor.name}, ${plate} plate`;

/** Every pivot hole of the movement, in the order of work: one train after another, front and back of each arbor. */
export function holesOf(traits: Traits): Hole[] {
  return traits.trains.flatMap((train) =>
    train.arbors.flatMap((arbor) => PLATES.map((plate) => ({ key: holeKey(arbor.id, plate), arbor, train, plate }))),
  );
}
