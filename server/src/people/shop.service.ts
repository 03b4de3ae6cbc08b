import type { ParsedBodyOf, ShopSettings } from '@eclat/contract';
import { api } from '@eclat/contract';
import { dayOf, type Day, type Moment, type Zone } from '@eclat/core/days';
import { expectVersion, type Context } from '../platform/http/context.ts';
import { Shop } from './people.entity.ts';

export const theShop = ({ em }: Pick<Context, 'em'>) => em.findOneOrFail(Shop, { one: true });

/** The zone by whose wall clock this shop lives: days of entries, documents, promises and the calendar. */
export const shopZone = async (ctx: Pick<Context, 'em'>): Promise<Zone> => (await theShop(ctx)).timeZone;

/** The day it is in the shop, or was at a moment. */
export const shopDay = async (ctx: Pick<Context, 'em' | 'now'>, at: Moment = ctx.now): Promise<Day> =>
  dayOf(at, await shopZone(ctx));

const settings = ({ name, timeZone, place, webAddress, answers, version }: Shop): ShopSettings => ({
  ...{ name, timeZone, place, webAddress, answers, version },
});

export const shopSettings = async (ctx: Context): Promise<ShopSettings> => settings(await theShop(ctx));

export async function setShop(
  ctx: Context,
  { version, timeZone, place, webAddress, answers }: ParsedBodyOf<typeof api.people.setShop>,
): Promise<ShopSettings> {
  const shop = await theShop(ctx);
  expectVersion(shop.version, version, settings(shop));
  shop.timeZone = timeZone;
  if (place !== undefined) shop.place = place;
  if (webAddress !== undefined) shop.webAddress = webAddress;
  if (answers !== undefined) shop.answers = answers;
  await ctx.em.flush();
  return settings(shop);
}
