import { drivenBy, has, isSpring, type Traits } from '../movement/index.ts';
import type { SymptomId } from './symptoms.ts';

/** How often a symptom shows when the cause is there. Starting values, practice: H about 0.8, M 0.4, L 0.1. */
export const LIKELIHOOD = { H: 0.8, M: 0.4, L: 0.1 } as const;
/** How often a clock that comes in has the cause. House rule. */
export const PRIOR = { common: 0.15, usual: 0.05, rare: 0.01 } as const;

/** How far the clock must be taken down for a look. */
export const LEVELS = ['watch and listen', 'hands or dial off', 'movement out', 'power down and plates apart'] as const;

export interface Cause {
  id: string;
  name: string;
  prior: keyof typeof PRIOR;
  applies: (t: Traits) => boolean;
  shows: Partial<Record<SymptomId, keyof typeof LIKELIHOOD>>;
  look: { what: string; minutes: number; level: 0 | 1 | 2 | 3 };
  remedy: string;
}

const every = () => true;
const mechanical = (t: Traits) => t.oscillator !== 'mains frequency';
const springs = (t: Traits) => drivenBy(t, isSpring);
const pendulum = (t: Traits) => t.oscillator === 'pendulum';
const torsion = (t: Traits) => t.oscillator === 'torsion pendulum';
const balance = (t: Traits) => t.oscillator === 'balance';
const escapement = (t: Traits) => t.escapement !== 'none';

