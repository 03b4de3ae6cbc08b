import { typedAtBench } from '../benches/index.ts';
import { TASKS } from '../casework/index.ts';
import { usualParts } from '../cleaning/index.ts';
import type { Typed } from '../history/index.ts';
import { DRIVEN_BY, USUAL_UNITS } from '../workflow/index.ts';
import type { Column, KeptRow } from './columns.ts';
import { sectionsOf, type KeptSection } from './from-visit.ts';
import { SECTIONS, type Section, type SectionName } from './sections.data.ts';
import type { RecordSource } from './source.ts';

/** Every string in a value, however deep. */
function stringsIn(value: unknown): string[] {
  if (typeof value === 'string') return [value];
  return typeof value === 'object' && value !== null ? Object.values(value).flatMap(stringsIn) : [];
}

const TYPED: readonly Column['is'][] = ['text', 'texts', 'noted'];

function typedIn(name: SectionName, section: KeptSection): Typed[] {
  return Object.entries((SECTIONS[name] as Section).tables).flatMap(([list, { where, columns }]) =>
    ((section[list] as readonly KeptRow[] | undefined) ?? []).flatMap((row) =>
      Object.entries(columns)
        .filter(([, column]) => TYPED.includes(column.is))
        .flatMap(([of]) => stringsIn(row[of]).map((text) => ({ where, text }))),
    ),
  );
}

/**
 * What a person typed of what would be signed: what Eclat says of its own accord, or offers to be pressed, is none.
 */
export function typedWords(visit: RecordSource, waiver = '', note = ''): Typed[] {
  const offered = new Set<string>([
    ...usualParts(visit.movement.traits).map((p) => p.name),
    ...TASKS.map((t) => t.what),
    ...USUAL_UNITS,
    ...DRIVEN_BY,
  ]);
  const sections = Object.entries(sectionsOf(visit)) as [SectionName, KeptSection][];
  return [
    ...sections.flatMap(([name, section]) => typedIn(name, section)),
    ...visit.benchTests.flatMap(({ of, test }) =>
      of === 'visit' ? typedAtBench(test).map((text) => ({ where: 'a bench', text })) : [],
    ),
    { where: 'the waiver', text: waiver },
    { where: 'the note', text: note },
  ].filter(({ text }) => text !== '' && !offered.has(text));
}
