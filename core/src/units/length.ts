import { partsOf, readWithUnit } from './read.ts';

/** One inch in millimetres, exact. Published: international yard and pound agreement, 1959. */
export const MM_PER_INCH = 25.4;
const MM_PER_THOUSANDTH = MM_PER_INCH / 1000;

export type LengthReading =
  | { kind: 'length'; mm: number }
  | { kind: 'ask'; asMm: number; asThousandths: number }
  | { kind: 'problem'; message: string };

export const LENGTH_UNITS: Record<string, number> = {
  mm: 1,
  cm: 10,
  m: 1000,
  in: MM_PER_INCH,
  inch: MM_PER_INCH,
  inches: MM_PER_INCH,
  '"': MM_PER_INCH,
  thou: MM_PER_THOUSANDTH,
  thousandths: MM_PER_THOUSANDTH,
  th: MM_PER_THOUSANDTH,
};
const EXAMPLE = '1.22, 0.048in, 48 thou';

/**
 * Reads a length as a person or a caliper types it: "1,22", "0.048 in", "1 3/64in", "48 thou".
 *
 * A bare number is millimetres if it lies in `plausibleMm`. If it does not, but would as thousandths of an inch, the
 * answer is a question and never a guess. A bare fraction is refused: nobody's caliper says of what.
 * @param plausibleMm the range, in mm, that this field can sensibly hold (shortest, longest)
 */
export function readLength(text: string, plausibleMm: readonly [number, number]): LengthReading {
  const parts = partsOf(text, EXAMPLE);
  if ('problem' in parts) return { kind: 'problem', message: parts.problem };
  if (parts.unit === '') {
    if (parts.fraction)
      return { kind: 'problem', message: `A fraction of what? Type the unit behind it (${text.trim()} in).` };
    const thousandths = parts.value * MM_PER_THOUSANDTH;
    if (!within(parts.value, plausibleMm) && within(thousandths, plausibleMm))
      return { kind: 'ask', asMm: parts.value, asThousandths: thousandths };
  }
  const read = readWithUnit(text, {
    units: LENGTH_UNITS,
    bare: 'mm',
    canonical: 'mm',
    plausible: plausibleMm,
    example: EXAMPLE,
    use: 'mm, in or thou',
  });
  return read.kind === 'value' ? { kind: 'length', mm: read.value } : read;
}

const within = (mm: number, [low, high]: readonly [number, number]) => mm >= low && mm <= high;

/** The nearest sixty-fourth of an inch, in lowest terms: 9.525 mm is "3/8", 36.5 is "1 7/16". */
export function nearestSixtyFourth(mm: number): { text: string; offMm: number } {
  const parts = Math.round((mm / MM_PER_INCH) * 64);
  const offMm = mm - (parts * MM_PER_INCH) / 64;
  let top = parts % 64,
    below = 64;
  const whole = Math.floor(parts / 64);
  while (top > 0 && top % 2 === 0) {
    top /= 2;
    below /= 2;
  }
  return { text: top === 0 ? String(whole) : `${whole > 0 ? `${whole} ` : ''}${top}/${below}`, offMm };
}
