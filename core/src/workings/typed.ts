import { MM_PER_INCH, G_PER_OUNCE, G_PER_POUND } from '../units/index.ts';
import { readField, unitFor, type Field, type UnitSystem } from './fields.ts';
import type { FieldProblem } from './run.ts';

/**
 * A form as it is typed: text for each field, rows of text for each table. It can stand in an address and on a device.
 */
export type Typed = Record<string, string | string[][]>;

export interface ReadForm {
  input: Record<string, unknown>;
  problems: FieldProblem[];
  /** Millimetres or thousandths? Asked at the field, never guessed. */
  asks: { field: string; typed: string; asThousandths: number }[];
}

/**
 * Turns a typed form into the inputs of a working. Empty optional fields are left out; whatever cannot be read is
 * named.
 */
export function readTyped(fields: readonly Field[], typed: Typed, system: UnitSystem = 'metric'): ReadForm {
  const out: ReadForm = { input: {}, problems: [], asks: [] };
  for (const field of fields.filter((f) => wanted(f, typed))) {
    const raw = typed[field.name];
    if (field.kind === 'rows') {
      const list = Array.isArray(raw) ? raw : [];
      out.input[field.name] = list.map((cells, i) => {
        const row: Record<string, unknown> = {};
        field.of!.forEach((column, k) => {
          const value = readOne(column, cells[k] ?? '', `${field.name}.${i}.${column.name}`, system, out);
          if (value !== undefined) row[column.name] = value;
        });
        return row;
      });
    } else {
      const value = readOne(field, typeof raw === 'string' ? raw : '', field.name, system, out);
      if (value !== undefined) out.input[field.name] = value;
    }
  }
  return out;
}

/** A field that belongs to another choice is neither shown nor read; what was typed into it stays. */
export const wanted = ({ when }: Field, typed: Typed): boolean =>
  Object.entries(when ?? {}).every(([name, choices]) => choices.includes(String(typed[name] ?? '')));

function readOne(field: Field, text: string, path: string, system: UnitSystem, out: ReadForm): unknown {
  if (field.kind === 'yes') return text === 'yes';
  if (field.kind === 'text') return text.trim() === '' && field.optional ? undefined : text;
  if (field.kind === 'choice' || field.kind === 'day') return text === '' ? undefined : text;
  if (field.kind === 'numbers') {
    // One after another: a blank or a semicolon between, and a comma only where a blank follows it.
    const parts = text
      .split(/[;\s]+|,(?=\s)/)
      .map((p) => p.replace(/,$/, ''))
      .filter(Boolean);
    return parts.map((part) => readNumber(field, part, path, system, out)).filter((v) => v !== undefined);
  }
  return text.trim() === '' ? undefined : readNumber(field, text, path, system, out);
}

function readNumber(field: Field, text: string, path: string, system: UnitSystem, out: ReadForm): number | undefined {
  const read = readField(field, text, system);
  if (read.kind === 'length') return read.mm;
  if (read.kind === 'value') return read.value;
  if (read.kind === 'ask') out.asks.push({ field: path, typed: text.trim(), asThousandths: read.asThousandths });
  else out.problems.push({ field: path, message: read.message });
  return undefined;
}

/** Digits more than in the metric unit. */
const MORE_DIGITS: Record<string, number> = { in: 2, lb: 1, oz: 1 };
const PER: Record<string, number> = { in: MM_PER_INCH, oz: G_PER_OUNCE, lb: G_PER_POUND / 1000 };

/** A figure in the units of the person: "4.85 mm", "0.1911 in". Inches get two decimals more than millimetres. */
export function show(
  value: number,
  field: Pick<Field, 'unit' | 'digits'>,
  system: UnitSystem,
): { text: string; unit: string } {
  const unit = unitFor(field.unit?.split(' ')[0] === 'mm' ? 'mm' : field.unit, system);
  const scale = PER[unit] ?? 1;
  const digits = Math.min(5, (field.digits ?? 2) + (MORE_DIGITS[unit] ?? 0));
  const text = (value / scale).toFixed(digits);
  return {
    text: Number(text) === 0 ? text.replace('-', '') : text.replace('-', '−'),
    unit: field.unit?.startsWith('mm ') ? field.unit.replace('mm', unit) : unit,
  };
}

/** The typed form of known inputs, in the units of the person: from an example, an address or a kept working. */
export function typedOf(
  fields: readonly Field[],
  input: Record<string, unknown>,
  system: UnitSystem = 'metric',
): Typed {
  return Object.fromEntries(
    fields.flatMap((f): [string, string | string[][]][] => {
      const value = input[f.name];
      if (value === undefined) return [];
      if (f.kind === 'rows')
        return [
          [f.name, (value as Record<string, unknown>[]).map((row) => f.of!.map((c) => cell(c, row[c.name], system)))],
        ];
      return [
        [
          f.name,
          f.kind === 'numbers' ? (value as number[]).map((v) => cell(f, v, system)).join(' ') : cell(f, value, system),
        ],
      ];
    }),
  );
}

function cell(f: Field, value: unknown, system: UnitSystem): string {
  if (value === undefined || value === null) return '';
  if (typeof value === 'boolean') return value ? 'yes' : '';
  if (typeof value !== 'number') return typeof value === 'string' ? value : JSON.stringify(value);
  return String(Number((value / (PER[unitFor(f.unit, system)] ?? 1)).toPrecision(7)));
}
