import pendulumLength from './pendulum-length.ts';
import pendulumBeats from './pendulum-beats.ts';
import gravity from './gravity.ts';
import circularError from './circular-error.ts';
import semiArc from './semi-arc.ts';
import pendulumTemperature from './pendulum-temperature.ts';
import setRate from './set-rate.ts';
import pendulumAlter from './pendulum-alter.ts';
import suspensionSpring from './suspension-spring.ts';
import barometer from './barometer.ts';

export const PENDULUM = [
  pendulumLength,
  pendulumBeats,
  gravity,
  circularError,
  semiArc,
  pendulumTemperature,
  setRate,
  pendulumAlter,
  suspensionSpring,
  barometer,
];
