/** Chance that is passed in: numbers from 0 to below 1. */
export type Chance = () => number;

/** A small seeded generator (mulberry32, public domain): the same seed gives the same clock. */
export function seeded(seed: number): Chance {
  return () => {
    seed = (seed + 0x6d2b79f5) | 0;
    let t = Math.imul(seed ^ (seed >>> 15), 1 | seed);
    t = (t + Math.imul(t ^ (t >>> 7), 61 | t)) ^ t;
    return ((t ^ (t >>> 14)) >>> 0) / 4294967296;
  };
}

/** Normal numbers of mean 0 and deviation 1, by Marsaglia's polar method (1964). */
export function normal(chance: Chance): () => number {
  let spare: number | null = null;
  return () => {
    if (spare !== null) {
      const s = spare;
      spare = null;
      return s;
    }
    let u: number, v: number, s: number;
    do {
      u = 2 * chance() - 1;
      v = 2 * chance() - 1;
      s = u * u + v * v;
    } while (s >= 1 || s === 0);
    const f = Math.sqrt((-2 * Math.log(s)) / s);
    spare = v * f;
    return u * f;
  };
}
