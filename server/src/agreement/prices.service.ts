import type { Prices } from '@eclat/contract';
import type { Context } from '../http/context.ts';
import { Shop } from '../people/people.entity.ts';

export async function pricesOf({ em }: Pick<Context, 'em'>): Promise<Prices> {
  const { hourlyRate, taxPercent, pricesIncludeTax, currency, hoursPerWeek } = await em.findOneOrFail(Shop, { one: true });
  return { hourlyRate, taxPercent, pricesIncludeTax, currency, hoursPerWeek };
}

export async function setPrices(ctx: Context, given: Prices): Promise<Prices> {
  ctx.em.assign(await ctx.em.findOneOrFail(Shop, { one: true }), given);
  await ctx.em.flush();
  return pricesOf(ctx);
}
