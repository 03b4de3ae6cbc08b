import { ensure } from '../units/index.ts';

/** A wheel and the pinion it drives. */
export interface Mesh {
  wheel: number;
  pinion: number;
}

/**
 * Turns of the last arbor for one turn of the first. 1 for an empty list.
 * @throws Outside for counts that are not whole and positive
 */
export function ratioOf(meshes: readonly Mesh[]): number {
  return meshes.reduce((product, { wheel, pinion }) => {
    ensure(Number.isInteger(wheel) && wheel > 0, 'wheel', 'A wheel has a whole number of teeth.');
    ensure(Number.isInteger(pinion) && pinion > 0, 'pinion', 'A pinion has a whole number of leaves.');
    return (product * wheel) / pinion;
  }, 1);
}

/**
 * Beats an hour: two for each tooth of the escape wheel that passes.
 * @param meshes from the arbor that turns once an hour to the escape wheel
 * Source: any text on clock trains.
 */
export function beatsPerHour(meshes: readonly Mesh[], escapeTeeth: number): number {
  ensure(Number.isInteger(escapeTeeth) && escapeTeeth >= 3, 'escapeTeeth', 'An escape wheel has at least 3 teeth.');
  return 2 * escapeTeeth * ratioOf(meshes);
}

/** What the meshes must multiply to for these beats. Domain: beats > 0. */
export const ratioForBeats = (beats: number, escapeTeeth: number): number => beats / (2 * escapeTeeth);

/** Hours of one turn of the first wheel, when the last arbor of `meshes` turns once an hour. */
export const hoursPerTurn = (meshes: readonly Mesh[]): number => ratioOf(meshes);

/** Turns of the first wheel for these days, and the other way about. */
export const turnsForDays = (days: number, hoursOfOneTurn: number): number => (24 * days) / hoursOfOneTurn;
/** Days that so many turns of the first wheel last. */
export const daysForTurns = (turns: number, hoursOfOneTurn: number): number => (turns * hoursOfOneTurn) / 24;

/** Beats that clocks were usually made to. Practice: what the trade meets; others exist. */
export const USUAL_BEATS: readonly number[] = [
  480, 2880, 3600, 4320, 4800, 5400, 6000, 6600, 7200, 7800, 8100, 8640, 9000, 9600, 10800, 12000, 14400, 16200, 17280,
  18000, 19800, 21600, 28800, 36000,
];
/** The usual number of beats an hour that lies nearest. */
export const nearestUsual = (beats: number): number =>
  USUAL_BEATS.reduce((best, b) => (Math.abs(b - beats) < Math.abs(best - beats) ? b : best));
