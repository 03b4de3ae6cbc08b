import length from './length.ts';
import mass from './mass.ts';

export const UNITS = [length, mass];
