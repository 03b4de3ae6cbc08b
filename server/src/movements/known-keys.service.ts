import type { KnownKey as Shape, ParsedBodyOf, ReplyOf, SaidOfCard } from '@eclat/contract';
import { api } from '@eclat/contract';
import { findOrRefuse, signature, viewSigned, type Context } from '../platform/http/context.ts';
import { badField } from '../platform/http/problems.ts';
import { KnownKey, ShopKey } from './keys.entity.ts';
import { keysOf, signingKey } from './keys.ts';
import { plainName } from './plain-name.ts';
import { readCard, signCard, signKnownKey } from './signed.ts';
import QRCode from 'qrcode';
import { theShop } from '../people/shop.service.ts';

async function view({ kid, shop, card, ...k }: KnownKey): Promise<Shape> {
  const said = card ? await readCard(card) : null;
  const { place = '', address = '' } = said ?? {};
  return { key: kid, shop, place, address, card: card ?? null, ...viewSigned(k) };
}

/** The newest key of this shop, and those of others that it has signed for. */
export async function signingKeys(ctx: Context): Promise<ReplyOf<typeof api.movements.keys>> {
  const { known } = await keysOf(ctx.em);
  const [own, ...earlier] = await ctx.em.find(ShopKey, {}, { orderBy: { madeAt: 'desc' } });
  const viewOwn = (k: { kid: string; madeAt: Date }) => ({ key: k.kid, since: k.madeAt.toISOString() });
  const rows = await ctx.em.find(KnownKey, {}, { orderBy: { shop: 'asc' } });
  return {
    own: own ? viewOwn(own) : null,
    earlier: earlier.map(viewOwn),
    known: await Promise.all(rows.filter((k) => known.has(k.kid)).map(view)),
  };
}

/** Believed from now on, under this shop’s signature: a row that somebody writes into the database is not. */
export async function knowKey(
  ctx: Context,
  { key, shop, card }: ParsedBodyOf<typeof api.movements.knowKey>,
): Promise<Shape> {
  const keys = await keysOf(ctx.em);
  if (card !== undefined && (await cardOf(card)).key !== key) throw badField('card', 'This card is of another key.');
  if (keys.own.has(key)) throw badField('key', 'This is the key of this shop itself.');
  // Who signs under this shop's name with another key is not this shop.
  if (plainName(shop) === plainName((await theShop(ctx)).name))
    throw badField('shop', 'This is the name of this shop, and the key is not its own. Say whose it is.');
  const { by, at } = signature(ctx);
  const ours = await signingKey(ctx.em, ctx.now);
  const { jws } = await signKnownKey(ours, { key, shop, by, at: at.toISOString() });
  const row = await ctx.em.upsert(KnownKey, { kid: key, shop, by, at, jws, ...(card && { card }) });
  return view(row);
}

/** @throws 422 where it is none, or not as it was signed */
async function cardOf(card: string): Promise<SaidOfCard> {
  const said = await readCard(card);
  if (!said) throw badField('card', 'This is no shop card, or it was changed after it was signed.');
  return said;
}

/** What this shop hands to others: name, place, address and key, signed. */
export async function ownCard(ctx: Pick<Context, 'em' | 'now'>): Promise<{ card: string; said: SaidOfCard }> {
  const shop = await theShop(ctx);
  const key = await signingKey(ctx.em, ctx.now);
  const said: SaidOfCard = {
    ...{ format: 'eclat-shop-card', version: 1, shop: shop.name, place: shop.place, address: shop.webAddress },
    ...{ key: key.kid, at: ctx.now.toISOString() },
  };
  const { jws: card } = await signCard(key, said);
  return { card, said };
}

/** The card in words and as a code too. */
export async function shopCard(ctx: Context): Promise<ReplyOf<typeof api.movements.card>> {
  const { card, said } = await ownCard(ctx);
  const words = [
    `Shop card: ${[said.shop, said.place].filter(Boolean).join(', ')}`,
    said.address,
    `Key ${said.key}`,
    card,
  ];
  const code = await QRCode.toDataURL(words.filter(Boolean).join('\n'), {
    margin: 2,
    errorCorrectionLevel: 'L',
    scale: 4,
  });
  return { card, said, code };
}

export async function readShopCard(
  ctx: Context,
  { card }: ParsedBodyOf<typeof api.movements.readCard>,
): Promise<ReplyOf<typeof api.movements.readCard>> {
  const said = await cardOf(card);
  return { ...said, known: (await keysOf(ctx.em)).known.has(said.key) };
}

export async function forgetKey(ctx: Context, key: string): Promise<void> {
  ctx.em.remove(await findOrRefuse(ctx, KnownKey, { kid: key }, 'known key'));
  await ctx.em.flush();
}
