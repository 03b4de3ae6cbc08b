import { mm } from '../fields.ts';

export const AREAS = 'Areas of the coils, any text on springs';
export const BENDING = 'Bending of a strip, any text on elasticity';
export const barrel = { barrelMm: mm('Inside of the barrel', 5, 200), arborMm: mm('Arbor across', 1, 100) };
export const thicknessMm = mm('Thickness', 0.05, 2);
export const widthMm = mm('Width', 1, 80);
export const lengthMm = mm('Length', 50, 10000, { digits: 0 });
export const caution =
  'A mainspring can take an eye or a finger. Winder, gloves, eye protection; let down first. A ' +
  'contained spring stays contained until the winder has it. Follow local rules.';
