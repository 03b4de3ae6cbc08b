/**
 * What warmth does to a balance and its hairspring. The spring weakens by its own change of stiffness, grows in all
 * three directions, and the balance grows: f goes as √(E w t³/(ℓ I)).
 */

/** Growth of the rim for a degree. From memory of handbooks; a given alloy may differ by a tenth. */
export const RIMS = {
  brass: 18.7e-6,
  'nickel silver': 16.5e-6,
  'beryllium bronze': 17e-6,
  steel: 11.5e-6,
  /** Its ends move inwards as it warms: made for a steel spring, it gains what the spring loses. */
  'brass and steel, cut': null,
} as const;
export type Rim = keyof typeof RIMS;

/** Change of stiffness for a degree, from least to most, and growth. From memory of handbooks. */
export const HAIRSPRINGS = {
  steel: { stiffness: [-280e-6, -240e-6], grows: 11.5e-6 },
  'nickel alloy, self-compensating': { stiffness: [0, 20e-6], grows: 8e-6 },
} as const;
export type Hairspring = keyof typeof HAIRSPRINGS;

/** What a cut rim leaves of it, s/day a degree, with the spring that it was made for. From memory. */
const LEAVES = 0.5;
const perDegree = (stiffness: number, grows: number, rim: number) => 43_200 * (stiffness + 3 * grows - 2 * rim);
const STEEL_MIDDLE = perDegree(-260e-6, HAIRSPRINGS.steel.grows, RIMS.brass);

/** Seconds a day for each degree warmer, from least to most; negative loses. */
export function warmthRate(rim: Rim, spring: Hairspring): { least: number; most: number } {
  const { stiffness, grows } = HAIRSPRINGS[spring];
  const grown = RIMS[rim];
  const of = (change: number) => perDegree(change, grows, grown ?? RIMS.brass);
  if (grown !== null) return { least: of(stiffness[0]), most: of(stiffness[1]) };
  if (spring === 'steel') return { least: -LEAVES, most: LEAVES };
  return { least: of(stiffness[0]) - STEEL_MIDDLE, most: of(stiffness[1]) - STEEL_MIDDLE };
}
