import type { z } from 'zod';
import { Outside } from '../units/index.ts';
import { fieldsOf, limitsInWords, type Field } from './fields.ts';
import type { Check, Working } from './working.ts';

export interface FieldProblem {
  /** Path of the field: `barrelMm`, `meshes.1.wheel`. */
  field: string;
  message: string;
}

export type Outcome =
  | { ok: true; result: Record<string, unknown>; says: string; version: number }
  | { ok: false; problems: FieldProblem[] };

/**
 * Runs a working on anything: the answer with its sentence, or what is wrong, at which field, and its limit. Never NaN,
 * never a throw.
 */
export function runWorking(w: Working, given: unknown): Outcome {
  const parsed = w.inputs.safeParse(given);
  if (!parsed.success) return { ok: false, problems: parsed.error.issues.map((i) => inWords(i, fieldsOf(w.inputs))) };
  try {
    const result = w.compute(parsed.data);
    // A figure that is not a number is a fault of ours, and is said as one rather than shown.
    const whole = w.result.safeParse(result);
    if (!whole.success)
      return {
        ok: false,
        problems: [{ field: whole.error.issues[0]!.path.join('.'), message: 'These values lead to no finite answer.' }],
      };
    return { ok: true, result: whole.data, says: w.says(result, parsed.data), version: w.version };
  } catch (error) {
    if (error instanceof Outside) return { ok: false, problems: [{ field: error.field, message: error.message }] };
    throw error;
  }
}

/** Says what is wrong in the words of the field, with its limit. */
function inWords(issue: z.core.$ZodIssue, fields: readonly Field[]): FieldProblem {
  const path = issue.path.filter((p) => typeof p === 'string');
  let list: readonly Field[] | undefined = fields;
  let field: Field | undefined;
  for (const name of path) {
    field = list?.find((f) => f.name === name);
    list = field?.of;
  }
  const at = issue.path.join('.');
  if (!field) return { field: at, message: issue.message };
  return { field: at, message: `${field.title}: ${lower(whatIsWrong(issue, field))}` };
}

function whatIsWrong(issue: z.core.$ZodIssue, field: Field): string {
  if (issue.code === 'too_small' || issue.code === 'too_big') {
    if (issue.origin === 'array') return `Between ${field.entries![0]} and ${field.entries![1]} entries.`;
    if (issue.origin === 'string') return 'Shorter.';
    return limitsInWords(field);
  }
  if (issue.code === 'invalid_type') {
    if ('input' in issue && issue.input === undefined) return 'Is needed.';
    if (field.whole) return 'A whole number is needed.';
    return field.kind === 'number' ? `A number is needed. ${limitsInWords(field)}` : 'Is needed.';
  }
  if (issue.code === 'invalid_value') return `One of ${field.options?.join(', ')}.`;
  return issue.message;
}
const lower = (text: string) => text.charAt(0).toLowerCase() + text.slice(1);

export interface CheckOutcome {
  path: string;
  wanted: string;
  found: string;
  holds: boolean;
}

/**
 * Runs one check as it stands in the registry. The tests do it, and the checks page does it before the reader's eyes.
 */
export function runCheck(w: Working, check: Check): CheckOutcome[] {
  const outcome = runWorking(w, check.given);
  return Object.entries(check.finds).map(([path, wanted]) => {
    const found = outcome.ok
      ? at({ ...outcome.result, says: outcome.says }, path)
      : outcome.problems.map((p) => `${p.field}: ${p.message}`).join(' ');
    if (Array.isArray(wanted)) {
      const [value, within] = wanted as [number, number];
      return {
        path,
        wanted: `${value} ± ${within}`,
        found: typeof found === 'number' ? String(Number(found.toPrecision(8))) : String(found),
        holds: typeof found === 'number' && Math.abs(found - value) <= within,
      };
    }
    return {
      path,
      wanted: String(wanted),
      found: String(found),
      holds: typeof wanted === 'string' && path === 'says' ? String(found).includes(wanted) : found === wanted,
    };
  });
}

/** What stands at a path; null where nothing does. */
const at = (value: unknown, path: string): unknown =>
  path
    .split('.')
    .reduce<unknown>(
      (v, key) => (v === null || typeof v !== 'object' ? null : ((v as Record<string, unknown>)[key] ?? null)),
      value,
    );
