import type { Book, BookLog, Entry, MovementBook } from '@eclat/contract';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { strangeKey } from '../../test/forge.ts';
import { openShop, PASS, takeIn } from '../../test/shop.ts';
import { signingKey, type SigningKey } from './keys.ts';
import { signChange, signEntry, signHead } from './signed.ts';
import { verifyStore } from './verify.ts';

type Shop = Awaited<ReturnType<typeof openShop>>;
let a: Shop, b: Shop, inA: string, inB: string, old: SigningKey;
const em = (of: Shop) => of.running.appContext.orm.em.fork();
const keyOf = (of: Shop) => em(of).transactional((inner) => signingKey(inner, of.now.at));
const bookOf = (of: Shop, at: string) => of.marit.ok<Book>('GET', at);
const fileOf = (of: Shop, at: string) => of.marit.ok<MovementBook>('GET', `${at}/record`);
const write = (text: string) =>
  a.marit.ok<Entry>('POST', `${inA}/inscriptions`, { date: '189X', text, place: 'front plate' });
const change = (passphrase = PASS, by = a.marit) => by.send('POST', '/signing-keys/change', { passphrase });
const bring = ({ entries: history, logs }: MovementBook) =>
  b.marit.send<Book>('POST', `${inB}/record`, { history, logs, historyFrom: 'book.zip' });
const check = async ({ entries: history, logs }: MovementBook) =>
  (
    await b.marit.send<{ proofs: string[]; log: string[] }>('POST', '/movement-records/check', {
      ...{ history, logs, movementId: inB.split('/').at(-1) },
    })
  ).body;

beforeAll(async () => {
  [a, b] = [await openShop(), await openShop()];
  inA = `/movements/${(await takeIn(a.marit)).movement.id}`;
  await write('Clnd 189');
  const { entries: history, logs } = await fileOf(a, inA);
  const movement = { name: 'Brass movement', familyId: 'mantel-barrels', marks: [], history, logs };
  inB = `/movements/${(await takeIn(b.marit, { movement })).movement.id}`;
  old = await keyOf(a);
  await b.marit.ok('POST', '/signing-keys', { key: old.kid, shop: 'Lantern Yard Workshop' });
});
afterAll(() => Promise.all([a.running.stop(), b.running.stop()]));

