import type { Prices } from '@eclat/contract';
import type { Context } from '../platform/http/context.ts';
import { Shop } from '../people/people.entity.ts';

export const pricesIn = ({ hourlyRate, taxPercent, pricesIncludeTax, currency, hoursPerWeek }: Prices): Prices => ({
  hourlyRate,
  taxPercent,
  pricesIncludeTax,
  currency,
  hoursPerWeek,
});
export const pricesOf = async ({ em }: Pick<Context, 'em'>): Promise<Prices> =>
  pricesIn(await em.findOneOrFail(Shop, { one: true }));

export async function setPrices(ctx: Context, given: Prices): Promise<Prices> {
  ctx.em.assign(await ctx.em.findOneOrFail(Shop, { one: true }), given);
  await ctx.em.flush();
  return pricesOf(ctx);
}
