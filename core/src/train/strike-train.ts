import { ensure } from '../units/index.ts';
import { ratioOf, type Mesh } from './beats.ts';

/** Blows in twelve hours: 78 on the hours; 12 more with a single blow at each half. Arithmetic: 1 + 2 + … + 12. */
export const BLOWS_IN_12_HOURS = { hours: 78, 'hours and halves': 90 } as const;
export type Struck = keyof typeof BLOWS_IN_12_HOURS;

/**
 * Blows for one turn of the great wheel.
 * @param meshes from the great wheel to the arbor with the pins; empty when it carries them itself
 */
export function blowsPerTurn(meshes: readonly Mesh[], pins: number): number {
  ensure(Number.isInteger(pins) && pins >= 1, 'pins', 'At least one lifting pin.');
  return pins * ratioOf(meshes);
}

/** Turns of the great wheel used in a number of days. */
export const turnsStruck = (days: number, blows: number, struck: Struck): number =>
  (2 * BLOWS_IN_12_HOURS[struck] * days) / blows;

/**
 * Turns of the chime great wheel in a number of days: the drum turns twice an hour.
 * @param meshes from the great wheel to the drum
 */
export const turnsChimed = (days: number, meshes: readonly Mesh[]): number => (48 * days) / ratioOf(meshes);
