import { ensure } from '../units/index.ts';

/** Standard gravity in m/s². Published: 3rd General Conference on Weights and Measures, 1901. */
export const STANDARD_GRAVITY = 9.80665;
/** Fall of gravity with height in free air, 1/s². Published: any text on geodesy. */
const PER_METRE = 3.086e-6;

/**
 * Gravity in m/s² at a latitude in degrees (−90 to 90) and a height above the sea in metres (−500 to 9000).
 * Normal gravity of WGS 84. Published: NIMA TR8350.2, 3rd edition, equation 4-1. The true value of a place differs by
 * up to about 5 in 100,000, which is 2 s a day.
 */
export function gravityAt(latitudeDeg: number, heightM: number): number {
  ensure(Math.abs(latitudeDeg) <= 90, 'latitudeDeg', 'Latitude lies between −90 and 90 degrees.');
  ensure(heightM >= -500 && heightM <= 9000, 'heightM', 'Height between −500 and 9000 m.');
  const s2 = Math.sin((latitudeDeg * Math.PI) / 180) ** 2;
  return (9.7803253359 * (1 + 0.00193185265241 * s2)) / Math.sqrt(1 - 0.00669437999013 * s2) - PER_METRE * heightM;
}

/** What a pendulum regulated at one gravity does at another, s/day: it gains where gravity is stronger. */
export const rateMoved = (fromGravity: number, toGravity: number): number =>
  86400 * (Math.sqrt(toGravity / fromGravity) - 1);
