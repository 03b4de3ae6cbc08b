import { drivenBy, isSpring, isWeight } from '../../movement/index.ts';
import { ofEachSource, ofMovement } from './row.ts';

/** Springs and weights. Practice throughout. */
export const POWER = [
  ...ofEachSource(
    (_, kind) => isSpring(kind),
    [
      [
        'gummed-mainspring',
        'Gummed mainspring',
        'common',
        'stops-hours M, stops-late H, small-swing M, dead L',
        'Let down: does it open evenly?',
        10,
        2,
        'Out, clean, grease',
      ],
      [
        'set-mainspring',
        'Tired (set) or wrong mainspring',
        'usual',
        'stops-late H, small-swing M, dead L',
        'Measure free diameter and strength',
        15,
        3,
        'Replace with the same width and strength, filling half the free area',
      ],
      [
        'broken-mainspring',
        'Broken mainspring, hook or click',
        'usual',
        'dead H',
        'Wind: is there any resistance?',
        1,
        0,
        'Replace; check the first wheel for damage',
      ],
    ],
  ),
  ...ofEachSource(
    (_, kind) => isSpring(kind) || isWeight(kind),
    [
      [
        'slipping-click',
        'Slipping or loose click',
        'usual',
        'wont-stay-wound H',
        'Wind a little, hand on the key, and listen',
        1,
        0,
        'Dress or renew it; dangerous until then: let it down first',
      ],
    ],
  ),
  ...ofEachSource(
    (_, kind) => kind === 'fusee spring',
    [
      [
        'fusee-set-up',
        'Set-up or stop-iron wrong, chain broken or off',
        'usual',
        'dead M, stops-late H, uneven-wind M',
        'Count the set-up, look at the iron at the last turn',
        10,
        2,
        'Restore the counted set-up',
      ],
    ],
  ),
  ...ofEachSource(
    (_, kind) => isWeight(kind),
    [
      [
        'weight-line',
        'Line too short, tangled or off its pulley',
        'usual',
        'dead M, stops-late H',
        'Wind full, look at the lead on the barrel; count the turns left on it when the weight is down',
        2,
        0,
        'Cut to the computed length, two or three turns left on the barrel',
      ],
      [
        'wrong-weight',
        'Too light, wrong or swapped weight',
        'usual',
        'small-swing M, stops-hours M, stops-late M',
        'Weigh them',
        2,
        0,
        'As marked: left, centre, right',
      ],
    ],
  ),
  ...ofMovement(
    (t) => drivenBy(t, isWeight) && t.oscillator === 'pendulum' && (t.windHours ?? 0) >= 100,
    [
      [
        'sympathy',
        'Weights swing in sympathy when level with the bob',
        'usual',
        'stops-late H',
        'Note the height of the weights when it stops',
        1,
        0,
        'Fix the case to the wall',
      ],
    ],
  ),
];
