import { ensure } from '../units/index.ts';
import { STANDARD_GRAVITY } from './gravity.ts';

/** Stiffness of spring steel, MPa. Published: any table of metals, 200 to 210 GPa. */
export const STEEL_MPA = 206_000;
/**
 * Stress that a spring of hardened strip bears for ever, MPa, half of what it endures as bent to and fro. From memory:
 * endurance of spring steel strip 500 to 600 MPa.
 */
export const BEARS_MPA = 250;
/** Strip that suspension springs are made of, mm. From memory of what is sold. */
export const SUSPENSION_STOCK_MM = [0.03, 0.04, 0.05, 0.06, 0.08, 0.1, 0.13, 0.15, 0.2, 0.25, 0.3] as const;

/** All strips together, in mm, with the bob that hangs on them in kg. */
export interface Suspension {
  thicknessMm: number;
  widthMm: number;
  bobKg: number;
}

function check({ thicknessMm, widthMm, bobKg }: Suspension): void {
  ensure(thicknessMm > 0 && thicknessMm <= 1, 'thicknessMm', 'A suspension spring is at most 1 mm thick.');
  ensure(widthMm > 0 && widthMm <= 100, 'widthMm', 'At most 100 mm wide.');
  ensure(bobKg > 0 && bobKg <= 100, 'bobKg', 'A bob of at most 100 kg.');
}

/**
 * How far below the chops a spring under load bends, mm: √(E I/W). The pendulum swings as if it hung there from a
 * knife edge. A free length of less than three of it bends at both ends. Published: bending of a strip under pull, any
 * text on elasticity.
 */
export function flexesBelowMm(s: Suspension): number {
  check(s);
  const inertia = (s.widthMm * s.thicknessMm ** 3) / 12;
  return Math.sqrt((STEEL_MPA * inertia) / (s.bobKg * STANDARD_GRAVITY));
}

/**
 * Greatest stress at the chops, MPa: the pull over the section, and the bending at the end of the swing, whose curve
 * there is the swing over `flexesBelowMm`. @param semiArcDeg to one side, 0 to 15
 */
export function suspensionStressMpa(s: Suspension, semiArcDeg: number): number {
  ensure(semiArcDeg >= 0 && semiArcDeg <= 15, 'semiArcDeg', 'Between 0 and 15 degrees.');
  const pull = (s.bobKg * STANDARD_GRAVITY) / (s.widthMm * s.thicknessMm);
  const curve = (semiArcDeg * Math.PI) / 180 / flexesBelowMm(s);
  return pull + (STEEL_MPA * s.thicknessMm * curve) / 2;
}

/** The thinnest strip of the stock that bears this bob and swing for ever; null when none does at this width. */
export function chooseSuspension(bobKg: number, widthMm: number, semiArcDeg: number): number | null {
  const bears = (thicknessMm: number) => suspensionStressMpa({ thicknessMm, widthMm, bobKg }, semiArcDeg) <= BEARS_MPA;
  return SUSPENSION_STOCK_MM.find(bears) ?? null;
}
