import { ensure } from '../units/index.ts';

/** Litres of concentrate and of water that fill a tank at 1 part to `parts` parts water. */
export function dilute(tankLitres: number, parts: number): { concentrateL: number; waterL: number } {
  ensure(tankLitres > 0 && tankLitres <= 1000, 'tankLitres', 'Between nothing and 1000 litres.');
  ensure(parts > 0 && parts <= 1000, 'parts', 'Parts of water to one of concentrate.');
  return { concentrateL: tankLitres / (parts + 1), waterL: (tankLitres * parts) / (parts + 1) };
}

/** The parts of water to one that were really mixed. */
export function partsMixed(concentrateL: number, waterL: number): number {
  ensure(concentrateL > 0, 'concentrateL', 'Some concentrate went in.');
  ensure(waterL >= 0, 'waterL', 'Water is not less than none.');
  return waterL / concentrateL;
}

/**
 * What to add to bring a bath of `concentrateL` and `waterL` to `parts`: concentrate if it is weak, water if it is
 * strong.
 */
export function correct(
  concentrateL: number,
  waterL: number,
  parts: number,
): { add: 'concentrate' | 'water' | 'nothing'; litres: number } {
  const mixed = partsMixed(concentrateL, waterL);
  if (Math.abs(mixed - parts) < 1e-9) return { add: 'nothing', litres: 0 };
  return mixed > parts
    ? { add: 'concentrate', litres: waterL / parts - concentrateL }
    : { add: 'water', litres: parts * concentrateL - waterL };
}
