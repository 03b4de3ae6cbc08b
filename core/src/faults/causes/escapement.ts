import { has, type Traits } from '../../movement/index.ts';
import { ofMovement } from './row.ts';

const pendulum = (t: Traits) => t.oscillator === 'pendulum';
const torsion = (t: Traits) => t.oscillator === 'torsion pendulum';
const balance = (t: Traits) => t.oscillator === 'balance';

/** Escapement, oscillator and the case it stands in. Practice throughout. */
export const ESCAPEMENT = [
  ...ofMovement((t) => pendulum(t) || torsion(t), [
    ['not-level', 'Not level', 'common', 'bench-not-case H, uneven-beat H, torsion-touches H', 'Level on the shelf', 1, 0, 'Level, then set the beat'],
    ['suspension', 'Suspension damaged, wrong or missing', 'usual', 'dead H, rate-wanders M, small-swing M', 'Eye on the suspension', 1, 1, 'Replace; for torsion compute the strength'],
    ['shallow', 'Escapement so shallow that teeth skip', 'rare', 'gains H, torsion-flutters M', 'Count the beats', 2, 0, 'Set the depth'],
  ]),
  ...ofMovement(pendulum, [
    ['out-of-beat', 'Out of beat', 'common', 'uneven-beat H, stops-hours H', 'Listen: is tick to tock as long as tock to tick?', 1, 0, 'Set the crutch'],
    ['loose-case', 'Loose case, seatboard or movement screws', 'usual', 'bench-not-case H, small-swing M, rate-wanders M', 'A hand on the case: does it sway?', 1, 0, 'Glue, screw, fix to the wall'],
    ['wrong-pendulum', 'Wrong bob or pendulum, slipping nut, wrong suspension length', 'usual', 'gains M, loses M, loses-unregulated M', 'Length against the train’s beats', 5, 0, 'Right length; nut friction'],
    ['bob-rubs', 'Bob, rod or crutch rubs case, weight or dial', 'usual', 'stops-hours H', 'Paper in the gap', 2, 0, 'Clear it'],
  ]),
  ...ofMovement((t) => has(t, 'crutch'), [
    ['crutch-loop', 'Crutch loop too free, tight or dry', 'usual', 'small-swing H, stops-hours M', 'Watch the loop', 2, 1, 'Close or ease it; a trace of oil'],
  ]),
  ...ofMovement((t) => t.escapement !== 'none', [
    ['pallets', 'Pallets worn or depth wrong', 'usual', 'small-swing M, stops-hours M, torsion-flutters H', 'Lock and drop on each tooth', 5, 2, 'Resurface, set the depth'],
  ]),
  ...ofMovement(balance, [
    ['hairspring', 'Hairspring coils stuck, touching or mispinned', 'usual', 'gains H, loses L, small-swing M', 'Eye on the coils, from the side', 2, 1, 'Clean, level, centre'],
    ['collet', 'Collet cracked, or balance and spring from another', 'rare', 'rate-wanders M, loses-unregulated M', 'Serial numbers; loupe on the collet', 3, 1, 'Record; replace only if it fails or the owner wants it'],
    ['magnetised', 'Magnetised hairspring or balance', 'rare', 'gains M, rate-wanders M', 'A compass', 1, 1, 'Demagnetise'],
  ]),
  ...ofMovement((t) => balance(t) && t.escapement === 'lever', [
    ['sluggish-lever', 'Sluggish lever: oil between lever and cock', 'usual', 'small-swing H, rate-wanders M', 'Nudge it: does it snap over?', 1, 1, 'Blot with lint-free paper, no strip needed'],
  ]),
  ...ofMovement((t) => has(t, 'cone pivots'), [
    ['cone-pivots', 'Cone pivots too tight or loose', 'usual', 'dead M, small-swing H', 'End play of the balance', 2, 2, 'Very small steps in until the play just goes, then back about half of the last; never half a turn'],
  ]),
  ...ofMovement(torsion, [
    ['strip-strength', 'Torsion strip of wrong strength or twisted', 'usual', 'gains H, loses H, torsion-flutters M', 'Time at least 40 beats with a stopwatch; eye', 6, 1, 'Compute the strength, fit'],
    ['fork-height', 'Fork height or clearance, or draughts and temperature', 'usual', 'torsion-flutters H, dead M, rate-wanders M', 'Compare with the recorded height', 3, 1, 'Set the height'],
    ['torsion-beat', 'Torsion pendulum out of beat', 'common', 'uneven-beat H, stops-hours M', 'Over-swing on both sides', 3, 0, 'Turn the top block'],
  ]),
];
