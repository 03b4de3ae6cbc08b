import { drivenBy, has, type Traits, isMains } from '../../movement/index.ts';
import { ofMovement } from './row.ts';

const wound = (t: Traits) => has(t, 'coil') && !drivenBy(t, isMains);
const mains = (t: Traits) => drivenBy(t, isMains);

/** Coils, contacts, mains and recorders. Practice throughout. */
export const ELECTRIC = [
  ...ofMovement(wound, [
    [
      'coil-open',
      'Coil open or shorted',
      'usual',
      'coil-no-pull H, dead M',
      'Ohms: no reading, or near zero?',
      2,
      1,
      'Rewind or replace',
    ],
    [
      'supply-low',
      'Supply too low for the pull',
      'usual',
      'coil-no-pull H',
      'Step the voltage up from low, the current limited',
      5,
      1,
      'Right supply',
    ],
    [
      'contact-dirty',
      'Contact dirty, bent, worn',
      'common',
      'coil-no-pull M, rate-wanders L, stops-hours M',
      'Volts across the contact through a turn',
      10,
      1,
      'Clean, set; original if it proves itself',
    ],
    [
      'contact-closed',
      'Contact that never opens',
      'usual',
      'winds-often M, coil-no-pull L, coil-hot H',
      'Volts across it through a whole turn',
      5,
      1,
      'Re-set on the right side of its pin',
    ],
    [
      'no-suppression',
      'No arc suppression',
      'usual',
      'contacts-spark H',
      'Look in the dark',
      1,
      1,
      'A resistor across the coil',
    ],
    [
      'two-contacts',
      'Two contacts make in one turn, or a jumper left in',
      'usual',
      'winds-often H',
      'Count windings a minute',
      2,
      0,
      'Lift or unjumper one',
    ],
  ]),
  ...ofMovement(mains, [
    [
      'rotor',
      'Rotor seized or its oil gone',
      'common',
      'hums H, dead H',
      'A known good rotor in the coil',
      10,
      2,
      'Renew the oil by the soak sequence, or replace',
    ],
    [
      'cord-open',
      'Coil or cord open',
      'usual',
      'silent H, dead H',
      'Unplugged: ohms',
      3,
      1,
      'Licensed practice for mains',
    ],
  ]),
  ...ofMovement(
    (t) => has(t, 'print work'),
    [
      [
        'bevels',
        'Bevels, rods or ribbon tight',
        'usual',
        'stops-place M, prints-faint M, day-change M',
        'Free the lower work and run',
        10,
        1,
        'Clean, free, re-ink',
      ],
    ],
  ),
];
