/** One inch in millimetres, exact. Published: international yard and pound agreement, 1959. */
export const MM_PER_INCH = 25.4;
const MM_PER_THOUSANDTH = MM_PER_INCH / 1000;

export type LengthReading =
  | { kind: 'length'; mm: number }
  | { kind: 'ask'; asMm: number; asThousandths: number }
  | { kind: 'problem'; message: string };

const UNITS: Record<string, number> = {
  mm: 1, cm: 10, m: 1000,
  in: MM_PER_INCH, inch: MM_PER_INCH, inches: MM_PER_INCH, '"': MM_PER_INCH,
  thou: MM_PER_THOUSANDTH, thousandths: MM_PER_THOUSANDTH, th: MM_PER_THOUSANDTH,
};

const SHAPE = /^(\d+(?:[.,]\d+)?|[.,]\d+)(?:\s*\/\s*(\d+))?\s*([a-z"]*)$/i;

/**
 * Reads a length as a person or a caliper types it: "1,22", "0.048 in", "3/64in", "48 thou".
 *
 * A bare number is millimetres if it lies in `plausibleMm`. If it does not, but would as
 * thousandths of an inch, the answer is a question and never a guess.
 * @param plausibleMm the range, in mm, that this field can sensibly hold (shortest, longest)
 */
export function readLength(text: string, plausibleMm: readonly [number, number]): LengthReading {
  const match = SHAPE.exec(text.trim());
  if (!match) return { kind: 'problem', message: 'Type a number, and a unit if it is not millimetres (1.22, 0.048in, 48 thou).' };
  const over = match[2] === undefined ? 1 : Number(match[2]);
  if (over === 0) return { kind: 'problem', message: 'A fraction cannot have nothing below its line.' };
  const value = Number(match[1]!.replace(',', '.')) / over;
  const unit = match[3]!.toLowerCase();
  const inRange = (mm: number) => mm >= plausibleMm[0] && mm <= plausibleMm[1];

  if (unit === '') {
    if (inRange(value)) return { kind: 'length', mm: value };
    const thousandths = value * MM_PER_THOUSANDTH;
    if (inRange(thousandths)) return { kind: 'ask', asMm: value, asThousandths: thousandths };
    return { kind: 'problem', message: outside(value, plausibleMm) };
  }
  const scale = UNITS[unit];
  if (scale === undefined) return { kind: 'problem', message: `"${unit}" is not a length here. Use mm, in or thou.` };
  const mm = value * scale;
  return inRange(mm) ? { kind: 'length', mm } : { kind: 'problem', message: outside(mm, plausibleMm) };
}

function outside(mm: number, [low, high]: readonly [number, number]): string {
  return `${mm.toFixed(2)} mm is outside what this can be (${low} to ${high} mm).`;
}
