import { STRIP_LAWS, type StripLaw } from '../../torsion/index.ts';
import { choice, mm, number } from '../fields.ts';

export const LAW = 'Torsion of a thin strip: T² goes as 1/(b t³), any text on elasticity';
export const law = choice('Width of the strips', Object.keys(STRIP_LAWS) as [StripLaw, ...StripLaw[]], {
  hint: 'Measure the width of both: a wider one is stronger too',
});
export const perMinute = (title: string) => number(title, 'a minute', 0.5, 60);
export const strip = (title: string) => mm(title, 0.03, 0.5, { digits: 4, hint: '0.0038in or 0.097' });
