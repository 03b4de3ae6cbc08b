import { Outside } from '../units/index.ts';
import { ARBORS, USUAL_ARBORS } from './arbors.ts';
import type { Arbor, PowerSource, Purpose, SourceKind, Train, Traits } from './traits.ts';

/** A family is a named template: it fills in the traits once, and each movement may differ from then on. */
export interface Family {
  id: string;
  name: string;
  special: string;
  traits: Traits;
}

const plates = 'pinned or screwed plates' as const;

const trainOf = (purpose: Purpose, source: string | null, arbors: readonly Arbor[]): Train => ({
  id: purpose,
  purpose,
  name: '',
  source,
  arbors: [...arbors],
});
type Drive = Pick<Traits, 'sources' | 'trains'>;
/** Each train with a source of its own, which is called as the train is. */
const each = (...rows: readonly (readonly [Purpose, SourceKind, readonly Arbor[]])[]): Drive => ({
  sources: rows.map(([id, kind]): PowerSource => ({ id, kind, name: '' })),
  trains: rows.map(([purpose, , arbors]) => trainOf(purpose, purpose, arbors)),
});
/** One source that drives them all. */
const one = (kind: SourceKind, ...rows: readonly (readonly [Purpose, readonly Arbor[]])[]): Drive => ({
  sources: [{ id: 'all', kind, name: '' }],
  trains: rows.map(([purpose, arbors]) => trainOf(purpose, 'all', arbors)),
});

