import type { EntityManager } from '@mikro-orm/postgresql';
import { sql } from '../platform/http/app-context.ts';

const SIZES = ['large', 'medium', 'small'] as const;
export type PhotoSize = (typeof SIZES)[number];
export const isSize = (given: string): given is PhotoSize => (SIZES as readonly string[]).includes(given);

interface Row {
  bytes: Buffer;
}

/** Bytes of a photo of a visit; undefined where there is none. */
export const photoById = async (em: EntityManager, id: string, size: PhotoSize): Promise<Buffer | undefined> =>
  (await sql<Row>(em, `select ${size} as bytes from photo where id = ?`, [id]))[0]?.bytes;

/** Bytes of a photo by its SHA-256: taken here, or brought with a book; undefined where it is not here. */
export const photoByHash = async (em: EntityManager, hash: string, size: PhotoSize): Promise<Buffer | undefined> =>
  (
    await sql<Row>(
      em,
      `(select ${size} as bytes from photo where hash = ? limit 1)
        union all select ${size} from brought_photo where hash = ? limit 1`,
      [hash, hash],
    )
  )[0]?.bytes;

/** Which of these photos are here. */
export async function photosHere(em: EntityManager, hashes: readonly string[]): Promise<Set<string>> {
  if (hashes.length === 0) return new Set();
  const of = `{${hashes.join(',')}}`;
  const rows = await sql<{ hash: string }>(
    em,
    'select hash from photo where hash = any(?) union select hash from brought_photo where hash = any(?)',
    [of, of],
  );
  return new Set(rows.map((r) => r.hash));
}
