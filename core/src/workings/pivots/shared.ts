import { mm } from '../fields.ts';

export const size = (title: string) => mm(title, 0.05, 15);
export const hole = { holeLongMm: size('Hole, the long way'), holeShortMm: size('Hole, the short way') };
