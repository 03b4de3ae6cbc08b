import { number } from '../fields.ts';

export const volts = number('Supply', 'V', 0.1, 400, { digits: 1 });
export const ohms = number('Coil', 'Ω', 0.1, 100000, { digits: 1 });
export const caution =
  'Limit the current before anything is joined. Mains: unplugged, proved dead, and by somebody whom local rules allow.';
