import { z } from 'zod';
import { readLength, readMass, readWithUnit, trim, type LengthReading } from '../units/index.ts';

/** What a field of a working says of itself; it stands in the JSON Schema too. */
export interface Meaning {
  title: string;
  unit?: string;
  /** Decimals to show. */
  digits?: number;
  hint?: string;
  /** Wanted only while another field holds one of these choices. */
  when?: Readonly<Record<string, readonly string[]>>;
}

/** Units a person may choose to read in; what is stored and computed stays in the first. */
export type Quantity = 'length' | 'mass' | 'plain';
const QUANTITY: Record<string, Quantity> = { mm: 'length', g: 'mass', kg: 'mass' };
/** The quantity that a unit measures; plain for a number without one. */
export const quantityOf = (unit: string | undefined): Quantity => QUANTITY[unit ?? ''] ?? 'plain';

type More = Omit<Meaning, 'title' | 'unit'>;
/** A number in a stated unit, between two limits. */
export const number = (title: string, unit: string, min: number, max: number, more: More = {}) =>
  z
    .number()
    .min(min)
    .max(max)
    .meta({ title, unit, ...more });
/** A whole number from `min` to `max`. */
export const whole = (title: string, min: number, max: number, more: More = {}) =>
  z
    .int()
    .min(min)
    .max(max)
    .meta({ title, digits: 0, ...more });
/** A length in millimetres from `min` to `max`; the screen may show it in inches. */
export const mm = (title: string, min: number, max: number, more: More = {}) =>
  number(title, 'mm', min, max, { digits: 2, ...more });
/** Beats an hour, 300 to 40,000 unless told otherwise, without decimals. */
export const beats = (title = 'Beats an hour', min = 300, max = 40000) => number(title, '', min, max, { digits: 0 });
/** One of these words. */
export const choice = <const T extends readonly [string, ...string[]]>(title: string, options: T, more: More = {}) =>
  z.enum(options).meta({ title, ...more });
/** Yes or no. */
export const yes = (title: string, more: More = {}) => z.boolean().meta({ title, ...more });
/** Words, at most so many letters. */
export const text = (title: string, most: number, more: More = {}) =>
  z
    .string()
    .trim()
    .max(most)
    .meta({ title, ...more });
/** A day of the calendar, as ISO 8601 writes it. */
export const day = (title: string, more: More = {}) =>
  z.iso.date('A day as year-month-day, such as 2026-11-23.').meta({ title, ...more });
/** A table that the person fills: at least `min` rows. */
export const rows = <S extends z.ZodRawShape>(title: string, row: S, min: number, max: number, more: More = {}) =>
  z
    .array(z.object(row))
    .min(min)
    .max(max)
    .meta({ title, ...more });
/** Numbers in a row, typed one after another. */
export const numbers = (
  title: string,
  unit: string,
  each: readonly [number, number],
  min: number,
  max: number,
  more: More = {},
) =>
  z
    .array(z.number().min(each[0]).max(each[1]))
    .min(min)
    .max(max)
    .meta({ title, unit, ...more });

/** A figure of a result. */
export const out = (title: string, unit = '', digits = 2) => z.number().meta({ title, unit, digits });
/** A figure of the result that may be missing; `unit` and decimals for the screen. */
export const maybe = (title: string, unit = '', digits = 2) => z.number().nullable().meta({ title, unit, digits });
/** Words of the result. */
export const words = (title: string) => z.string().meta({ title });
/** A yes or no of the result. */
export const fact = (title: string) => z.boolean().meta({ title });
/** Rows of the result, each with these columns. */
export const table = <S extends z.ZodRawShape>(title: string, row: S) => z.array(z.object(row)).meta({ title });

export type FieldKind = 'number' | 'choice' | 'yes' | 'text' | 'day' | 'numbers' | 'rows';

/** One field, as a form or a table needs it. */
export interface Field extends Meaning {
  name: string;
  kind: FieldKind;
  optional: boolean;
  whole: boolean;
  min?: number;
  max?: number;
  /** Fewest and most entries of a list. */
  entries?: readonly [number, number];
  options?: readonly string[];
  of?: readonly Field[];
}

interface Json extends Partial<Meaning> {
  type?: string | string[];
  enum?: string[];
  format?: string;
  anyOf?: Json[];
  minimum?: number;
  maximum?: number;
  minItems?: number;
  maxItems?: number;
  items?: Json;
  properties?: Record<string, Json>;
  required?: string[];
}

/** The fields of a schema, in order: from them come the forms, the tables of results and what is said of bad input. */
export function fieldsOf(schema: z.ZodObject): Field[] {
  return fromJson(z.toJSONSchema(schema, { io: 'input' }) as Json);
}

