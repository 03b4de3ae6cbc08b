import type { Book, MovementBook, Visit } from '@eclat/contract';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { strangeKey } from '../../test/forge.ts';
import { byHand, newClock, openShop, PASS, takeIn } from '../../test/shop.ts';
import { slipWords } from '../documents/slip.ts';
import { sql } from '../platform/http/app-context.ts';
import { shortProof } from './log.service.ts';
import { signHead } from './signed.ts';
import { verifyStore } from './verify.ts';

type Shop = Awaited<ReturnType<typeof openShop>>;
let shop: Shop;
let at: string;
const em = (of: Shop = shop) => of.running.appContext.orm.em.fork();
const bookOf = (of: Shop, path: string) => of.marit.ok<Book>('GET', path);
const fileOf = (path: string) => shop.marit.ok<MovementBook>('GET', `${path}/record`);
const inscribe = (text: string) =>
  shop.marit.ok('POST', `${at}/inscriptions`, { date: '189X', text, place: 'front plate' });
const bring = (to: Shop, file: MovementBook, mark: string) =>
  to.marit.send<Visit>(
    'POST',
    '/visits',
    newClock({
      movement: {
        ...{ name: 'Brass movement', familyId: 'mantel-barrels', maker: '', marks: [{ place: 'label', text: mark }] },
        ...{ history: file.entries, logs: file.logs, historyFrom: 'book.json' },
      },
    }),
  );
const check = async (of: Shop, { entries: history, logs }: MovementBook, movementId?: string) =>
  (await of.marit.send<{ log: string[] }>('POST', '/movement-records/check', { history, logs, movementId })).body;

beforeAll(async () => {
  shop = await openShop();
  at = `/movements/${(await takeIn(shop.marit)).movement.id}`;
});
afterAll(() => shop.running.stop());

