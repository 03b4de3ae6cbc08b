import { ensure } from '../units/index.ts';

/**
 * Diameter at the middle of the links of a chain that lies in a wheel with pockets, mm: a flat link in each pocket, an
 * upright one between. Published: geometry of pocket wheels, handbooks of lifting gear.
 * @param pitchMm inside length of a link
 * @param wireMm its wire
 * @param pockets at least 3
 */
export function pocketWheelMm(pitchMm: number, wireMm: number, pockets: number): number {
  ensure(pitchMm > 0 && wireMm > 0 && wireMm < pitchMm, 'wireMm', 'The wire is thinner than the link is long.');
  ensure(Number.isInteger(pockets) && pockets >= 3, 'pockets', 'At least three pockets.');
  const half = Math.PI / (2 * pockets);
  return Math.hypot(pitchMm / Math.sin(half), wireMm / Math.cos(half));
}

/** Links for a length, an even number so that a ring can be closed. @param pitchMm inside length of a link */
export function linksFor(lengthMm: number, pitchMm: number): number {
  ensure(pitchMm > 0 && lengthMm >= 2 * pitchMm, 'lengthMm', 'Longer than two links.');
  return 2 * Math.round(lengthMm / pitchMm / 2);
}

/** Mass to hang in place of one that hung straight on the line, and the other way, kg. Statics. */
export function massForFalls(
  massKg: number,
  from: 1 | 2,
  to: 1 | 2,
  pulley: { massKg: number; passes: number },
): { pullKg: number; massKg: number } {
  ensure(massKg > 0, 'massKg', 'A weight weighs something.');
  ensure(pulley.passes > 0.5 && pulley.passes <= 1, 'passesPercent', 'A pulley passes on 50 to 100 %.');
  // The fall that runs to the barrel pulls by a little less than the one that is tied up.
  const share = pulley.passes / (1 + pulley.passes);
  const pullKg = from === 1 ? massKg : (massKg + pulley.massKg) * share;
  return { pullKg, massKg: to === 1 ? pullKg : pullKg / share - pulley.massKg };
}
