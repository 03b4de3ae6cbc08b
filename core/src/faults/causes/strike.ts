import { has, hasTrain, isWeight, type Traits } from '../../movement/index.ts';
import { ofMovement } from './row.ts';

const strikes = (t: Traits) => t.strike !== 'none';
const chimes = (t: Traits) => hasTrain(t, 'chime');

/** Strike, chime, alarm. Practice throughout. */
export const STRIKE = [
  ...ofMovement(strikes, [
    [
      'out-of-step',
      'Hour hand or count wheel out of step',
      'common',
      'wrong-constant H',
      'Count against the dial',
      2,
      0,
      'Count wheel: trip it until right; rack: move the hour hand',
    ],
    [
      'hand-square',
      'Minute-hand square or cannon set wrong',
      'usual',
      'off-the-hour H',
      'Where is the hand at the lift?',
      2,
      0,
      'Re-set the collet, re-rivet the snail',
    ],
    [
      'warning-run',
      'Warning run too short or long',
      'usual',
      'misses-strike H, runs-on M',
      'Half a turn at warning?',
      3,
      1,
      'Re-phase',
    ],
    [
      'fly',
      'Fly tight, loose or fouled',
      'usual',
      'no-strike M, misses-strike M, strikes-fast M',
      'Turn the fly on its arbor',
      1,
      2,
      'Fit the friction so that it slips',
    ],
    [
      'hammer-rests',
      'Hammer rests on bell or gong',
      'usual',
      'dull-thud H',
      'The gap at rest',
      1,
      0,
      'Bend the stop so that it rebounds',
    ],
    [
      'lifting-load',
      'Lifting load on a weak going train',
      'usual',
      'stops-before-strike H',
      'Lift it by hand',
      2,
      0,
      'Cure the weakness, ease the lift',
    ],
  ]),
  ...ofMovement(
    (t) => t.strike === 'rack',
    [
      [
        'oil-on-rack',
        'Oil on rack, snail, lifting pieces',
        'usual',
        'far-too-few H, misses-strike M',
        'Does the tail fall freely?',
        2,
        1,
        'Clean, leave dry',
      ],
      [
        'rack-tail',
        'Rack tail, spring or post wrong',
        'usual',
        'wrong-random H, repeater-uneven M',
        'Watch the tail on each step',
        5,
        1,
        'Straighten, re-post',
      ],
      [
        'strike-run-down',
        'Strike run down or hung, rack tail stopped by the snail step',
        'usual',
        'stops-place H, no-strike M',
        'Is the strike wound?',
        1,
        0,
        'Wind; sprung tail; rack spring',
      ],
    ],
  ),
  ...ofMovement(
    (t) => t.strike === 'count wheel',
    [
      [
        'lever-not-seated',
        'A lever does not seat at lock',
        'usual',
        'runs-on H, wrong-random H',
        'Stop it at lock and look at each lever in turn',
        5,
        1,
        'Re-phase the warning or cam wheel in small turns; straighten the teeth of the count wheel',
      ],
    ],
  ),
  ...ofMovement(chimes, [
    [
      'drum-phase',
      'Chime drum out of phase',
      'usual',
      'quarters-order H',
      'Hear four quarters',
      5,
      0,
      'Re-phase the drum, check the self-correction',
    ],
  ]),
  ...ofMovement(
    (t) => has(t, 'selector lever'),
    [
      [
        'selector',
        'Selector lever between two positions',
        'rare',
        'quarters-order M, no-strike L, no-chime M',
        'Is the lever home?',
        0.5,
        0,
        'Set it, adjust its stop',
      ],
    ],
  ),
  ...ofMovement(
    (t) => hasTrain(t, 'alarm'),
    [
      [
        'alarm-let-off',
        'Alarm let-off or setting friction',
        'usual',
        'alarm-fails H',
        'Let it off by hand',
        2,
        1,
        'Set it',
      ],
    ],
  ),
  ...ofMovement(
    (t) => strikes(t) && t.sources.filter((x) => isWeight(x.kind)).length > 1,
    [
      [
        'weights-swapped',
        'Strike weight hangs on the going train',
        'rare',
        'small-swing M, strikes-slow M',
        'Weigh both',
        2,
        0,
        'As marked',
      ],
    ],
  ),
];
