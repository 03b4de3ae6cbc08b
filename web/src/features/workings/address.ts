import type { Field, Typed } from '@eclat/core/workings';

/** A typed form in an address, so that it can be kept as a bookmark and sent: one name for each field, rows as JSON. */
export function toAddress(typed: Typed): URLSearchParams {
  const params = new URLSearchParams();
  for (const [name, value] of Object.entries(typed))
    params.set(name, typeof value === 'string' ? value : JSON.stringify(value));
  return params;
}

/** The form of an address, or null when it holds none of these fields. What is not in shape is left out. */
export function fromAddress(params: URLSearchParams, fields: readonly Field[]): Typed | null {
  const typed: Typed = {};
  for (const f of fields) {
    const raw = params.get(f.name);
    if (raw === null) continue;
    if (f.kind !== 'rows') typed[f.name] = raw;
    else {
      const rows = readRows(raw, f.of!.length);
      if (rows) typed[f.name] = rows;
    }
  }
  return Object.keys(typed).length > 0 ? typed : null;
}

function readRows(raw: string, columns: number): string[][] | null {
  try {
    const rows: unknown = JSON.parse(raw);
    return Array.isArray(rows) &&
      rows.every((r) => Array.isArray(r) && r.length <= columns && r.every((c) => typeof c === 'string'))
      ? (rows as string[][])
      : null;
  } catch {
    return null;
  }
}
