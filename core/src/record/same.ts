import { keepSection, type KeptSections } from './from-visit.ts';
import { rowsIn } from './columns.ts';

interface Other {
  /** Id of the other movement in the shop that says so, and its code there. */
  movement: string;
  code: string;
}

const sameSection = (list: 'linked' | 'parted', row: Other & Record<string, string | readonly string[]>) => {
  const section = keepSection('same', { [list]: [row] });
  const kept: KeptSections = section ? { same: section } : {};
  return kept;
};

/** Of an entry that says that another movement is this one. @param heads hashes of the last entries of its book */
export const linkedSection = (other: Other & { heads: readonly string[] }): KeptSections =>
  sameSection('linked', { ...other });

/** Of an entry that says that they are two after all. @param left hashes of the entries that are the other’s */
export const partedSection = (other: Other & { left: readonly string[] }): KeptSections =>
  sameSection('parted', { ...other });

/** Hashes of entries that an entry says are another movement’s; a stranger’s may say anything. */
export const leftIn = (sections: Readonly<Record<string, unknown>>): string[] =>
  rowsIn(sections['same'], 'parted').flatMap(({ left }) =>
    Array.isArray(left) ? left.filter((hash): hash is string => typeof hash === 'string') : [],
  );

interface MayBeCopied {
  id: string;
  amends: string | null;
  copyOf: string | null;
}

/** Each entry once: what another shop took over unsigned is left out beside the original, which has its amendments. */
export function shownOnce<E extends MayBeCopied>(entries: readonly E[]): E[] {
  // An original that is kept apart, because it is not what was signed, hides no copy.
  const here = new Set(entries.map((e) => e.id));
  const originals = new Map(
    entries.flatMap((e) => (e.copyOf && here.has(e.copyOf) ? [[e.id, e.copyOf] as const] : [])),
  );
  return entries
    .filter((e) => !originals.has(e.id))
    .map((e) => (e.amends && originals.has(e.amends) ? { ...e, amends: originals.get(e.amends)! } : e));
}
