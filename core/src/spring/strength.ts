import { ensure } from '../units/index.ts';
import { bestLengthMm, coil, type Barrel } from './coil.ts';

export interface SpringStrip {
  thicknessMm: number;
  widthMm: number;
  lengthMm: number;
}

/** Modulus of elasticity of hardened spring steel, GPa. From memory of handbooks: 200 to 210. */
export const SPRING_STEEL_GPA = 206;

/**
 * Torque in N mm of a spring turned so far from its free state: E b e³ θ/(12 ℓ). Ideal, without friction of the coils.
 */
export const torqueNmm = (s: SpringStrip, turns: number): number =>
  (SPRING_STEEL_GPA * 1000 * s.widthMm * s.thicknessMm ** 3 * 2 * Math.PI * turns) / (12 * s.lengthMm);

/** Free diameter of a sound spring as a multiple of its barrel's inside, where it was not measured. House rule. */
const SOUND_FREE = 2.5;

/**
 * Turning of a spring wound on its arbor, from the free spring: coils on the arbor less those it lies in when free,
 * ℓ/(π · free diameter). From the free spring, not from the barrel wall: a longer one is turned further.
 * @param freeMm across the widest coil of the free spring
 */
export function turnsFromFree(lengthMm: number, b: Barrel, freeMm = SOUND_FREE * b.barrelMm): number {
  ensure(freeMm > b.arborMm, 'freeMm', 'A free spring is wider than its arbor.');
  return (coil(b, lengthMm).woundOuterMm - b.arborMm / 2) / b.thicknessMm - lengthMm / (Math.PI * freeMm);
}

/**
 * Strength of one spring as a multiple of another, both fully wound in the same barrel: E b e³ θ/(12 ℓ) with θ from the
 * free spring. Length tells little, since θ grows with it; thickness tells by its cube. Published: bending of a strip,
 * any text on elasticity.
 * @throws Outside for a spring that does not fit the barrel
 */
export function strengthAgainst(one: SpringStrip, other: SpringStrip, barrel: Omit<Barrel, 'thicknessMm'>): number {
  const wound = (s: SpringStrip) => {
    ensure(
      s.thicknessMm > 0 && s.widthMm > 0 && s.lengthMm > 0,
      'lengthMm',
      'Thickness, width and length are more than nothing.',
    );
    return torqueNmm(s, turnsFromFree(s.lengthMm, { ...barrel, thicknessMm: s.thicknessMm }));
  };
  return wound(one) / wound(other);
}

/** Turns that a real spring gives less than ideal coils. Practice. */
export const TURNS_LOST = 1;
/** Days that a full wind lasts. */
export const runDays = (turns: number, hoursPerBarrelTurn: number): number => (turns * hoursPerBarrelTurn) / 24;

export interface StockSpring {
  name: string;
  widthMm: number;
  thicknessMm: number;
  lengthMm: number;
}

export interface SpringFit extends StockSpring {
  turns: number;
  /** Strength against the spring wanted; 1 is equal. */
  strength: number;
  fills: number;
}

/** Widest a spring may be against the wanted one, and how far narrower. Practice: it must not bind on the cap. */
const NARROWER_MM = 1.5;

/**
 * Springs of the stock that go into this barrel, nearest first: strength counts most, then turns against the best.
 * @param wanted width and thickness of the spring that belongs there; its length, or the best one for the barrel
 */
export function chooseSpring(
  barrel: Omit<Barrel, 'thicknessMm'>,
  wanted: { widthMm: number; thicknessMm: number; lengthMm?: number | undefined },
  stock: readonly StockSpring[],
): SpringFit[] {
  const lengthMm = wanted.lengthMm ?? bestLengthMm({ ...barrel, thicknessMm: wanted.thicknessMm });
  const best = coil({ ...barrel, thicknessMm: wanted.thicknessMm }, lengthMm).turns;
  return stock
    .flatMap((s) => {
      if (s.widthMm > wanted.widthMm || s.widthMm < wanted.widthMm - NARROWER_MM) return [];
      try {
        const { turns, fills } = coil({ ...barrel, thicknessMm: s.thicknessMm }, s.lengthMm);
        return [{ ...s, turns, fills, strength: strengthAgainst(s, { ...wanted, lengthMm }, barrel) }];
      } catch {
        // it does not go into this barrel
        return [];
      }
    })
    .sort((a, b) => misfit(a, best) - misfit(b, best));
}
const misfit = (s: SpringFit, best: number) => 3 * Math.abs(Math.log(s.strength)) + Math.max(0, best - s.turns) / best;

/**
 * Free diameter against the inside of the barrel: under the first it is set, over the second it is lively. House rule,
 * from memory of practice.
 */
export const SET_BELOW = 2;
export const LIVELY_FROM = 2.5;
export type Liveliness = 'set' | 'tired' | 'lively';
/** A spring lying free on the bench, judged by how far it opens. Domain: free diameter at least the barrel's. */
export function judgeFree(freeMm: number, barrelMm: number): Liveliness {
  ensure(freeMm > 0 && barrelMm > 0, 'freeMm', 'Measure across the widest coil.');
  const share = freeMm / barrelMm;
  if (share < SET_BELOW) return 'set';
  return share < LIVELY_FROM ? 'tired' : 'lively';
}
