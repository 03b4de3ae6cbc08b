import countWheel from './count-wheel.ts';
import quarters from './quarters.ts';
import watchBells from './watch-bells.ts';
import strikeHeard from './strike-heard.ts';
import blowSpacing from './blow-spacing.ts';
import releaseMinute from './release-minute.ts';
import moon from './moon.ts';
import motionWork from './motion-work.ts';
import samePlace from './same-place.ts';

export const STRIKES = [
  countWheel,
  quarters,
  watchBells,
  strikeHeard,
  blowSpacing,
  releaseMinute,
  moon,
  motionWork,
  samePlace,
];
