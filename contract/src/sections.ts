import { SECTIONS, type Column, type Section, type SectionName, type Table } from '@eclat/core/record';
import { z } from 'zod';

const MOST_ROWS = 5000;
const said = z.string().max(20_000);

const CELLS: Readonly<Record<Column['is'], z.ZodType>> = {
  word: said,
  words: z.array(said),
  text: said,
  texts: z.array(said),
  figure: z.number(),
  flag: z.boolean(),
  moment: said,
  values: z.record(z.string(), z.json()),
  noted: z.record(z.string(), z.json()),
};

const cell = ({ is, label, unit }: Column): z.ZodType => {
  const words = [label, unit && `in ${unit}`].filter(Boolean).join(', ');
  return words ? CELLS[is].describe(words) : CELLS[is];
};

const listOf = ({ title, columns }: Table) =>
  z
    .array(z.object(Object.fromEntries(Object.entries(columns).map(([name, c]) => [name, cell(c).optional()]))))
    .max(MOST_ROWS)
    .describe(title);

const sectionOf = ({ title, version, tables }: Section) =>
  z
    .object({
      version: z.literal(version),
      ...Object.fromEntries(Object.entries(tables).map(([name, t]) => [name, listOf(t).optional()])),
    })
    .describe(title);

const each = Object.fromEntries(
  Object.entries(SECTIONS).map(([name, section]) => [name, sectionOf(section)]),
) as unknown as Record<SectionName, z.ZodType<Readonly<Record<string, unknown>>>>;

/** The sections of a signed visit, by feature. What a visit did not say stands nowhere. docs/formats has the schema. */
export const recordSections = z.object(each).partial();

export type RecordSections = z.infer<typeof recordSections>;

/** Null where it does not fit, or is nested so deeply that nobody can read it. */
function parsed<T>(schema: z.ZodType<T>, section: unknown): T | null {
  try {
    return schema.safeParse(section).data ?? null;
  } catch (error) {
    if (error instanceof RangeError) return null;
    throw error;
  }
}

/**
 * Sections of a signed entry that this version can read, and the names of those that it cannot: of a later version, or
 * of nothing that it knows. Those stay in what was signed.
 */
export function readSections(sections: Readonly<Record<string, unknown>>): {
  sections: RecordSections;
  unread: string[];
} {
  const read: RecordSections = {};
  const unread: string[] = [];
  for (const [name, section] of Object.entries(sections)) {
    const known = Object.hasOwn(each, name) ? parsed(each[name as SectionName], section) : null;
    if (known) read[name as SectionName] = known;
    else unread.push(name);
  }
  return { sections: read, unread };
}