/** Practice throughout. */
export const CAUSES: readonly Cause[] = [
  { id: 'gummed-mainspring', name: 'Gummed mainspring', prior: 'common', applies: springs,
    shows: { 'stops-hours': 'M', 'stops-late': 'H', 'small-swing': 'M', dead: 'L' },
    look: { what: 'Let down: does it open evenly?', minutes: 10, level: 2 }, remedy: 'Out, clean, grease' },
  { id: 'set-mainspring', name: 'Tired (set) or wrong mainspring', prior: 'usual', applies: springs,
    shows: { 'stops-late': 'H', 'small-swing': 'M', dead: 'L' },
    look: { what: 'Measure free diameter and strength', minutes: 15, level: 3 }, remedy: 'Replace with the same width and strength, filling half the free area' },
  { id: 'broken-mainspring', name: 'Broken mainspring, hook or click', prior: 'usual', applies: springs,
    shows: { dead: 'H' },
    look: { what: 'Wind: is there any resistance?', minutes: 1, level: 0 }, remedy: 'Replace; check the first wheel for damage' },
  { id: 'dirty-pivots', name: 'Dirty or dry pivots and holes', prior: 'common', applies: every,
    shows: { dead: 'M', 'stops-hours': 'M', 'small-swing': 'M', 'rate-wanders': 'M' },
    look: { what: 'Is the oil at the sinks black or gone?', minutes: 2, level: 1 }, remedy: 'Strip and clean' },
  { id: 'worn-hole', name: 'Worn, oval hole', prior: 'common', applies: every,
    shows: { 'stops-hours': 'M', 'rate-wanders': 'M', 'misses-strike': 'M', dead: 'L' },
    look: { what: 'Lean of the arbors, power on and off', minutes: 5, level: 2 }, remedy: 'Bush' },
  { id: 'worn-pivot', name: 'Worn or scored pivot', prior: 'usual', applies: every,
    shows: { dead: 'M', 'small-swing': 'M', 'stops-hours': 'M' },
    look: { what: 'Black pivot will not draw out; loupe', minutes: 10, level: 3 }, remedy: 'Turn down, burnish, bush to suit' },
  { id: 'bent-pivot', name: 'Bent pivot or wheel not true', prior: 'rare', applies: every,
    shows: { 'stops-place': 'H', 'rate-wanders': 'M' },
    look: { what: 'Spin it alone between the plates', minutes: 5, level: 3 }, remedy: 'Straighten or re-pivot' },
  { id: 'bent-tooth', name: 'Bent or broken tooth', prior: 'usual', applies: every,
    shows: { 'stops-place': 'H', 'wrong-random': 'L' },
    look: { what: 'Eye on each wheel in turn', minutes: 5, level: 2 }, remedy: 'Straighten gently, or re-tooth' },
  { id: 'grooved-trundles', name: 'Grooved trundles of a lantern pinion', prior: 'usual', applies: (t) => has(t, 'lantern pinions'),
    shows: { 'misses-strike': 'H', 'stops-hours': 'M' },
    look: { what: 'Feel the fly run down', minutes: 5, level: 2 }, remedy: 'Turn or replace the trundles, or a donor arbor' },
  { id: 'no-end-shake', name: 'No end shake, or a tight bush', prior: 'usual', applies: every,
    shows: { dead: 'M', 'stops-hours': 'M', 'small-swing': 'M' },
    look: { what: 'Lift each arbor', minutes: 5, level: 2 }, remedy: 'Ease it; check for a longer pillar spacing' },
  { id: 'too-much-oil', name: 'Too much oil, migrated', prior: 'common', applies: mechanical,
    shows: { 'small-swing': 'H', 'rate-wanders': 'M', gains: 'H', loses: 'L' },
    look: { what: 'Shine between the coils, wet pinions', minutes: 1, level: 1 }, remedy: 'Degrease escapement and spring; strip if it is everywhere' },
  { id: 'dip-residue', name: 'Cleaner residue from a dip', prior: 'usual', applies: mechanical,
    shows: { 'stops-late': 'H', 'misses-strike': 'M', 'small-swing': 'M' },
    look: { what: 'Sticky green film in pinions and barrels, soon after an “overhaul”', minutes: 2, level: 1 }, remedy: 'Full strip; no guarantee otherwise' },
  { id: 'not-level', name: 'Not level', prior: 'common', applies: (t) => pendulum(t) || torsion(t),
    shows: { 'bench-not-case': 'H', 'uneven-beat': 'H', 'torsion-touches': 'H' },
    look: { what: 'Level on the shelf', minutes: 1, level: 0 }, remedy: 'Level, then set the beat' },
  { id: 'out-of-beat', name: 'Out of beat', prior: 'common', applies: pendulum,
    shows: { 'uneven-beat': 'H', 'stops-hours': 'H' },
    look: { what: 'Listen: is tick to tock as long as tock to tick?', minutes: 1, level: 0 }, remedy: 'Set the crutch' },
  { id: 'loose-case', name: 'Loose case, seatboard or movement screws', prior: 'usual', applies: pendulum,
    shows: { 'bench-not-case': 'H', 'small-swing': 'M', 'rate-wanders': 'M' },
    look: { what: 'A hand on the case: does it sway?', minutes: 1, level: 0 }, remedy: 'Glue, screw, fix to the wall' },
  { id: 'crutch-loop', name: 'Crutch loop too free, tight or dry', prior: 'usual', applies: (t) => has(t, 'crutch'),
    shows: { 'small-swing': 'H', 'stops-hours': 'M' },
    look: { what: 'Watch the loop', minutes: 2, level: 1 }, remedy: 'Close or ease it; a trace of oil' },
  { id: 'suspension', name: 'Suspension damaged, wrong or missing', prior: 'usual', applies: (t) => pendulum(t) || torsion(t),
    shows: { dead: 'H', 'rate-wanders': 'M', 'small-swing': 'M' },
    look: { what: 'Eye on the suspension', minutes: 1, level: 1 }, remedy: 'Replace; for torsion compute the strength' },
  { id: 'pallets', name: 'Pallets worn or depth wrong', prior: 'usual', applies: escapement,
    shows: { 'small-swing': 'M', 'stops-hours': 'M', 'torsion-flutters': 'H' },
    look: { what: 'Lock and drop on each tooth', minutes: 5, level: 2 }, remedy: 'Resurface, set the depth' },
  { id: 'hairspring', name: 'Hairspring coils stuck, touching or mispinned', prior: 'usual', applies: balance,
    shows: { gains: 'H', loses: 'L', 'small-swing': 'M' },
    look: { what: 'Eye on the coils, from the side', minutes: 2, level: 1 }, remedy: 'Clean, level, centre' },
  { id: 'collet', name: 'Collet cracked, or balance and spring from another', prior: 'rare', applies: balance,
    shows: { 'rate-wanders': 'M', 'loses-unregulated': 'M' },
    look: { what: 'Serial numbers; loupe on the collet', minutes: 3, level: 1 }, remedy: 'Record; replace only if it fails or the owner wants it' },
];

/** A symptom that only some movements can show, given traits of the cause's table. */
const SHOWN_ONLY: Partial<Record<SymptomId, (t: Traits) => boolean>> = {
  'torsion-touches': torsion, 'torsion-flutters': torsion, 'uneven-beat': pendulum,
  'misses-strike': (t) => t.strike !== 'none', 'wrong-random': (t) => t.strike !== 'none', 'no-strike': (t) => t.strike !== 'none',
};

export const canShow = (traits: Traits, symptom: SymptomId): boolean => SHOWN_ONLY[symptom]?.(traits) ?? true;

/** On a balance the coils cling and it gains; a pendulum has none, so the oil cannot show that way. */
export function likelihood(cause: Cause, symptom: SymptomId, traits: Traits): number {
  if (!canShow(traits, symptom)) return 0;
  if (cause.id === 'too-much-oil' && !balance(traits) && (symptom === 'gains' || symptom === 'loses' || symptom === 'small-swing'))
    return symptom === 'small-swing' ? LIKELIHOOD.L : 0;
  const grade = cause.shows[symptom];
  return grade ? LIKELIHOOD[grade] : 0;
}
