import { mkdir, writeFile } from 'node:fs/promises';
import { join } from 'node:path';
import { buffer } from 'node:stream/consumers';
import { bookFile } from '@eclat/server/movements/book-file';
import { recordOf } from '@eclat/server/movements/record.service';
import type { Context } from '@eclat/server/platform/http/context';
import { servedElsewhere, type Elsewhere } from './elsewhere.ts';

/** Cooler than any light in the shop: its photos are others. */
const MUSEUM_LIGHT = -0.8;

/** Ends the unit of work in which the file was made: here nothing of it was ever written. */
class NotHere extends Error {}

/**
 * A book file as another house would send it, with one entry more than the book here, and its `book.json` with one
 * word changed: to be brought, and to be refused.
 * @param folder where they are put
 */
export async function writeTryFiles(
  ctx: Context,
  movementId: string,
  service: Elsewhere,
  yearsAgo: (years: number) => Date,
  folder: string,
): Promise<void> {
  await mkdir(folder, { recursive: true });
  try {
    await ctx.em.transactional(async (em) => {
      const there = { ...ctx, em };
      await servedElsewhere(there, movementId, [service], yearsAgo, () => MUSEUM_LIGHT);
      const { name, zip } = await bookFile(there, movementId);
      await writeFile(join(folder, `${name.slice(0, -4)} from the museum.zip`), await buffer(zip));
      const { entries, ...rest } = await recordOf(there, movementId);
      const changed = entries.map((e) => ({
        ...e,
        text: e.text.replace(service.text, service.text.replace(/\w+\.$/, 'perfect.')),
      }));
      await writeFile(
        join(folder, `${name.slice(0, -4)} one word changed.json`),
        JSON.stringify({ ...rest, entries: changed }),
      );
      throw new NotHere();
    });
  } catch (error) {
    if (!(error instanceof NotHere)) throw error;
  }
}
