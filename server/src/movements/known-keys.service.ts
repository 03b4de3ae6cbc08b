import type { KnownKey as Shape, ParsedBodyOf, ReplyOf } from '@eclat/contract';
import { api } from '@eclat/contract';
import { findOrRefuse, signature, viewSigned, type Context } from '../platform/http/context.ts';
import { badField } from '../platform/http/problems.ts';
import { KnownKey, ShopKey } from './keys.entity.ts';
import { keysOf, signingKey } from './keys.ts';
import { plainName } from './plain-name.ts';
import { signKnownKey } from './signed.ts';
import { theShop } from '../people/shop.service.ts';

const view = ({ kid, shop, ...k }: KnownKey): Shape => ({ key: kid, shop, ...viewSigned(k) });

/** The newest key of this shop, and those of others that it has signed for. */
export async function signingKeys(ctx: Context): Promise<ReplyOf<typeof api.movements.keys>> {
  const { known } = await keysOf(ctx.em);
  const [own, ...earlier] = await ctx.em.find(ShopKey, {}, { orderBy: { madeAt: 'desc' } });
  const viewOwn = (k: { kid: string; madeAt: Date }) => ({ key: k.kid, since: k.madeAt.toISOString() });
  const rows = await ctx.em.find(KnownKey, {}, { orderBy: { shop: 'asc' } });
  return {
    own: own ? viewOwn(own) : null,
    earlier: earlier.map(viewOwn),
    known: rows.filter((k) => known.has(k.kid)).map(view),
  };
}

/** Believed from now on, under this shop’s signature: a row that somebody writes into the database is not. */
export async function knowKey(ctx: Context, { key, shop }: ParsedBodyOf<typeof api.movements.knowKey>): Promise<Shape> {
  const keys = await keysOf(ctx.em);
  if (keys.own.has(key)) throw badField('key', 'This is the key of this shop itself.');
  // Who signs under this shop's name with another key is not this shop.
  if (plainName(shop) === plainName((await theShop(ctx)).name))
    throw badField('shop', 'This is the name of this shop, and the key is not its own. Say whose it is.');
  const { by, at } = signature(ctx);
  const ours = await signingKey(ctx.em, ctx.now);
  const { jws } = await signKnownKey(ours, { key, shop, by, at: at.toISOString() });
  const row = await ctx.em.upsert(KnownKey, { kid: key, shop, by, at, jws });
  return view(row);
}

export async function forgetKey(ctx: Context, key: string): Promise<void> {
  ctx.em.remove(await findOrRefuse(ctx, KnownKey, { kid: key }, 'known key'));
  await ctx.em.flush();
}