describe('a shop that changes its key', () => {
  it('asks for the passphrase of its owner, and nobody else’s', async () => {
    expect((await change('oak wedge ten pins')).status).toBe(422);
    await a.marit.ok('POST', '/people', { name: 'Ines Calloway', role: 'technician', passphrase: PASS });
    const ines = a.browser();
    await ines.ok('PUT', '/session', { name: 'Ines Calloway', passphrase: PASS });
    expect((await change(PASS, ines)).status).toBe(403);
    expect((await keyOf(a)).kid).toBe(old.kid);
    // The clock may have gone back: the new key is the newest all the same.
    a.now.at = new Date(a.now.at.getTime() - 3_600_000);
    expect((await change()).status).toBe(201);
    expect((await keyOf(a)).kid).not.toBe(old.kid);
    expect(await a.marit.ok('GET', '/signing-keys')).toMatchObject({ earlier: [{ key: old.kid }] });
  });

  it('is known by the new key to whoever knew the old one, and what it signed before stays proved', async () => {
    await write('Bushed');
    expect((await bookOf(a, inA)).entries.map((e) => e.proof)).toEqual(['proved', 'proved']);
    expect(await verifyStore(em(a))).toMatchObject({ broken: [], log: [] });
    const file = await fileOf(a, inA);
    expect(file.logs!.map((l) => l.changes?.length ?? 0).sort()).toEqual([0, 1]);
    expect(await check(file)).toMatchObject({ proofs: ['proved', 'proved'], log: [] });
    const { entries } = (await bring(file)).body;
    expect(entries.map((e) => [e.text, e.proof, e.signature?.knownAs])).toEqual([
      ['Clnd 189', 'proved', 'Lantern Yard Workshop'],
      ['Bushed', 'proved', 'Lantern Yard Workshop'],
    ]);
    // From key to key: the whole way goes along, to a third shop too.
    await change();
    await write('Oiled');
    const onward = await fileOf(a, inA);
    expect(onward.logs!.map((l) => l.changes?.length ?? 0).sort()).toEqual([0, 1, 2]);
    expect((await bring(onward)).body.entries.map((e) => e.proof)).toEqual(['proved', 'proved', 'proved']);
    expect((await fileOf(b, inB)).logs!.map((l) => l.changes?.length ?? 0).sort()).toEqual([0, 1, 2]);
  });

  it('hands its name to no key that did not sign too, in no changed word, and by no broken chain', async () => {
    const file = await fileOf(a, inA);
    const far = file.logs!.find((l) => l.changes?.length === 2)!;
    const [first, second] = far.changes!;
    const forged: [string, BookLog['changes']][] = [
      ['the new key is silent', [first!, { ...second!, new: second!.old }]],
      ['the old key is silent', [first!, { ...second!, old: second!.new }]],
      ['it leads elsewhere', [first!]],
      ['a link is gone between', [second!, first!]],
    ];
    for (const [what, changes] of forged) {
      const logs = file.logs!.map((l) => (l === far ? { ...l, changes } : l));
      expect([what, (await bring({ ...file, logs: logs as BookLog[] })).status]).toEqual([what, 422]);
    }
  });

  it('is not followed by a thief of its old key: neither to his own key, nor in what he signs by it', async () => {
    const file = await fileOf(a, inA);
    const thief = await strangeKey();
    const at = a.now.at.toISOString();
    const to = { format: 'eclat-key-change', version: 1, from: old.kid, at, last: null } as const;
    const stolen = await signChange(old, thief, { ...to, shop: 'x', to: thief.kid });
    const said = (key: SigningKey, title: string) =>
      signEntry(key, {
        ...{ format: 'eclat-entry', version: 2, movement: file.movement, kind: 'inscription', date: '1999', title },
        ...{ text: '', place: '', shop: 'x', signedBy: 'x', writtenAt: at, amends: null, parents: [], takenOver: null },
        ...{ signer: { name: 'x', standing: 'technician', shop: 'x', key: key.kid }, sections: {} },
      });
    const asFile = async (key: SigningKey, size: number, changes: BookLog['changes']): Promise<MovementBook> => {
      const { hash, jws } = await said(key, 'Overhauled');
      const head = {
        format: 'eclat-log-head',
        version: 1,
        shop: 'x',
        key: key.kid,
        size,
        root: 'ab'.repeat(32),
        at,
      } as const;
      const entry = { kind: 'inscription', date: '1999', title: 'Overhauled', text: '', place: '', shop: 'x' } as const;
      return {
        ...file,
        entries: [{ ...entry, signedBy: 'x', record: null, amends: null, hash, writtenAt: at, signed: jws }],
        logs: [{ head: (await signHead(key, head)).jws, places: [], since: [], ...(changes ? { changes } : {}) }],
      };
    };
    expect(await check(await asFile(thief, 1, [stolen]))).toMatchObject({
      proofs: ['unknown shop'],
      log: [expect.stringContaining('handed on twice')],
    });
    // Brought to the shop itself, it is told, and its own word of that key still stands.
    const { entries: history, logs } = await asFile(thief, 1, [stolen]);
    const told = await a.marit.send<{ log: string[] }>('POST', '/movement-records/check', {
      ...{ history, logs, movementId: inA.split('/').at(-1) },
    });
    expect(told.body.log).toContainEqual(expect.stringContaining('Somebody has a key of this shop'));
    const now = await keyOf(a);
    const ahead = await signChange(now, thief, { ...to, shop: 'x', from: now.kid, to: thief.kid });
    const early = await asFile(thief, 1, [ahead]);
    const brought = { history: early.entries, logs: early.logs, historyFrom: 'book.zip' };
    expect((await a.marit.send('POST', `${inA}/record`, brought)).status).toBe(201);
    expect((await change()).status).toBe(201);
    await write('Cleaned');
    expect((await fileOf(a, inA)).logs!.map((l) => l.changes?.length ?? 0)).toContain(3);
    expect((await check(await asFile(old, 9, undefined))).log).toContainEqual(
      expect.stringMatching(/signed 9 entries, and was given up after 1: somebody else has it, or/),
    );
  });
});
