import lineLength from './line-length.ts';
import weightLanding from './weight-landing.ts';
import lineStrength from './line-strength.ts';
import weightPower from './weight-power.ts';
import fusee from './fusee.ts';
import keySquare from './key-square.ts';
import pulleyWeight from './pulley-weight.ts';
import chainLinks from './chain-links.ts';

export const WEIGHTS = [
  lineLength,
  weightLanding,
  lineStrength,
  weightPower,
  fusee,
  keySquare,
  pulleyWeight,
  chainLinks,
];
