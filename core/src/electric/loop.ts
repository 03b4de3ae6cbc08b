import { ensure } from '../units/index.ts';

/** Resistivity of copper wire at 20 °C, Ω mm²/m. Published: IEC 60028, 1/58. */
export const COPPER_OHM_MM2_PER_M = 1 / 58;

/** Resistance of copper wire of this whole length, there and back. */
export function wireOhms(metres: number, mm2: number): number {
  ensure(metres >= 0, 'wireM', '0 or more.');
  ensure(mm2 > 0, 'wireMm2', 'A wire has a section.');
  return (COPPER_OHM_MM2_PER_M * metres) / mm2;
}

/** Above this direct voltage a bare joint is not touched. Published: IEC 61140, 60 V in dry places. */
export const TOUCH_V = 60;

/** One current through all: the voltage for it, and what the loop turns to heat. */
export function seriesLoop(
  dials: readonly { ohms: number; count: number }[],
  line: number,
  milliamps: number,
): { ohms: number; volts: number; watts: number } {
  ensure(milliamps > 0, 'milliamps', 'The dials want some current.');
  const ohms = dials.reduce((sum, d) => sum + d.ohms * d.count, line);
  return { ohms, volts: (ohms * milliamps) / 1000, watts: ohms * (milliamps / 1000) ** 2 };
}
