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
    id: 'shelf-rack',
    name: 'Shelf or mantel clock, open springs, rack striking',
    special: 'Open springs flail: clamp them. Rack and snail stay dry.',
    traits: {
      trains: [
        { train: 'going', drive: 'open spring', arbors: ARBORS.goingSpring8Day },
        { train: 'strike', drive: 'open spring', arbors: ARBORS.strikeSpring },
      ],
      construction: plates,
      oscillator: 'pendulum',
      escapement: 'recoil',
      strike: 'rack',
      fittings: ['crutch', 'suspension spring', 'lantern pinions'],
      windHours: 192,
    },
  },
  {
    id: 'month-wall',
    name: 'Wall clock that goes a month',
    special: 'Strong springs and one wheel more: little reaches the escapement, so that any drag stops it.',
    traits: {
      trains: [
        { train: 'going', drive: 'barrel spring', arbors: ARBORS.goingMonth },
        { train: 'strike', drive: 'barrel spring', arbors: ARBORS.strikeSpring },
      ],
      construction: plates,
      oscillator: 'pendulum',
      escapement: 'recoil',
      strike: 'count wheel',
      fittings: ['crutch', 'suspension spring'],
      windHours: 744,
    },
  },
  {
    id: 'three-weights',
    name: 'Three-weight quarter clock',
    special: 'Weights are not alike: note which hangs where. The chime lets off the strike.',
    traits: {
      trains: [
        { train: 'going', drive: 'weight on line', arbors: ARBORS.goingWeight8Day },
        { train: 'strike', drive: 'weight on line', arbors: ARBORS.strikeWeight8Day },
        { train: 'chime', drive: 'weight on line', arbors: ARBORS.chime },
      ],
      construction: plates,
      oscillator: 'pendulum',
      escapement: 'dead-beat',
      strike: 'rack',
      fittings: ['crutch', 'suspension spring', 'pulleys', 'chime drum', 'selector lever'],
      windHours: 192,
    },
  },
  {
    id: 'regulator',
    name: 'Weight regulator',
    special: 'Judged in fractions of a second: level, case and wall count as much as the movement.',
    traits: {
      trains: [{ train: 'going', drive: 'weight on line', arbors: ARBORS.goingWeight8Day }],
      construction: plates,
      oscillator: 'pendulum',
      escapement: 'dead-beat',
      strike: 'none',
      fittings: ['crutch', 'suspension spring', 'pulleys', 'maintaining power'],
      windHours: 192,
    },
  },
  {
    id: 'bird',
    name: 'Chain-driven bird clock',
    special: 'Bellows and wooden arbors are never wetted or oiled. Each train has a chain of its own.',
    traits: {
      trains: [
        { train: 'going', drive: 'weight on endless chain', arbors: ARBORS.goingWeight30Hour },
        { train: 'strike', drive: 'weight on endless chain', arbors: ARBORS.strikeWeight30Hour },
      ],
      construction: plates,
      oscillator: 'pendulum',
      escapement: 'recoil',
      strike: 'count wheel',
      fittings: ['crutch', 'lantern pinions', 'bellows'],
      windHours: 30,
    },
  },
  {
    id: 'ships-bells',
    name: 'Ship’s clock striking bells',
    special: 'Bells go in pairs by the watch, eight at four, eight and twelve. They have a spring of their own.',
    traits: {
      trains: [
        { train: 'going', drive: 'barrel spring', arbors: ARBORS.platform },
        { train: 'strike', drive: 'barrel spring', arbors: ARBORS.strikeSpring },
      ],
      construction: plates,
      oscillator: 'balance',
      escapement: 'lever',
      strike: 'ship bells',
      fittings: ['platform', 'hairspring'],
      windHours: 192,
    },
  },
  {
    id: 'travelling-strike',
    name: 'Travelling clock with strike, alarm and repeat',
    special: 'Three springs. Repeat work and alarm lie under the dial: most trouble there needs no plates.',
    traits: {
      trains: [
        { train: 'going', drive: 'barrel spring', arbors: ARBORS.platform },
        { train: 'strike', drive: 'barrel spring', arbors: ARBORS.strikeSpring },
        { train: 'alarm', drive: 'barrel spring', arbors: ARBORS.alarm },
      ],
      construction: plates,
      oscillator: 'balance',
      escapement: 'lever',
      strike: 'rack',
      fittings: ['platform', 'hairspring', 'repeater'],
      windHours: 192,
    },
  },
  {
    id: 'fusee-balance',
    name: 'Fusee table clock with balance, alarm and repeat',
    special: 'The contrate wheel runs true, or it sticks. Count the set-up turns of both fusees.',
    traits: {
      trains: [
        { train: 'going', drive: 'fusee spring', arbors: ARBORS.fuseeBalance },
        { train: 'strike', drive: 'fusee spring', arbors: ARBORS.strikeWeight8Day },
        { train: 'alarm', drive: 'barrel spring', arbors: ARBORS.alarm },
      ],
      construction: plates,
      oscillator: 'balance',
      escapement: 'lever',
      strike: 'rack',
      fittings: ['hairspring', 'fusee chain', 'stop work', 'maintaining power', 'repeater'],
      windHours: 192,
    },
  },
  {
    id: 'verge',
    name: 'Verge bracket clock',
    special: 'The verge takes nearly all its wear at the pallets; the contrate wheel’s depth is set by its end shake.',
    traits: {
      trains: [
        { train: 'going', drive: 'fusee spring', arbors: ARBORS.verge },
        { train: 'strike', drive: 'fusee spring', arbors: ARBORS.strikeWeight8Day },
      ],
      construction: plates,
      oscillator: 'pendulum',
      escapement: 'verge',
      strike: 'rack',
      fittings: ['fusee chain', 'stop work', 'repeater'],
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
