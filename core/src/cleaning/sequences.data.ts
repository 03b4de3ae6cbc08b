import { VAPOUR } from '../cautions/index.ts';
import { has, type Traits } from '../movement/index.ts';
import { staysWhole } from '../strip/index.ts';
import type { Bath } from './materials.ts';

/** `rinsing` and `displacing` only follow water. */
export type InBath = Bath | 'chosen' | 'rinsing' | 'displacing' | null;

export type Row = readonly [
  what: string,
  minutes: number | 'chosen' | null,
  bath: InBath,
  caution?: string,
  /** What is done instead where something in the basket takes no heat. */
  cool?: string,
];

export const DAY = 24 * 60;

export const AMMONIA =
  'Ventilate, goggles; never in one room with bleach, never kept with silver. Hands out of a running ultrasonic ' +
  'tank, and nothing flammable in it. Follow your local rules.';

export const NO_HEAT_YET = 'No heat before the vapour has gone.';

export const NO_HEAT = 'No heat: it moves what shellac holds.';

export const COOL_AIR = 'Cool air until dry: no warm air';

export const BY_WATER = 'Water is driven out at once: a steel pinion rusts in minutes.';

const MADE_TO_DRIVE_OUT = 'Plain petroleum spirit takes up no water: use one that is made to drive it out.';

/** What a shop's own step may be done in, beside the baths of the tables. */
export type OwnBath = Bath | 'water' | 'dewatering fluid';

/** Before a part goes into it. Common practice. */
export const BATH_CAUTION: Readonly<Record<OwnBath, string>> = {
  'ammoniated water': AMMONIA,
  detergent: BY_WATER,
  'petroleum solvent': VAPOUR,
  alcohol: VAPOUR,
  water: BY_WATER,
  'dewatering fluid': `${MADE_TO_DRIVE_OUT} ${VAPOUR}`,
};

/** Of a movement that goes in whole. Common practice. */
const CLOSED_BARRELS =
  'A spring in its closed barrel holds water longest and rusts unseen: open it, or dry it long, and oil it.';

export const RUN_DRY: readonly Row[] = [
  ['Hot rinse', 2, 'rinsing', BY_WATER, 'Cool rinse'],
  ['Displace the water', 1, 'displacing', VAPOUR],
  ['Warm air, away from vapour, until dry', null, null, NO_HEAT_YET, COOL_AIR],
];

export const ROTOR_SOAK: readonly Row[] = [
  ['Penetrating oil', DAY, null],
  ['Drain', null, null],
  ['Light machine oil', DAY, null],
];

export interface Sequence {
  id: string;
  name: string;
  /** Baths it may begin in; none: nothing is dipped. */
  baths: readonly Bath[];
  /** Minutes where the house rule says nothing. */
  usual?: number;
  /** Nothing is dipped, and it is said what was wiped. */
  wipes?: boolean;
  applies: (t: Traits) => boolean;
  steps: readonly Row[];
}

/** It has a rotor that may be sealed. */
export const sealed = (t: Traits) => has(t, 'rotor');

/** Its movement is taken apart, not washed or kept whole. */
export const apart = (t: Traits) => staysWhole(t) === null;

