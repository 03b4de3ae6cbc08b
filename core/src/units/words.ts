import { LENGTH_UNITS } from './length.ts';
import { MASS_UNITS } from './mass.ts';

/** Letters without their accents, as whoever types in haste leaves them out. */
export const bare = (text: string): string => text.normalize('NFD').replace(/\p{M}/gu, '').normalize('NFC');

const UNIT_WORDS = [...Object.keys(LENGTH_UNITS), ...Object.keys(MASS_UNITS)];

/** A unit that may be typed behind a figure begins so: "m", "tho". No letters begin every one. */
export const beginsUnit = (text: string): boolean => UNIT_WORDS.some((unit) => unit.startsWith(text.toLowerCase()));
