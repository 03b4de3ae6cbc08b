import type { Known } from '@eclat/core/sound';

const LIMITS = {
  beats: [300, 40_000, 'From 300 to 40,000.'],
  lift: [20, 90, 'From 20 to 90 degrees.'],
  teeth: [3, 120, 'From 3 to 120.'],
} as const;
type Name = keyof typeof LIMITS;
export type Typed = Record<Name, string>;

/** What was typed, as far as it is right; and what is wrong with the rest, by field. */
export function knownOfTyped(typed: Typed): { known: Known; wrong: Partial<Record<Name, string>> } {
  const wrong: Partial<Record<Name, string>> = {};
  const read = (name: Name) => {
    const text = typed[name].trim().replace(/[\s']/g, '').replace(',', '.');
    if (text === '') return undefined;
    const [least, most, says] = LIMITS[name];
    const n = Number(text);
    if (n >= least && n <= most) return n;
    wrong[name] = says;
    return undefined;
  };
  return { known: { beats: read('beats'), liftDeg: read('lift'), teeth: read('teeth') }, wrong };
}
