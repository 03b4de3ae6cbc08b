import { FAMILIES } from '../../movement/index.ts';
import { choice } from '../fields.ts';

export const HOUSE = 'House rules, practice';
export const family = choice('Kind of movement', FAMILIES.map((f) => f.id) as [string, ...string[]]);
export const caution =
  'Ventilate; goggles and gloves. Never bleach near ammonia, never a flame or a heat gun near ' +
  'solvent. Follow the label and local rules.';
