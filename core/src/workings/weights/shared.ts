import type { Falls } from '../../weight/index.ts';
import { choice, mm, number } from '../fields.ts';

export const line = {
  barrelMm: mm('Barrel across', 5, 200),
  lineMm: mm('Line or cable across', 0.3, 8),
  turns: number('Turns of a full wind', 'turns', 0.5, 60),
};
export const falls = choice('The weight hangs', ['straight on the line', 'on a pulley'], {
  hint: 'A pulley halves the fall and the pull',
});
export const count = (how: 'straight on the line' | 'on a pulley'): Falls => (how === 'on a pulley' ? 2 : 1);
export const CIRCLE = 'Circumference at the middle of the line; a movable pulley halves the fall';
export const caution =
  'A weight that falls breaks feet, floors and cases. Weights off before the movement or the seatboard is touched.';
