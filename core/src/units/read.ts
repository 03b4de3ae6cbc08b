export type Read = { kind: 'value'; value: number } | { kind: 'problem'; message: string };

interface Table {
  /** What one of each unit is in the canonical one. */
  units: Record<string, number>;
  /** The unit of a bare number. */
  bare: string;
  canonical: string;
  plausible: readonly [number, number];
  example: string;
  /** The units to offer when another was typed. */
  use: string;
}

const SHAPE = /^(?:(\d+)\s+(?=\d+\s*\/))?(\d+(?:[.,]\d+)?|[.,]\d+)(?:\s*\/\s*(\d+))?\s*([a-z"]*)$/i;

export type Parts = { value: number; unit: string; fraction: boolean };

/**
 * A number as it is typed (comma or point, a fraction, a whole and a fraction) and the unit behind it; or what is
 * wrong.
 */
export function partsOf(text: string, example: string): Parts | { problem: string } {
  const match = SHAPE.exec(text.trim());
  if (!match) return { problem: `Type a number, and a unit if it needs one (${example}).` };
  const [, whole, top, below, unit] = match;
  if (below !== undefined && Number(below) === 0) return { problem: 'A fraction cannot have nothing below its line.' };
  const value = Number(whole ?? 0) + Number(top!.replace(',', '.')) / Number(below ?? 1);
  return { value, unit: unit!.toLowerCase(), fraction: below !== undefined };
}

/**
 * Reads a quantity with a unit into its canonical unit; refuses what lies outside `plausible`, with the limits in the
 * message.
 */
export function readWithUnit(text: string, table: Table): Read {
  const parts = partsOf(text, table.example);
  if ('problem' in parts) return { kind: 'problem', message: parts.problem };
  const scale = table.units[parts.unit || table.bare];
  if (scale === undefined) return { kind: 'problem', message: `"${parts.unit}" is not a unit here. Use ${table.use}.` };
  const value = parts.value * scale;
  const [low, high] = table.plausible;
  return value >= low && value <= high
    ? { kind: 'value', value }
    : {
        kind: 'problem',
        message:
          `${trim(value)} ${table.canonical} is outside what this can be (${trim(low)} to ${trim(high)}` +
          ` ${table.canonical}).`,
      };
}

/** At most four significant decimals, without trailing noughts. */
export const trim = (value: number): string => String(Number(value.toPrecision(6)));
