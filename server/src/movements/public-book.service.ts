import type { EntityManager } from '@mikro-orm/postgresql';
import type { Book } from '@eclat/contract';
import { signature, type Context } from '../platform/http/context.ts';
import { notFound } from '../platform/http/problems.ts';
import { sql } from '../platform/http/app-context.ts';
import { newToken } from '../platform/http/tokens.ts';
import { photoByHash } from '../photos/stored.ts';
import { wholeBook, type WholeBook } from './book-file.ts';
import { bookEntries } from './history.service.ts';
import { PublicBook } from './movements.entity.ts';
import { movementNow } from './movements.service.ts';
import { hashesNamed } from './photos-of.ts';
import { publicPageOf } from './public-page-of.ts';

/** Opens the book of a movement to whoever has the address. Pressed twice, it is one address. */
export async function publish(ctx: Context, movementId: string): Promise<NonNullable<Book['publicPage']>> {
  const { id } = await movementNow(ctx, movementId);
  await sql(ctx.em, 'select 1 from movement where id = ? for update', [id]);
  const before = await publicPageOf(ctx.em, id);
  if (before) return before;
  ctx.em.create(PublicBook, { movementId: id, token: newToken(), endedAt: null, endedBy: null, ...signature(ctx) });
  await ctx.em.flush();
  return (await publicPageOf(ctx.em, id))!;
}

/** The address opens nothing any more, wherever it was printed. */
export async function unpublish(ctx: Context, movementId: string): Promise<void> {
  const { id } = await movementNow(ctx, movementId);
  await ctx.em.nativeUpdate(
    PublicBook,
    { movementId: id, endedAt: null },
    { endedAt: ctx.now, endedBy: ctx.person.name },
  );
}

/** @throws 404 alike for an address that never was and for one that was ended */
async function movementBehind(em: EntityManager, token: string): Promise<string> {
  const open = await em.findOne(PublicBook, { token, endedAt: null });
  if (!open) throw notFound('page');
  return open.movementId;
}

/** The book behind an address. */
export const publicBook = async (ctx: Context, token: string): Promise<WholeBook> =>
  wholeBook(ctx, await movementBehind(ctx.em, token));

/** A photo that an entry of that book names. @throws 404 for any other */
export async function publicPhoto({ em }: Context, token: string, hash: string): Promise<Buffer> {
  const entries = await bookEntries({ em }, await movementBehind(em, token));
  const bytes = hashesNamed(entries).includes(hash) ? await photoByHash(em, hash, 'large') : undefined;
  if (!bytes) throw notFound('photo');
  return bytes;
}
