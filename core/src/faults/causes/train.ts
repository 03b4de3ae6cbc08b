import { has } from '../../movement/index.ts';
import { ofEachTrain, ofMovement } from './row.ts';

/** Pivots, holes, wheels, oil. Practice throughout. */
export const TRAIN = [
  ...ofEachTrain(() => true, [
    ['dirty-pivots', 'Dirty or dry pivots and holes', 'common', 'dead M, stops-hours M, small-swing M, rate-wanders M', 'Is the oil at the sinks black or gone?', 2, 1, 'Strip and clean'],
    ['worn-hole', 'Worn, oval hole', 'common', 'stops-hours M, rate-wanders M, misses-strike M, dead L', 'Lean of the arbors, power on and off', 5, 2, 'Bush'],
    ['worn-pivot', 'Worn or scored pivot', 'usual', 'dead M, small-swing M, stops-hours M', 'Black pivot will not draw out; loupe', 10, 3, 'Turn down, burnish, bush to suit'],
    ['bent-pivot', 'Bent pivot or wheel not true', 'rare', 'stops-place H, rate-wanders M', 'Spin it alone between the plates', 5, 3, 'Straighten or re-pivot'],
    ['bent-tooth', 'Bent or broken tooth', 'usual', 'stops-place H, wrong-random L', 'Eye on each wheel in turn', 5, 2, 'Straighten gently, or re-tooth'],
    ['no-end-shake', 'No end shake, or a tight bush', 'usual', 'dead M, stops-hours M, small-swing M', 'Lift each arbor', 5, 2, 'Ease it; check for a longer pillar spacing'],
    ['loose-on-arbor', 'Loose pallet, collet or wheel on its arbor', 'rare', 'rate-wanders M, stops-hours M', 'Twist it gently', 3, 2, 'Fix it'],
  ]),
  ...ofEachTrain((t) => has(t, 'lantern pinions'), [
    ['grooved-trundles', 'Grooved trundles of a lantern pinion', 'usual', 'misses-strike H, stops-hours M', 'Feel the fly run down', 5, 2, 'Turn or replace the trundles, or a donor arbor'],
  ]),
  ...ofMovement((t) => t.oscillator !== 'mains frequency', [
    ['too-much-oil', 'Too much oil, migrated', 'common', 'small-swing H, rate-wanders M, gains H, loses L', 'Wet pinions, oil beyond the sinks, a shine between the coils of a hairspring', 1, 1, 'Degrease escapement and spring; strip if it is everywhere'],
    ['dip-residue', 'Cleaner residue from a dip', 'usual', 'stops-late H, misses-strike M, small-swing M', 'Sticky green film in pinions and barrels, soon after an “overhaul”', 2, 1, 'Full strip; no guarantee otherwise'],
  ]),
  ...ofMovement(() => true, [
    ['hand-friction', 'Hand friction weak or strong', 'usual', 'hands-slip H, stops-hours L', 'Turn the hands: feel', 1, 0, 'Retension'],
    ['end-play', 'Too much end play: a wheel leaves its pinion, or an arbor its clutch', 'usual', 'hands-slip H, misses-strike L', 'Push each arbor both ways', 3, 1, 'Bush to length, re-seat the arbor'],
    ['hands-touch', 'Hands touch each other, dial or glass', 'usual', 'stops-place H', 'Watch a full hour', 2, 0, 'A gap between each'],
  ]),
  ...ofMovement((t) => has(t, 'moon work') || has(t, 'calendar work'), [
    ['dial-work', 'Dial work catches', 'usual', 'stops-place M, dial-train-catches H, stops-late M', 'Free the dial work and run', 10, 1, 'Clear it; fit as the maker says'],
  ]),
];