/** Common practice throughout: what, minutes, in what, the caution before it. */
export const TABLE = [
  {
    id: 'ultrasonic',
    name: 'Ultrasonic water bath',
    baths: ['ammoniated water', 'detergent'],
    applies: apart,
    steps: [
      ['Warm the bath to 30 to 50 °C', null, null, AMMONIA, 'Keep the bath cool'],
      ['In the bath, then look', 'chosen', 'chosen', AMMONIA],
      ...RUN_DRY,
    ],
  },
  {
    id: 'solvent',
    name: 'By hand in solvent',
    baths: ['petroleum solvent'],
    usual: 15,
    applies: () => true,
    steps: [
      ['Soak', 'chosen', 'chosen', VAPOUR],
      ['Brush, and peg the holes', null, null, VAPOUR],
      ['Rinse in clean solvent', 1, 'petroleum solvent', VAPOUR],
      ['Air until the vapour has gone', null, null, VAPOUR],
      ['Warm air', null, null, NO_HEAT_YET, COOL_AIR],
    ],
  },
  {
    id: 'soapy',
    name: 'Soapy water and brush',
    baths: ['detergent'],
    applies: () => true,
    steps: [['Soapy water, brush', 'chosen', 'chosen'], ...RUN_DRY],
  },
  {
    id: 'whole',
    name: 'Whole movement, nothing apart',
    baths: ['ammoniated water', 'detergent', 'petroleum solvent'],
    applies: () => true,
    steps: [
      [
        'Balance, platform or set stones out first',
        null,
        null,
        'Never take out balance, platform or pallets with power on: the train runs away and strips.',
      ],
      ['In the bath', 'chosen', 'chosen', AMMONIA],
      ['Water', 1, 'rinsing', BY_WATER],
      ['Displace the water', 1, 'displacing', VAPOUR],
      ['Drain on cloth', null, null, `${VAPOUR} ${CLOSED_BARRELS}`],
      ['Low warm air', null, null, NO_HEAT_YET, COOL_AIR],
    ],
  },
  {
    id: 'light',
    name: 'Second, lighter clean after fitting',
    baths: ['detergent', 'petroleum solvent', 'ammoniated water'],
    usual: 2,
    applies: () => true,
    steps: [
      ['Brush off chips and compound', null, null],
      ['A short bath', 'chosen', 'chosen', VAPOUR],
      ...RUN_DRY,
      ['From here on gloves: no bare fingers on clean brass', null, null],
    ],
  },
  {
    id: 'wipe',
    name: 'Wiped, no bath',
    baths: [],
    wipes: true,
    applies: () => true,
    steps: [
      ['Try a hidden spot, let it dry, and look', null, null, 'Old lacquer is spirit lacquer: alcohol takes it off.'],
      [
        'Wipe, the cloth barely damp, a small place at a time',
        null,
        null,
        `Wood, celluloid, enamel: water only. ${VAPOUR}`,
      ],
      ['Dry at once, with a clean cloth', null, null, BY_WATER],
    ],
  },
  {
    id: 'in-place',
    name: 'In place, nothing apart',
    baths: [],
    applies: () => true,
    steps: [
      [
        'Blot surplus oil off escapement, lever and hairspring with lint-free paper',
        null,
        null,
        'Not under power: hold the train.',
      ],
      ['Peg what can be reached', null, null],
      ['Fresh oil where it belongs; recorded as a partial service', null, null],
    ],
  },
  {
    id: 'rotor',
    name: 'Sealed rotor, oil renewed',
    baths: [],
    applies: sealed,
    steps: [
      [
        'Vent away from the gears, the cutter greased so that chips stay on it',
        null,
        null,
        'Unplug and lock before opening. Clamp it; the bit seizes as it comes through. Mains work belongs to qualified persons where the law asks it.',
      ],
      ...ROTOR_SOAK,
      ['Drain again', null, null],
      ['A few drops of synthetic clock oil', null, null],
      ['Seal with metal tape and epoxy', null, null],
      ['Run it and watch', DAY, null, 'Mains: follow your local rules.'],
    ],
  },
  {
    id: 'plugged-rotor',
    name: 'Plugged rotor, oil renewed',
    baths: [],
    applies: sealed,
    steps: [
      ['Unsolder the seal, plug out, drain', null, null, 'Unplug and lock before opening.'],
      ...ROTOR_SOAK,
      ['Drain, fill, plug and seal', null, null],
      ['Run it and watch', DAY, null, 'Mains: follow your local rules.'],
    ],
  },
  // No longer offered: for runs that were made before the case had tasks of its own.
  {
    id: 'case',
    name: 'Case: glue and finish',
    baths: [],
    applies: () => false,
    steps: [
      ['Dry glue out of the joints', null, null],
      ['Glued and clamped overnight', 16 * 60, null],
      ['Stain, drying', DAY, null, 'Once only: the owner’s yes comes first.'],
      ['First finish coat, drying', DAY, null, VAPOUR],
      ['Second finish coat, drying', DAY, null, VAPOUR],
      ['Wax', null, null],
    ],
  },
] as const satisfies readonly Sequence[];