function fromJson({ properties = {}, required = [] }: Json): Field[] {
  return Object.entries(properties).map(([name, raw]) => {
    const json = raw.anyOf ? { ...raw.anyOf.find((x) => x.type !== 'null'), ...raw } : raw;
    const base = {
      name,
      title: json.title ?? name,
      optional: !required.includes(name),
      whole: json.type === 'integer',
      ...pick(json, 'unit'),
      ...pick(json, 'hint'),
      ...pick(json, 'digits'),
      ...pick(json, 'when'),
    };
    if (json.enum) return { ...base, kind: 'choice', options: json.enum };
    if (json.type === 'boolean') return { ...base, kind: 'yes' };
    if (json.type === 'array') {
      const entries = [json.minItems ?? 0, json.maxItems ?? 1000] as const;
      const item = json.items ?? {};
      return item.properties
        ? { ...base, kind: 'rows', entries, of: fromJson(item) }
        : { ...base, kind: 'numbers', entries, ...limits(item) };
    }
    if (json.type === 'string') return { ...base, kind: json.format === 'date' ? 'day' : 'text' };
    return { ...base, kind: 'number', ...limits(json) };
  });
}
const pick = <K extends keyof Json>(json: Json, key: K) => (json[key] === undefined ? {} : { [key]: json[key] });
const limits = ({ minimum, maximum }: Json) => ({
  ...(minimum === undefined ? {} : { min: minimum }),
  ...(maximum === undefined ? {} : { max: maximum }),
});

const UNBOUNDED = 1e12;

/** What a bare number means to a person: metric, or inches, pounds and ounces. */
export type UnitSystem = 'metric' | 'inch';
const BARE: Record<UnitSystem, Record<string, string>> = {
  metric: { mm: 'mm', g: 'g', kg: 'kg' },
  inch: { mm: 'in', g: 'oz', kg: 'lb' },
};
/** The unit in which a person of this system reads and types a field. */
export const unitFor = (unit: string | undefined, system: UnitSystem): string => BARE[system][unit ?? ''] ?? unit ?? '';

/** Reads what a person typed into a number field: lengths and masses with any unit, others as plain numbers. */
export function readField(
  field: Pick<Field, 'unit' | 'min' | 'max' | 'whole'>,
  typed: string,
  system: UnitSystem = 'metric',
): LengthReading | { kind: 'value'; value: number } {
  const range = [field.min ?? -UNBOUNDED, field.max ?? UNBOUNDED] as const;
  const negative = /^\s*[-−]/.test(typed);
  const plain = typed.replace(/^\s*[-−+]/, '').trim();
  const inUnit = system === 'inch' && /^[\d.,]+$/.test(plain) ? `${plain} ${unitFor(field.unit, system)}` : plain;
  if (field.unit === 'mm' && !negative) {
    const read = readLength(inUnit, range);
    // A bare number in inches that can only be thousandths is asked about, as it is in millimetres.
    const thousandths =
      system === 'inch' && inUnit !== plain && read.kind === 'problem' ? readLength(`${plain} thou`, range) : null;
    return thousandths?.kind === 'length'
      ? { kind: 'ask', asMm: Number(plain.replace(',', '.')) * 25.4, asThousandths: thousandths.mm }
      : read;
  }
  if ((field.unit === 'g' || field.unit === 'kg') && !negative) {
    const scale = field.unit === 'kg' ? 1000 : 1;
    const read = readMass(inUnit, [range[0] * scale, range[1] * scale], field.unit);
    return read.kind === 'value' ? { kind: 'value', value: read.value / scale } : read;
  }
  const read = readWithUnit(plain.replace(/\s*[%°].*$/, ''), {
    units: { '': 1 },
    bare: '',
    canonical: field.unit ?? '',
    plausible: negative ? [-range[1], -range[0]] : range,
    example: 'a plain number',
    use: 'none',
  });
  if (read.kind === 'problem')
    return { kind: 'problem', message: /outside/.test(read.message) ? limitsInWords(field) : 'Type a plain number.' };
  if (field.whole && !Number.isInteger(read.value)) return { kind: 'problem', message: 'A whole number.' };
  return { kind: 'value', value: negative ? -read.value : read.value };
}

/** "Between 5 and 120 mm." */
export function limitsInWords({ unit, min, max }: Pick<Field, 'unit' | 'min' | 'max'>): string {
  const of = unit ? ` ${unit}` : '';
  if (min !== undefined && max !== undefined && max < Number.MAX_SAFE_INTEGER)
    return `Between ${trim(min)} and ${trim(max)}${of}.`;
  if (min !== undefined) return `At least ${trim(min)}${of}.`;
  return max !== undefined ? `At most ${trim(max)}${of}.` : 'A number.';
}