describe('the log of what a shop signed', () => {
  let first: MovementBook;
  let other: Shop;
  /** Its book in the other shop. */
  let movementId: string;
  beforeAll(async () => {
    other = await openShop();
  });
  afterAll(() => other.running.stop());

  it('numbers each entry under a signed head, and misses the last one when it is taken out whole', async () => {
    await inscribe('Clnd 189');
    await inscribe('JB 1893');
    const places = async () => (await bookOf(shop, at)).entries.map((e) => e.log);
    expect(await places()).toEqual([
      { number: 0, size: 2 },
      { number: 1, size: 2 },
    ]);
    expect((await verifyStore(em())).log).toEqual([]);
    const [last] = await sql<Record<string, unknown>>(em(), `select * from history_entry where text = 'JB 1893'`);
    await byHand(shop, 'history_entry', 'delete from history_entry where id = ?', [last!['id']]);
    expect(await bookOf(shop, at)).toMatchObject({ gone: [2], entries: [{ proof: 'proved' }] });
    expect((await verifyStore(em())).log).toEqual([
      expect.stringMatching(/^1 entry of the log is gone from the books: number 2 of M-[0-9A-Z]{6}\.$/),
    ]);
    const columns = Object.keys(last!);
    await byHand(
      shop,
      'history_entry',
      `insert into history_entry (${columns.join(', ')}) values (${columns.map(() => '?').join(', ')})`,
      Object.values(last!),
    );
    expect(await bookOf(shop, at)).toMatchObject({ gone: [] });
    for (const statement of ['update log_entry set number = 9', 'delete from log_entry', 'truncate log_head'])
      await expect(sql(em(), statement), statement).rejects.toThrow(/permission denied/);
  });

  it('goes with the file: the next shop sees where each entry stands, and refuses a log that was changed', async () => {
    first = await fileOf(at);
    const [log] = first.logs!;
    const forged: [string, Partial<typeof log>][] = [
      ['its head', { head: first.entries[0]!.signed! }],
      ['a place', { places: [{ ...log!.places[0]!, number: 1 }] }],
      ['a proof', { places: [{ ...log!.places[0]!, path: ['ab'.repeat(32)] }] }],
      ['an entry', { places: [{ ...log!.places[0]!, hash: 'cd'.repeat(32) }] }],
    ];
    for (const [what, change] of forged)
      expect((await bring(other, { ...first, logs: [{ ...log!, ...change }] }, 'x')).body, what).toMatchObject({
        fields: [{ path: 'movement.history', message: expect.stringContaining('log in this file is not valid') }],
      });
    // Well signed, and no head that a log can have.
    const key = await strangeKey();
    const said = { format: 'eclat-log-head', version: 1, shop: 'x', key: key.kid, root: 'ab'.repeat(32) } as const;
    for (const odd of [{ size: 2 ** 40 }, { size: 1, shop: 'x\0' }]) {
      const { jws } = await signHead(key, { ...said, at: '2031-05-02T09:00:00.000Z', ...odd });
      const logs = [{ head: jws, places: [], since: [] }];
      expect((await bring(other, { ...first, logs }, 'x')).status, JSON.stringify(odd)).toBe(422);
    }
    expect((await check(other, first)).log).toEqual([]);
    const { movement } = (await bring(other, first, 'y')).body;
    movementId = movement.id;
    const there = await bookOf(other, `/movements/${movement.id}`);
    expect(there.entries.map((e) => [e.proof, e.log])).toEqual([
      ['unknown shop', { number: 0, size: 2 }],
      ['unknown shop', { number: 1, size: 2 }],
    ]);
    // It goes on from there: the head and the places as they came.
    const onward = await other.marit.ok<MovementBook>('GET', `/movements/${movement.id}/record`);
    expect(onward.logs).toEqual([{ ...log, since: [] }]);
    // A place that somebody writes into the database is none.
    await sql(em(other), `update log_place set number = number + 1`);
    expect((await bookOf(other, `/movements/${movement.id}`)).entries.map((e) => e.log)).toEqual([null, null]);
  });

  it('is seen to be another by whoever saw it before, though all of it is signed anew', async () => {
    // As after an old backup, or by one who rewrites: the second entry never was.
    await byHand(shop, 'history_entry', `delete from history_entry where text = 'JB 1893'`);
    await byHand(shop, 'log_entry', 'delete from log_entry where number = 1');
    await sql(em(), 'delete from log_head where size = 2');
    expect((await verifyStore(em())).log[0]).toContain('No signed head covers the last 1 entry');
    await inscribe('Nothing was done');
    expect((await verifyStore(em())).log).toEqual([]);
    const words = [expect.stringContaining('is not the one that it showed before: with 2 entries')];
    expect((await check(other, await fileOf(at), movementId)).log).toEqual(words);
    await inscribe('Oiled');
    const later = await fileOf(at);
    expect(later.logs![0]!.since.map((s) => s.size)).toEqual([2]);
    expect((await check(other, later, movementId)).log).toEqual(words);
  });

  it('is longer elsewhere than here: this shop stands on an old backup, and is told', async () => {
    const restored = await openShop();
    const [own] = await sql<Record<string, unknown>>(em(), 'select * from shop_key');
    await sql(em(restored), 'delete from shop_key');
    await sql(em(restored), 'insert into shop_key values (?, ?, ?, ?)', [
      ...[own!['kid'], JSON.stringify(own!['public_jwk']), own!['sealed'], own!['made_at']],
    ]);
    expect((await verifyStore(em(restored))).log).toEqual([]);
    expect((await bring(restored, first, 'z')).status).toBe(201);
    expect((await verifyStore(em(restored))).log).toEqual([expect.stringContaining('stands on an old backup')]);
    // As it says: with a new key a new log begins, and what was lost is settled.
    expect((await restored.marit.send('POST', '/signing-keys/change', { passphrase: PASS })).status).toBe(201);
    expect((await verifyStore(em(restored))).log).toEqual([]);
    await restored.running.stop();
  });

  it('stands on a slip in short, in words without a server; that head is held to as one in a file', async () => {
    const { entries } = await bookOf(shop, at);
    const proof = await shortProof(em(), entries[0]!.id, new Date());
    const [head] = await sql<{ root: string; size: number }>(
      em(),
      'select root, size from log_head order by size desc limit 1',
    );
    const { root, size } = head!;
    expect(proof).toBe(`Entry ${entries[0]!.hash.slice(0, 16)}, number 1 of ${size}, root ${root.slice(0, 16)}`);
    const words = slipWords({
      ...{ code: 'M-777777', name: 'Brass movement', did: 'Overhauled', signed: '2031-05-02', proof },
      ...{ by: 'Marit Fennick, Fennick Row Clock Room', due: 'Oil 2035-05', movementId: at.split('/').at(-1)! },
      address: 'https://clocks.example/api/books/x/',
    });
    expect(words.split('\n')).toEqual([
      'Clock movement M-777777, Brass movement',
      'Overhauled 2031-05-02',
      'Marit Fennick, Fennick Row Clock Room',
      'Oil 2035-05',
      proof,
      'https://clocks.example/api/books/x/',
      `Movement ${at.split('/').at(-1)}`,
    ]);
    await inscribe('Later');
    expect((await fileOf(at)).logs![0]!.since.map((s) => s.size)).toContain(size);
  });

  it('takes in what its key signed before there was a log', async () => {
    const old = await openShop();
    const { movement } = await takeIn(old.marit);
    const there = `/movements/${movement.id}`;
    const write = (text: string) =>
      old.marit.ok<{ id: string }>('POST', `${there}/inscriptions`, { date: '1901', text, place: 'plate' });
    const { id } = await write('A');
    await byHand(old, 'log_entry', 'delete from log_entry');
    await sql(em(old), 'delete from log_head');
    expect((await bookOf(old, there)).entries[0]!.log).toBeNull();
    await old.marit.ok('POST', `/history/${id}/amendments`, { passphrase: PASS, text: 'It reads 1903.' });
    expect((await bookOf(old, there)).entries.map((e) => e.log)).toEqual([
      { number: 0, size: 2 },
      { number: 1, size: 2 },
    ]);
    expect((await verifyStore(em(old))).log).toEqual([]);
    await old.running.stop();
  });
});