export const FAMILIES: readonly Family[] = [
  {
    id: 'shelf-open-springs',
    name: 'Shelf or mantel clock, open springs',
    special: 'Open springs flail: clamp them. A limp case swallows the pendulum’s energy.',
    traits: {
      ...each(['going', 'open spring', ARBORS.goingSpring8Day], ['strike', 'open spring', ARBORS.strikeSpring]),
      construction: plates,
      oscillator: 'pendulum',
      escapement: 'recoil',
      strike: 'count wheel',
      fittings: ['crutch', 'suspension spring', 'lantern pinions'],
      locksAt: 'warning wheel',
      windHours: 192,
    },
  },
  {
    id: 'mantel-barrels',
    name: 'Mantel or bracket clock, going barrels',
    special: 'Barrels are opened only with a winder. Rack and snail stay dry.',
    traits: {
      ...each(['going', 'barrel spring', ARBORS.goingSpring8Day], ['strike', 'barrel spring', ARBORS.strikeSpring]),
      construction: plates,
      oscillator: 'pendulum',
      escapement: 'recoil',
      strike: 'rack',
      fittings: ['crutch', 'suspension spring'],
      locksAt: 'gathering pallet',
      windHours: 192,
    },
  },
  {
    id: 'weight-shelf',
    name: 'Weight shelf clock',
    special: 'Weights and bob off for moving. A thin painted dial flakes if its screws are tightened.',
    traits: {
      ...each(
        ['going', 'weight on line', ARBORS.goingShelf30Hour],
        ['strike', 'weight on line', ARBORS.strikeWeight8Day],
      ),
      construction: plates,
      oscillator: 'pendulum',
      escapement: 'recoil',
      strike: 'count wheel',
      fittings: ['crutch', 'suspension spring', 'lantern pinions', 'pulleys'],
      locksAt: 'warning wheel',
      windHours: 30,
    },
  },
  {
    id: 'longcase',
    name: 'Longcase clock',
    special: 'Tall case fixed to the wall; weights marked left and right.',
    traits: {
      ...each(
        ['going', 'weight on line', ARBORS.goingWeight8Day],
        ['strike', 'weight on line', ARBORS.strikeWeight8Day],
      ),
      construction: plates,
      oscillator: 'pendulum',
      escapement: 'recoil',
      strike: 'rack',
      fittings: ['crutch', 'suspension spring', 'pulleys'],
      locksAt: 'gathering pallet',
      windHours: 192,
    },
  },
  {
    id: 'longcase-30-hour',
    name: 'Thirty-hour longcase clock, one weight',
    special: 'One weight on an endless chain drives both trains, and goes on driving while it is wound.',
    traits: {
      ...one('weight on endless chain', ['going', ARBORS.goingWeight30Hour], ['strike', ARBORS.strikeWeight30Hour]),
      construction: plates,
      oscillator: 'pendulum',
      escapement: 'recoil',
      strike: 'count wheel',
      fittings: ['crutch', 'suspension spring', 'pulleys'],
      locksAt: 'hoop wheel',
      windHours: 30,
    },
  },
  {
    id: 'quarter-chime',
    name: 'Three-train quarter clock',
    special: 'Only a tune that uses every hammer tests them all.',
    traits: {
      ...each(
        ['going', 'barrel spring', ARBORS.goingSpring8Day],
        ['strike', 'barrel spring', ARBORS.strikeSpring],
        ['chime', 'barrel spring', ARBORS.chime],
      ),
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
      ...each(['going', 'barrel spring', ARBORS.torsion]),
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
      ...each(['going', 'barrel spring', ARBORS.platform]),
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
      ...each(
        ['going', 'open spring', ARBORS.platform.slice(0, 3).concat(ARBORS.platform.slice(4))],
        ['alarm', 'open spring', ARBORS.alarm],
      ),
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
      ...each(['going', 'fusee spring', ARBORS.goingWeight8Day]),
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
      ...each(['going', 'open spring', ARBORS.goingSpring8Day], ['strike', 'open spring', ARBORS.strikeSpring]),
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
      ...each(['going', 'barrel spring', ARBORS.goingMonth], ['strike', 'barrel spring', ARBORS.strikeSpring]),
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
      ...each(
        ['going', 'weight on line', ARBORS.goingWeight8Day],
        ['strike', 'weight on line', ARBORS.strikeWeight8Day],
        ['chime', 'weight on line', ARBORS.chime],
      ),
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
      ...each(['going', 'weight on line', ARBORS.goingWeight8Day]),
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
      ...each(
        ['going', 'weight on chain', ARBORS.goingWeight30Hour],
        ['strike', 'weight on chain', ARBORS.strikeWeight30Hour],
      ),
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
      ...each(['going', 'barrel spring', ARBORS.platform], ['strike', 'barrel spring', ARBORS.strikeSpring]),
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
      ...each(
        ['going', 'barrel spring', ARBORS.platform],
        ['strike', 'barrel spring', ARBORS.strikeSpring],
        ['alarm', 'barrel spring', ARBORS.alarm],
      ),
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
      ...each(
        ['going', 'fusee spring', ARBORS.fuseeBalance],
        ['strike', 'fusee spring', ARBORS.strikeWeight8Day],
        ['alarm', 'barrel spring', ARBORS.alarm],
      ),
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
      ...each(['going', 'fusee spring', ARBORS.verge], ['strike', 'fusee spring', ARBORS.strikeWeight8Day]),
      construction: plates,
      oscillator: 'pendulum',
      escapement: 'verge',
      strike: 'rack',
      fittings: ['fusee chain', 'stop work', 'repeater'],
      windHours: 192,
    },
  },
  {
    id: 'shelf-alarm',
    name: 'Shelf clock, open springs, with alarm',
    special: 'Open springs flail: clamp them. The alarm has a spring of its own, often a small one.',
    traits: {
      ...each(
        ['going', 'open spring', ARBORS.goingSpring8Day],
        ['strike', 'open spring', ARBORS.strikeSpring],
        ['alarm', 'open spring', ARBORS.alarm],
      ),
      construction: plates,
      oscillator: 'pendulum',
      escapement: 'recoil',
      strike: 'count wheel',
      fittings: ['crutch', 'suspension spring', 'lantern pinions'],
      windHours: 192,
    },
  },
  {
    id: 'fortnight-wall',
    name: 'Wall clock that goes a fortnight',
    special: 'Wound every two weeks: it is tested over its whole wind.',
    traits: {
      ...each(['going', 'barrel spring', ARBORS.goingSpring8Day], ['strike', 'barrel spring', ARBORS.strikeSpring]),
      construction: plates,
      oscillator: 'pendulum',
      escapement: 'recoil',
      strike: 'count wheel',
      fittings: ['crutch', 'suspension spring'],
      windHours: 336,
    },
  },
  {
    id: 'visible-escapement',
    name: 'Mantel clock, escapement seen on the dial',
    special: 'Its stone pallets are set in shellac: no spirit, no ammonia, no heat.',
    traits: {
      ...each(['going', 'barrel spring', ARBORS.goingSpring8Day], ['strike', 'barrel spring', ARBORS.strikeSpring]),
      construction: plates,
      oscillator: 'pendulum',
      escapement: 'dead-beat',
      strike: 'rack',
      fittings: ['crutch', 'suspension spring', 'visible escapement'],
      windHours: 192,
    },
  },
  {
    id: 'cylinder-platform',
    name: 'Balance clock with cylinder platform',
    special:
      'The cylinder wears where the teeth run in it. Its swing is small and it is not held to a lever’s figures.',
    traits: {
      ...each(['going', 'barrel spring', ARBORS.cylinder]),
      construction: plates,
      oscillator: 'balance',
      escapement: 'cylinder',
      strike: 'none',
      fittings: ['platform', 'hairspring'],
      windHours: 192,
    },
  },
  {
    id: 'floating-balance',
    name: 'Clock with floating balance',
    special: 'The balance hangs in its own spring on a taut wire: the wire is never oiled, nor bent.',
    traits: {
      ...each(['going', 'barrel spring', ARBORS.floating], ['strike', 'barrel spring', ARBORS.strikeSpring]),
      construction: plates,
      oscillator: 'balance',
      escapement: 'pin-pallet',
      strike: 'rack',
      fittings: ['hairspring', 'floating balance'],
      windHours: 192,
    },
  },
  {
    id: 'musical',
    name: 'Musical clock',
    special: 'The pins of the music barrel bend at a touch: it is never turned backwards under its hammers.',
    traits: {
      ...each(
        ['going', 'fusee spring', ARBORS.goingWeight8Day],
        ['strike', 'fusee spring', ARBORS.strikeWeight8Day],
        ['music', 'fusee spring', USUAL_ARBORS.music],
      ),
      construction: plates,
      oscillator: 'pendulum',
      escapement: 'recoil',
      strike: 'rack',
      fittings: ['crutch', 'suspension spring', 'fusee chain', 'stop work', 'maintaining power', 'selector lever'],
      windHours: 192,
    },
  },
  {
    id: 'toggle',
    name: 'Battery clock, pendulum kept going by a coil',
    special:
      'A trailing toggle closes the contact when the swing has fallen: how many swings from one to the next tells.',
    traits: {
      ...each(['going', 'electric impulse', ARBORS.toggle]),
      construction: plates,
      oscillator: 'pendulum',
      escapement: 'none',
      strike: 'none',
      fittings: ['suspension spring', 'coil', 'contacts', 'toggle'],
    },
  },
  {
    id: 'slave-dial',
    name: 'Slave dial',
    special: 'It counts the pulses of a master clock: its current and which way round are given, never guessed.',
    traits: {
      ...each(['going', 'electric impulse', ARBORS.slaveDial]),
      construction: plates,
      oscillator: 'pulses of a master',
      escapement: 'none',
      strike: 'none',
      fittings: ['coil'],
    },
  },
  {
    id: 'electric-master',
    name: 'Electrically wound or master clock',
    special: 'Limit the current, suppress the coil, and never wire for more than it needs.',
    traits: {
      ...each(['going', 'electric rewind', ARBORS.electricPendulum]),
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
      ...each(['going', 'mains motor', ARBORS.synchronous]),
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
      ...each(['going', 'fusee spring', ARBORS.recorder]),
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
