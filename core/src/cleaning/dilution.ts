import { ensure } from '../units/index.ts';

/** Litres of concentrate and of water that fill a tank at 1 part to `parts` parts water. */
export function dilute(tankLitres: number, parts: number): { concentrateL: number; waterL: number } {
  ensure(tankLitres > 0 && tankLitres <= 1000, 'tankLitres', 'Between 0 and 1000 litres.');
  ensure(parts > 0 && parts <= 1000, 'parts', 'Parts of water to one of concentrate.');
  return { concentrateL: tankLitres / (parts + 1), waterL: (tankLitres * parts) / (parts + 1) };
}

/** The parts of water to one that were really mixed. */
export function partsMixed(concentrateL: number, waterL: number): number {
  ensure(concentrateL > 0, 'concentrateL', 'Some concentrate went in.');
  ensure(waterL >= 0, 'waterL', 'Water is 0 or more.');
  return waterL / concentrateL;
}

export interface Correction {
  add: 'concentrate' | 'water' | 'nothing';
  litres: number;
  /** Of the mixture, poured out before: the tank would run over. */
  pourOutL: number;
}

/**
 * What to add to bring a bath of `concentrateL` and `waterL` to `parts`: concentrate if it is weak, water if it is
 * strong. Where the tank would run over, so much is poured out first that it is then just full. By parts of volume.
 * @throws Outside when more is in it than the tank holds
 */
export function correct(concentrateL: number, waterL: number, parts: number, tankLitres: number): Correction {
  const mixed = partsMixed(concentrateL, waterL);
  const inIt = concentrateL + waterL;
  ensure(inIt <= tankLitres * (1 + 1e-9), 'tankLitres', 'More is in it than the tank holds.');
  if (Math.abs(mixed - parts) < 1e-9) return { add: 'nothing', litres: 0, pourOutL: 0 };
  const add = mixed > parts ? 'concentrate' : 'water';
  const litres = add === 'concentrate' ? waterL / parts - concentrateL : parts * concentrateL - waterL;
  if (inIt + litres <= tankLitres * (1 + 1e-9)) return { add, litres, pourOutL: 0 };
  // Filled up to the brim, so that the share of what is not added comes out as it should.
  const [is, wanted] =
    add === 'concentrate' ? [mixed / (mixed + 1), parts / (parts + 1)] : [1 / (mixed + 1), 1 / (parts + 1)];
  const kept = (wanted * tankLitres) / is;
  return { add, litres: tankLitres - kept, pourOutL: inIt - kept };
}
