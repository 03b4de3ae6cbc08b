import { rowsIn } from './columns.ts';

/** A photo that a signed entry names. */
export interface NamedPhoto {
  /** SHA-256 of its bytes, hex. */
  hash: string;
  /** Its caption, or the stage in which it was taken. */
  said: string;
}

const HASH = /^[0-9a-f]{64}$/;
const wordOf = (value: unknown): string => (typeof value === 'string' ? value : '');

/** Photos that the sections of an entry name, as far as they name them by a hash: a stranger’s may say anything. */
export function photosIn(sections: { photos?: Readonly<Record<string, unknown>> | undefined }): NamedPhoto[] {
  const rows = sections.photos?.['photos'];
  if (!Array.isArray(rows)) return [];
  return (rows as unknown[]).flatMap((row) => {
    const { hash, caption, stage } = (row ?? {}) as Record<string, unknown>;
    return HASH.test(wordOf(hash)) ? [{ hash: hash as string, said: wordOf(caption) || wordOf(stage) || 'Photo' }] : [];
  });
}

/** Two photos of the same, before and after. */
export interface PhotoPair {
  said: string;
  before: string;
  after: string;
}

/** The two of a pair, each with its words. */
export const bothOf = ({ said, before, after }: PhotoPair): [NamedPhoto, NamedPhoto] => [
  { hash: before, said: [said, 'before'].filter(Boolean).join(', ') },
  { hash: after, said: [said, 'after'].filter(Boolean).join(', ') },
];

type Named = Parameters<typeof photosIn>[0] & { pairs?: Readonly<Record<string, unknown>> | undefined };

/** Photos of an entry as they are shown: those that belong together as pairs, and the others by themselves. */
export function photosShown(sections: Named): { pairs: PhotoPair[]; single: NamedPhoto[] } {
  const all = photosIn(sections);
  const named = new Set(all.map((p) => p.hash));
  const pairs = rowsIn(sections.pairs, 'pairs').flatMap((row) => {
    const [before, after] = [wordOf(row['before']), wordOf(row['after'])];
    return named.has(before) && named.has(after) ? [{ said: wordOf(row['shows']), before, after }] : [];
  });
  const paired = new Set(pairs.flatMap((p) => [p.before, p.after]));
  return { pairs, single: all.filter((p) => !paired.has(p.hash)) };
}
