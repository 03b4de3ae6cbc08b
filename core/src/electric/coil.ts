import { ensure } from '../units/index.ts';

const positive = (value: number, field: string) => ensure(value > 0 && Number.isFinite(value), field, 'More than 0.');

/** Steady current in mA and power in W of a coil. Published: Ohm's law. */
export function coilAt(volts: number, ohms: number): { milliamps: number; watts: number } {
  positive(volts, 'volts');
  positive(ohms, 'ohms');
  return { milliamps: (1000 * volts) / ohms, watts: (volts * volts) / ohms };
}

/** Supply for a wanted current, V. */
export const voltsFor = (milliamps: number, ohms: number): number => (milliamps * ohms) / 1000;

export interface Suppression {
  /** Peak across the coil, and across the contact, when it opens, V. */
  coilPeakV: number;
  contactPeakV: number;
  /** Lost in the resistor while the contact is closed, W. */
  steadyLossW: number;
  /** Time constant of the decay, ms; null when the inductance is not known. */
  decayMs: number | null;
}

/**
 * What a resistor across the coil does when the contact opens: the coil's current goes on through it. Published: decay
 * of current in an inductive circuit, any text on circuits.
 * @param henries inductance of the coil, if it was measured
 */
export function suppressed(volts: number, ohms: number, resistorOhms: number, henries?: number): Suppression {
  positive(resistorOhms, 'resistorOhms');
  const coilPeakV = (coilAt(volts, ohms).milliamps / 1000) * resistorOhms;
  return {
    coilPeakV,
    contactPeakV: volts + coilPeakV,
    steadyLossW: (volts * volts) / resistorOhms,
    decayMs: henries === undefined ? null : (1000 * henries) / (ohms + resistorOhms),
  };
}

/** What may be felt, and what contacts stand for long, V. From memory: touch voltage of direct current is 60 V. */
export const PEAK_V = 60;

/** The peak to propose across an opening contact, V: `PEAK_V`, or twice a supply that leaves no room under it. */
export const usualPeakV = (volts: number): number => (volts <= PEAK_V / 2 ? PEAK_V : 2 * volts);

/** Values that resistors are sold in, per decade. Published: IEC 60063, series E12. */
export const E12 = [1, 1.2, 1.5, 1.8, 2.2, 2.7, 3.3, 3.9, 4.7, 5.6, 6.8, 8.2] as const;

/**
 * The largest usual resistor that keeps the peak across the contact under a chosen one.
 * @throws Outside when the peak is not above the supply
 */
export function resistorForPeak(volts: number, ohms: number, contactPeakV: number): number {
  ensure(contactPeakV > volts, 'contactPeakV', `The peak lies above the supply (${volts} V): choose more.`);
  const most = ((contactPeakV - volts) / volts) * ohms;
  const decade = 10 ** Math.floor(Math.log10(most));
  const step = [...E12].reverse().find((e) => e * decade <= most * (1 + 1e-9));
  return Number(((step ?? 1) * decade).toPrecision(3));
}
