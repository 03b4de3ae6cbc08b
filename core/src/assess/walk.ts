import { has, hasTrain, sourceName, storedSources, trainName, type Traits } from '../movement/index.ts';

export const PLACE_STATES = ['in order', 'finding', 'not looked at'] as const;
export type PlaceState = (typeof PLACE_STATES)[number];
export const AREAS = [
  'Case',
  'Glass',
  'Dial',
  'Hands',
  'Movement outside',
  'Power',
  'Trains',
  'Escapement',
  'Strike and chime',
  'Electrics',
] as const;
export type Area = (typeof AREAS)[number];

export interface Place {
  /** What it is called in a finding, and what its answer is stored by. */
  place: string;
  area: Area;
}

/** Areas that stay with the clock when another movement goes into it. */
const OF_THE_CASE: readonly Area[] = ['Case', 'Glass', 'Dial', 'Hands'];

/** Whether what was found at such a place is of the clock's case and dial, and not of the movement in it. */
export function isOfTheCase(place: string, traits: Traits): boolean {
  const known = walkOf(traits).find((p) => p.place === place);
  return known !== undefined && (OF_THE_CASE.includes(known.area) || place === 'pendulum');
}

/** The places of this clock in the order one walks it, from outside to inside. Practice. */
export function walkOf(traits: Traits): Place[] {
  const at = (area: Area, ...places: (string | false)[]): Place[] =>
    places.filter((p): p is string => p !== false).map((place) => ({ place, area }));
  const strikes = traits.strike !== 'none';
  const pendulum = traits.oscillator === 'pendulum';
  return [
    ...at(
      'Case',
      'case',
      'case back and door',
      pendulum && 'seat and fixing of the movement',
      has(traits, 'dome') && 'base and feet',
    ),
    ...at('Glass', has(traits, 'dome') ? 'dome' : 'glass'),
    ...at('Dial', 'dial', has(traits, 'moon work') && 'moon work', has(traits, 'calendar work') && 'calendar work'),
    ...at('Hands', 'hands'),
    ...at('Movement outside', 'plates', 'screws, nuts and pins', 'motion work', has(traits, 'platform') && 'platform'),
    ...at(
      'Power',
      ...storedSources(traits).map((s) => `${sourceName(traits, s)} power`),
      has(traits, 'fusee chain') && 'chain and fusee',
      has(traits, 'pulleys') && 'lines and pulleys',
      has(traits, 'stop work') && 'stop work',
    ),
    ...at(
      'Trains',
      ...traits.trains.flatMap((t) =>
        t.arbors
          .filter((a) => !['pallet', 'lever', 'balance'].includes(a.class))
          .map((a) => `${trainName(t)} train, ${a.name}`),
      ),
    ),
    ...at(
      'Escapement',
      traits.escapement !== 'none' && 'escapement',
      has(traits, 'crutch') && 'crutch',
      has(traits, 'suspension spring') && 'suspension',
      pendulum && 'pendulum',
      has(traits, 'torsion strip') && 'torsion strip and fork',
      has(traits, 'hairspring') && 'balance and hairspring',
    ),
    ...at(
      'Strike and chime',
      strikes && 'strike work',
      strikes && 'hammer and bell or gong',
      has(traits, 'chime drum') && 'chime drum and hammers',
      has(traits, 'selector lever') && 'selector lever',
      has(traits, 'repeater') && 'repeater',
      has(traits, 'bellows') && 'bellows and bird',
      hasTrain(traits, 'alarm') && 'alarm work',
    ),
    ...at(
      'Electrics',
      has(traits, 'coil') && 'coil',
      has(traits, 'contacts') && 'contacts',
      has(traits, 'mains cord') && 'cord and insulation',
      has(traits, 'rotor') && 'rotor',
    ),
    ...at('Trains', has(traits, 'print work') && 'print work'),
  ].sort((a, b) => AREAS.indexOf(a.area) - AREAS.indexOf(b.area));
}
