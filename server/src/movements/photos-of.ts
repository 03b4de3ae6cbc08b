import type { EntityManager } from '@mikro-orm/postgresql';
import { photosHere } from '../photos/stored.ts';
import { photosNamed } from './signed.ts';

type Entries = readonly { jws?: string | null }[];

/** Hashes of the photos that these entries name, each once, in their order. */
export const hashesNamed = (entries: Entries): string[] => [
  ...new Set(entries.flatMap((e) => photosNamed(e).map((p) => p.hash))),
];

/** Those that are not here. */
export async function photosAway(em: EntityManager, entries: Entries): Promise<string[]> {
  const named = hashesNamed(entries);
  const here = await photosHere(em, named);
  return named.filter((hash) => !here.has(hash));
}
