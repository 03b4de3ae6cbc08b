import { Outside } from '../units/index.ts';
import { ARBORS } from './arbors.ts';
import type { Traits } from './traits.ts';

/** A family is a named template: it fills in the traits once, and each movement may differ from then on. */
export interface Family {
  id: string;
  name: string;
  special: string;
  traits: Traits;
}

const plates = 'pinned or screwed plates' as const;

export const FAMILIES: readonly Family[] = [
  {
    id: 'shelf-open-springs',
    name: 'Shelf or mantel clock, open springs',
    special: 'Open springs flail: clamp them. A limp case swallows the pendulum’s energy.',
    traits: {
      trains: [
        { train: 'going', drive: 'open spring', arbors: ARBORS.goingSpring8Day },
        { train: 'strike', drive: 'open spring', arbors: ARBORS.strikeSpring },
      ],
      construction: plates,
      oscillator: 'pendulum',
      escapement: 'recoil',
      strike: 'count wheel',
      fittings: ['crutch', 'suspension spring', 'lantern pinions'],
      windHours: 192,
    },
  },
  {
    id: 'mantel-barrels',
    name: 'Mantel or bracket clock, going barrels',
    special: 'Barrels are opened only with a winder. Rack and snail stay dry.',
    traits: {
      trains: [
        { train: 'going', drive: 'barrel spring', arbors: ARBORS.goingSpring8Day },
        { train: 'strike', drive: 'barrel spring', arbors: ARBORS.strikeSpring },
      ],
      construction: plates,
      oscillator: 'pendulum',
      escapement: 'recoil',
      strike: 'rack',
      fittings: ['crutch', 'suspension spring'],
      windHours: 192,
    },
  },
  {
    id: 'weight-shelf',
    name: 'Weight shelf clock',
    special: 'Weights and bob off for moving. A thin painted dial flakes if its screws are tightened.',
    traits: {
      trains: [
        { train: 'going', drive: 'weight on line', arbors: ARBORS.goingShelf30Hour },
        { train: 'strike', drive: 'weight on line', arbors: ARBORS.strikeWeight8Day },
      ],
      construction: plates,
      oscillator: 'pendulum',
      escapement: 'recoil',
      strike: 'count wheel',
      fittings: ['crutch', 'suspension spring', 'lantern pinions', 'pulleys'],
      windHours: 30,
    },
  },
  {
    id: 'longcase',
    name: 'Longcase clock',
    special: 'Tall case fixed to the wall; weights marked left and right.',
    traits: {
      trains: [
        { train: 'going', drive: 'weight on line', arbors: ARBORS.goingWeight8Day },
        { train: 'strike', drive: 'weight on line', arbors: ARBORS.strikeWeight8Day },
      ],
      construction: plates,
      oscillator: 'pendulum',
      escapement: 'recoil',
      strike: 'rack',
      fittings: ['crutch', 'suspension spring', 'pulleys'],
      windHours: 192,
    },
  },
  {
    id: 'quarter-chime',
    name: 'Three-train quarter clock',
    special: 'Only a tune that uses every hammer tests them all.',
    traits: {
      trains: [
        { train: 'going', drive: 'barrel spring', arbors: ARBORS.goingSpring8Day },
        { train: 'strike', drive: 'barrel spring', arbors: ARBORS.strikeSpring },
        { train: 'chime', drive: 'barrel spring', arbors: ARBORS.chime },
      ],
      construction: plates,
      oscillator: 'pendulum',
      escapement: 'recoil',
      strike: 'rack',
      fittings: ['crutch', 'suspension spring', 'chime drum', 'selector lever'],
      windHours: 192,
    },
  },
  {
    id: 'torsion',
    name: 'Torsion pendulum clock',
    special: 'The strip’s strength decides the rate. Only a whisper of power reaches the escapement: full power-down.',
    traits: {
      trains: [{ train: 'going', drive: 'barrel spring', arbors: ARBORS.torsion }],
      construction: plates,
      oscillator: 'torsion pendulum',
      escapement: 'dead-beat',
      strike: 'none',
      fittings: ['torsion strip', 'dome', 'lacquered plates'],
      windHours: 9600,
    },
  },
  {
    id: 'lever-platform',
    name: 'Balance clock with lever platform',
    special: 'Amplitude, beat error and rate by sound. Never oil on the hairspring.',
    traits: {
      trains: [{ train: 'going', drive: 'barrel spring', arbors: ARBORS.platform }],
      construction: plates,
      oscillator: 'balance',
      escapement: 'lever',
      strike: 'none',
      fittings: ['platform', 'hairspring'],
      windHours: 192,
    },
  },
  {
    id: 'riveted-alarm',
    name: 'Riveted alarm clock',
    special: 'Does not come apart: cleaned and oiled whole.',
    traits: {
      trains: [
        { train: 'going', drive: 'open spring', arbors: ARBORS.platform.slice(0, 3).concat(ARBORS.platform.slice(4)) },
        { train: 'alarm', drive: 'open spring', arbors: ARBORS.alarm },
      ],
      construction: 'riveted plates',
      oscillator: 'balance',
      escapement: 'pin-pallet',
      strike: 'none',
      fittings: ['cone pivots', 'hairspring'],
      windHours: 30,
    },
  },
  {
    id: 'fusee',
    name: 'Fusee clock',
    special: 'Count the set-up turns out and put them back. Never unhook a loaded chain.',
    traits: {
      trains: [{ train: 'going', drive: 'fusee spring', arbors: ARBORS.goingWeight8Day }],
      construction: plates,
      oscillator: 'pendulum',
      escapement: 'recoil',
      strike: 'none',
      fittings: ['crutch', 'suspension spring', 'fusee chain', 'stop work', 'maintaining power'],
      windHours: 192,
    },
  },
  {
    id: 'electric-master',
    name: 'Electrically wound or master clock',
    special: 'Limit the current, suppress the coil, and never wire for more than it needs.',
    traits: {
      trains: [{ train: 'going', drive: 'electric rewind', arbors: ARBORS.electricPendulum }],
      construction: plates,
      oscillator: 'pendulum',
      escapement: 'dead-beat',
      strike: 'none',
      fittings: ['crutch', 'suspension spring', 'coil', 'contacts'],
    },
  },
  {
    id: 'synchronous',
    name: 'Synchronous mains clock',
    special: 'Mains hazard. The frequency of the supply is its only standard.',
    traits: {
      trains: [{ train: 'going', drive: 'mains', arbors: ARBORS.synchronous }],
      construction: 'sealed motor',
      oscillator: 'mains frequency',
      escapement: 'none',
      strike: 'none',
      fittings: ['coil', 'rotor', 'mains cord'],
    },
  },
  {
    id: 'recorder',
    name: 'Recorder or instrument',
    special: 'Day and week work is tripped every twelve hours; long rods and bevels must run free.',
    traits: {
      trains: [{ train: 'going', drive: 'fusee spring', arbors: ARBORS.recorder }],
      construction: plates,
      oscillator: 'pendulum',
      escapement: 'dead-beat',
      strike: 'none',
      fittings: ['crutch', 'suspension spring', 'fusee chain', 'print work'],
      windHours: 192,
    },
  },
];

/** @throws Outside for an id that is not in the table */
export function familyById(id: string): Family {
  const family = FAMILIES.find((f) => f.id === id);
  if (!family) throw new Outside('familyId', `There is no family "${id}".`);
  return family;
}
