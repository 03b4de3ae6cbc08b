import type { Context } from '../platform/http/context.ts';
import { notFound } from '../platform/http/problems.ts';
import { sql } from '../platform/http/app-context.ts';
import { decodeNamed, type Decoded } from '../photos/decode.ts';
import { photosHere } from '../photos/stored.ts';
import { bookEntries } from './history.service.ts';
import { movementNow } from './movements.service.ts';
import { hashesNamed } from './photos-of.ts';

/**
 * A photo that came in a book file, decoded before a unit of work begins. Null: it is here already.
 * @throws 404 when no entry of this book names it; 415 or 422 when it is not that photo
 */
export async function readBrought(
  ctx: Context,
  movementId: string,
  hash: string,
  bytes: unknown,
): Promise<Decoded | null> {
  const { id } = await movementNow(ctx, movementId);
  if (!hashesNamed(await bookEntries(ctx, id)).includes(hash)) throw notFound('photo');
  if ((await photosHere(ctx.em, [hash])).has(hash)) return null;
  return decodeNamed(bytes, hash);
}

/** Keeps it for good: sent twice it is one. */
export async function keepBrought({ em, person, now }: Context, photo: Decoded | null): Promise<void> {
  if (!photo) return;
  const { hash, width, height, large, medium, small } = photo;
  await sql(
    em,
    `insert into brought_photo (hash, width, height, large, medium, small, by, at) values (?, ?, ?, ?, ?, ?, ?, ?)
      on conflict do nothing`,
    [hash, width, height, large, medium, small, person.name, now],
  );
}
