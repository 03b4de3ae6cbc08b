import lineLength from './line-length.ts';
import weightLanding from './weight-landing.ts';
import lineStrength from './line-strength.ts';
import weightPower from './weight-power.ts';
import fusee from './fusee.ts';
import keySquare from './key-square.ts';

export const WEIGHTS = [lineLength, weightLanding, lineStrength, weightPower, fusee, keySquare];
