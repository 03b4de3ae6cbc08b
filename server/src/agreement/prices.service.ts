import type { Prices } from '@eclat/contract';
import { expectVersion, type Context } from '../platform/http/context.ts';
import { theShop } from '../people/shop.service.ts';

export const pricesIn = ({
  hourlyRate,
  taxPercent,
  pricesIncludeTax,
  currency,
  hoursPerWeek,
  version,
}: Prices): Prices => ({
  hourlyRate,
  taxPercent,
  pricesIncludeTax,
  currency,
  hoursPerWeek,
  version,
});
export const pricesOf = async (ctx: Pick<Context, 'em'>): Promise<Prices> => pricesIn(await theShop(ctx));

export async function setPrices(ctx: Context, { version, ...given }: Prices): Promise<Prices> {
  const shop = await theShop(ctx);
  expectVersion(shop.version, version, pricesIn(shop));
  ctx.em.assign(shop, given);
  await ctx.em.flush();
  return pricesIn(shop);
}
