import type { Book } from '@eclat/contract';
import type { EntityManager } from '@mikro-orm/postgresql';
import { PublicBook } from './movements.entity.ts';

/** The public page of a movement, while there is one. */
export async function publicPageOf(em: EntityManager, movementId: string): Promise<Book['publicPage']> {
  const open = await em.findOne(PublicBook, { movementId, endedAt: null });
  return open && { token: open.token, by: open.by, at: open.at.toISOString() };
}

/** Its address, for whoever reaches the shop at this origin. */
export const publicAddress = (origin: string, token: string): string => `${origin}/api/books/${token}/`;
