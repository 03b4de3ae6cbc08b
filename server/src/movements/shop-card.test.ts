import type { Book, KnownKey, MovementBook, ReplyOf, ShopSettings } from '@eclat/contract';
import type { api } from '@eclat/contract';
import jsQR from 'jsqr';
import sharp from 'sharp';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { strangeKey } from '../../test/forge.ts';
import { openShop, takeIn } from '../../test/shop.ts';
import { signCard } from './signed.ts';

type Shop = Awaited<ReturnType<typeof openShop>>;
let a: Shop, b: Shop;
const cardOf = async (of: Shop) =>
  (await of.marit.ok<NonNullable<ReplyOf<typeof api.movements.card>>>('GET', '/shop-card'))!;
const read = (card: string) => b.marit.send<{ key: string; known: boolean }>('POST', '/shop-cards/read', { card });
const know = (body: object) => b.marit.send<KnownKey>('POST', '/signing-keys', body);
const set = async (of: Shop, change: object) => {
  const { version, timeZone } = await of.marit.ok<ShopSettings>('GET', '/shop');
  return of.marit.send<ShopSettings>('PUT', '/shop', { version, timeZone, ...change });
};

beforeAll(async () => {
  [a, b] = [await openShop(), await openShop()];
});
afterAll(() => Promise.all([a.running.stop(), b.running.stop()]));

describe('a shop card', () => {
  it('says name, place, address and key, in a code that another program reads', async () => {
    await set(a, { place: 'Aldermere', webAddress: 'https://fennick.example' });
    const { card, said, code } = await cardOf(a);
    expect(said).toMatchObject({
      shop: 'Fennick Row Clock Room',
      place: 'Aldermere',
      address: 'https://fennick.example',
    });
    const picture = sharp(Buffer.from(code.split(',')[1]!, 'base64'))
      .ensureAlpha()
      .raw();
    const { data, info } = await picture.toBuffer({ resolveWithObject: true });
    const words = jsQR(new Uint8ClampedArray(data), info.width, info.height)!.data.split('\n');
    expect(words).toEqual([
      'Shop card: Fennick Row Clock Room, Aldermere',
      'https://fennick.example',
      `Key ${said.key}`,
      card,
    ]);
  });

  it('makes its key known under the name that somebody gives it; what it signed is proved from then on', async () => {
    const { movement } = await takeIn(a.marit);
    const at = `/movements/${movement.id}`;
    await a.marit.ok('POST', `${at}/inscriptions`, { date: '1871', text: 'J.B.', carrier: 'back board' });
    const { entries: history, logs } = await a.marit.ok<MovementBook>('GET', `${at}/record`);
    const there = await takeIn(b.marit, {
      movement: { name: 'Brass', familyId: 'mantel-barrels', marks: [], history, logs },
    });
    const proofs = async () =>
      (await b.marit.ok<Book>('GET', `/movements/${there.movement.id}`)).entries.map((e) => e.proof);
    expect(await proofs()).toEqual(['unknown shop']);
    const { card, said } = await cardOf(a);
    expect((await read(card)).body).toMatchObject({ key: said.key, known: false });
    // Test shops share one name: nobody is let in under that of this shop.
    expect((await know({ key: said.key, shop: said.shop, card })).body.fields?.[0]?.path).toBe('shop');
    expect((await know({ key: said.key, shop: 'Fennick, Aldermere', card })).body).toMatchObject({
      ...{ shop: 'Fennick, Aldermere', place: 'Aldermere', address: 'https://fennick.example' },
    });
    expect([await proofs(), (await read(card)).body.known]).toEqual([['proved'], true]);
  });

  it('is refused where it was changed, is of another key than it says, or has an address that is none', async () => {
    const { card, said } = await cardOf(a);
    const [head, , signature] = card.split('.');
    const body = Buffer.from(JSON.stringify({ ...said, address: 'https://elsewhere.example' })).toString('base64url');
    expect((await read([head, body, signature].join('.'))).status).toBe(422);
    const thief = await strangeKey();
    expect((await read((await signCard(thief, said)).jws)).status).toBe(422);
    const theirs = (await signCard(thief, { ...said, key: thief.kid })).jws;
    const inward = (await signCard(thief, { ...said, key: thief.kid, address: 'http://10.0.0.1' })).jws;
    expect((await read(inward)).status).toBe(422);
    expect((await know({ key: said.key, shop: 'Fennick', card: theirs })).body.fields?.[0]?.path).toBe('card');
    for (const webAddress of [
      'http://fennick.example',
      'https://a:b@fennick.example',
      'https://fennick.example/in/here',
      'https://fennick.example?x',
      'file:///etc/passwd',
      'javascript:alert(1)',
      'fennick.example',
    ])
      expect([webAddress, (await set(a, { webAddress })).status]).toEqual([webAddress, 422]);
    expect((await set(a, { webAddress: 'http://127.0.0.1:4090' })).status).toBe(200);
    expect((await set(a, {})).body.webAddress).toBe('http://127.0.0.1:4090');
  });
});
