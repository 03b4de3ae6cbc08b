import type { Chance } from './chance.ts';
import type { Mode } from './hits.ts';

/** How an escapement is heard: one blow a beat, or the three of a lever (unlocking, impulse, drop). */
export const ESCAPING = ['pendulum', 'lever'] as const;
export type Escaping = (typeof ESCAPING)[number];

const between = (chance: Chance, low: number, high: number) => low * (high / low) ** chance();

/**
 * What rings when steel meets brass: a handful of short modes, those of a small movement higher. From memory of
 * recordings.
 */
export function tickModes(escaping: Escaping, chance: Chance): Mode[] {
  const [low, high, count] = escaping === 'lever' ? [2800, 11_000, 6] : [1300, 7500, 6];
  return Array.from({ length: count }, () => ({
    hz: between(chance, low, high),
    decayS: between(chance, 0.0006, escaping === 'lever' ? 0.0025 : 0.004),
    amplitude: between(chance, 0.4, 1),
  }));
}

/** A bell or gong: a click, then long inharmonic partials. Ratios of a hemispherical bell, from memory. */
export function bellModes(hz: number): Mode[] {
  const ringing = [
    [1, 1, 1.6],
    [2.3, 0.6, 0.9],
    [4.1, 0.45, 0.5],
    [6.2, 0.3, 0.3],
  ].map(([ratio, amplitude, decayS]) => ({ hz: hz * ratio!, decayS: decayS!, amplitude: amplitude! }));
  return [...ringing, { hz: 2600, decayS: 0.002, amplitude: 1.5 }, { hz: 5200, decayS: 0.001, amplitude: 1 }];
}

/** Root mean square of struck modes over their first seconds, for a gain of one. */
export function loudness(modes: readonly Mode[], overS: number): number {
  const STEPS = 2000;
  let sum = 0;
  for (let i = 0; i < STEPS; i++) {
    const t = ((i + 0.5) / STEPS) * overS;
    let y = 0;
    for (const m of modes) y += m.amplitude * Math.exp(-t / m.decayS) * Math.sin(2 * Math.PI * m.hz * t);
    sum += y * y;
  }
  return Math.sqrt(sum / STEPS);
}
