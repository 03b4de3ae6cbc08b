import { ensure } from '../units/index.ts';

/** Kinds of bob, kg/m³. Published: any table of densities. */
export const BOBS = { lead: 11_340, mercury: 13_550, brass: 8500, iron: 7250, zinc: 7140 } as const;
export type BobMetal = keyof typeof BOBS;

/**
 * Density of dry air, kg/m³, at a pressure in hPa (300 to 1100) and a temperature in °C (−40 to 60): the gas law with
 * 287.05 J/(kg K). Published: ICAO standard atmosphere.
 */
export function airDensity(hPa: number, celsius: number): number {
  ensure(hPa >= 300 && hPa <= 1100, 'hPa', 'Between 300 and 1100 hPa.');
  ensure(celsius >= -40 && celsius <= 60, 'celsius', 'Between −40 and 60 °C.');
  return (100 * hPa) / (287.05 * (celsius + 273.15));
}

/**
 * Share of the air that a bob displaces which swings with it, in ideal flow: a flat round bob that swings edge on, its
 * thickness over its diameter (0.02 to 1). A ball is 1. Published: Lamb, Hydrodynamics, §114, spheroid.
 */
export function airCarried(thicknessShare: number): number {
  ensure(thicknessShare > 0 && thicknessShare <= 1, 'thicknessMm', 'A bob is no thicker than it is wide.');
  if (thicknessShare > 0.999) return 0.5;
  const e = Math.sqrt(1 - thicknessShare ** 2);
  const a = (thicknessShare / e ** 3) * Math.asin(e) - thicknessShare ** 2 / e ** 2;
  return a / (2 - a);
}

/** Real air clings: nearly as much again as ideal flow says. From memory: Bessel found 0.95 for a ball of brass. */
const CLINGS = 0.45;

/**
 * Seconds a day that a pendulum loses for each kg/m³ that the air is heavier: it floats more, and more air swings
 * with it. From the ideal flow to that of real air.
 */
export function lossPerAir(metal: BobMetal, thicknessShare: number): { least: number; most: number } {
  const carried = airCarried(thicknessShare);
  const one = 43_200 / BOBS[metal];
  return { least: one * (1 + carried), most: one * (1 + carried + CLINGS) };
}
