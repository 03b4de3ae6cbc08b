import type { Book, Entry, MovementBook, Visit } from '@eclat/contract';
import { shownOnce } from '@eclat/core/record';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { newClock, openShop, PASS, takeIn } from '../../test/shop.ts';

type Shop = Awaited<ReturnType<typeof openShop>>;
let a: Shop, b: Shop;
let inA: string, inB: string;
const bookOf = (of: Shop, at: string) => of.marit.ok<Book>('GET', at);
const fileOf = (of: Shop, at: string) => of.marit.ok<MovementBook>('GET', `${at}/record`);
const write = (of: Shop, at: string, text: string) =>
  of.marit.ok<Entry>('POST', `${at}/inscriptions`, { date: '189X', text, place: 'front plate' });
const amend = (of: Shop, id: string, text: string) =>
  of.marit.ok<Entry>('POST', `/history/${id}/amendments`, { passphrase: PASS, text });
const bring = (to: Shop, at: string, { entries: history, logs }: MovementBook) =>
  to.marit.send<Book>('POST', `${at}/record`, { history, logs, historyFrom: 'book.json' });
/** What of a book does not depend on who holds it. */
const setOf = async (of: Shop, at: string) => (await bookOf(of, at)).entries.map((e) => e.hash);

beforeAll(async () => {
  [a, b] = [await openShop(), await openShop()];
  inA = `/movements/${(await takeIn(a.marit, { shape: 'report', received: [] })).movement.id}`;
  await write(a, inA, 'Clnd 189');
  const { entries: history, logs } = await fileOf(a, inA);
  // The clock of the other shop is a day behind.
  b.now.at = new Date(b.now.at.getTime() - 86_400_000);
  const movement = { name: 'Brass movement', familyId: 'mantel-barrels', marks: [], history, logs };
  inB = `/movements/${(await takeIn(b.marit, { movement })).movement.id}`;
});
afterAll(() => Promise.all([a.running.stop(), b.running.stop()]));

describe('a movement that was at another shop', () => {
  it('comes back with what was done there, meets what was written here since, and both hold one set', async () => {
    const [first] = (await bookOf(a, inA)).entries;
    await amend(a, first!.id, 'It reads 1893.');
    const there = await write(b, inB, 'Bushed');
    await amend(b, there.id, 'Three bushes.');
    const joined = await bring(a, inA, await fileOf(b, inB));
    expect(joined.status).toBe(201);
    expect(joined.body.entries.map((e) => [e.proof, e.text])).toEqual([
      ['proved', 'Clnd 189'],
      ['unknown shop', 'Bushed'],
      ['unknown shop', 'Three bushes.'],
      ['proved', 'It reads 1893.'],
    ]);
    expect((await bring(b, inB, await fileOf(a, inA))).status).toBe(201);
    expect(await setOf(b, inB)).toEqual(await setOf(a, inA));
    // As signed, byte for byte, in either shop.
    const signed = async (of: Shop, at: string) => (await fileOf(of, at)).entries.map((e) => e.signed);
    expect(await signed(b, inB)).toEqual(await signed(a, inA));
  });

  it('takes the same record in again, whole or in part, without a trace', async () => {
    const before = await setOf(a, inA);
    const file = await fileOf(b, inB);
    const part = { ...file, entries: file.entries.slice(0, 2), logs: [] };
    for (const again of [file, part]) expect((await bring(a, inA, again)).body.entries).toHaveLength(before.length);
    const { body } = await a.marit.send<{ here: boolean[] }>('POST', '/movement-records/check', {
      history: file.entries,
      logs: file.logs,
      movementId: inA.split('/').at(-1),
    });
    expect(body.here).toEqual(file.entries.map(() => true));
    expect(await setOf(a, inA)).toEqual(before);
  });

  it('does not go into the book of another movement, nor come in changed, nor by the hand of the counter', async () => {
    const file = await fileOf(b, inB);
    const { movement } = await takeIn(a.marit, { movement: { name: 'Other', familyId: 'fusee' } });
    const other = `/movements/${movement.id}`;
    expect((await bring(a, other, file)).body).toMatchObject({
      fields: [{ message: expect.stringContaining('bring the record into that book instead') }],
    });
    const forged = { ...file, entries: file.entries.map((e) => ({ ...e, text: `${e.text}.` })) };
    expect((await bring(a, inA, forged)).status).toBe(422);
    await a.marit.ok('POST', '/people', { name: 'Wilf Arden', role: 'counter', passphrase: PASS });
    const wilf = a.browser();
    await wilf.ok('PUT', '/session', { name: 'Wilf Arden', passphrase: PASS });
    expect((await wilf.send('POST', `${inA}/record`, { history: file.entries })).status).toBe(403);
    expect(await setOf(a, inA)).toHaveLength(4);
  });

  it('is found at the counter by its record, and joined as it is taken in', async () => {
    // The clock stands in the shop: sign it out first.
    const { inTheShop, movement } = await bookOf(a, inA);
    for (const stage of ['intake', 'assess', 'diagnose', 'deliver'])
      await a.marit.ok('PUT', `/visits/${inTheShop!.visitId}/stages/${stage}`, { state: 'done' });
    await a.marit.ok('POST', `/visits/${inTheShop!.visitId}/signature`, { passphrase: PASS, note: 'Looked at.' });
    await write(b, inB, 'Oiled there');
    const { entries: all, logs } = await fileOf(b, inB);
    // A file may hold the last page alone: it was written on what is here.
    const history = all.slice(-1);
    const { body } = await a.marit.send<{ book: unknown; here: boolean[] }>('POST', '/movement-records/check', {
      history: all,
      logs,
    });
    expect(body).toMatchObject({
      book: { id: movement.id, code: movement.code },
      here: [...Array<boolean>(4).fill(true), false],
    });
    const check = (given: object) => a.marit.send('POST', '/movement-records/check', given);
    expect((await check({ history })).body).toMatchObject({ book: { id: movement.id }, joins: true });
    const takenIn = (record: object, change: object = {}) =>
      a.marit.send<Visit>('POST', '/visits', {
        ...newClock({ movement: undefined, movementId: movement.id, received: [], ...change }),
        record,
      });
    expect(
      (await takenIn({ history }, { movement: { name: 'New', familyId: 'fusee' }, movementId: undefined })).status,
    ).toBe(422);
    const forged = history.map((e) => ({ ...e, title: 'Nothing' }));
    expect((await takenIn({ history: forged })).status).toBe(422);
    const visit = await takenIn({ history, historyFrom: 'book.zip' });
    expect([visit.status, visit.body.movement.id]).toEqual([201, movement.id]);
    const joined = (await bookOf(a, inA)).entries.find((e) => e.text === 'Oiled there');
    expect(joined).toMatchObject({ takenOver: { from: 'book.zip' } });
    await bring(b, inB, await fileOf(a, inA));
  });

  it('goes on from all heads: what is written next names both', async () => {
    await write(a, inA, 'Oiled');
    const { entries } = await bookOf(a, inA);
    expect(entries.map((e) => e.proof)).not.toContain('page missing');
    expect(entries.at(-1)!.text).toBe('Oiled');
    await bring(b, inB, await fileOf(a, inA));
    expect(await setOf(b, inB)).toEqual(await setOf(a, inA));
  });
});

describe('what came unsigned, and two shops took over', () => {
  const paper = {
    ...{ kind: 'visit' as const, date: '1974', title: 'Cleaned', text: 'From a card.', place: '', amends: null },
    ...{ shop: 'Brackwater Clocks', signedBy: 'Eben Strake', record: null, writtenAt: '1974-05-02T09:00:00.000Z' },
    hash: 'c'.repeat(64),
  };
  const put = async (shop: Shop, entry: typeof paper): Promise<string> => {
    const at = `/movements/${(await takeIn(shop.marit, { movement: { name: 'One', familyId: 'fusee' } })).movement.id}`;
    expect((await bring(shop, at, { entries: [entry], logs: [] } as unknown as MovementBook)).status).toBe(201);
    return at;
  };
  const textsOf = (entries: readonly Entry[]) => entries.map((e) => e.text).sort();

  it('is two entries of either set, and is shown once, with what was amended of either', async () => {
    const [here, there] = [await put(a, paper), await put(b, paper)];
    await amend(b, (await bookOf(b, there)).entries[0]!.id, 'In May.');
    await bring(a, here, await fileOf(b, there));
    const { entries } = await bookOf(a, here);
    expect(textsOf(entries)).toEqual(['From a card.', 'From a card.', 'In May.']);
    const shown = shownOnce(entries);
    expect(textsOf(shown)).toEqual(['From a card.', 'In May.']);
    expect(shown.find((e) => e.text === 'In May.')!.amends).toBe(shown.find((e) => e.text === 'From a card.')!.id);
    expect((await fileOf(a, here)).entries).toHaveLength(3);
  });

  it('is shown twice where one of them changed a word: nobody hides what another took over', async () => {
    const [here, there] = [await put(a, paper), await put(b, { ...paper, text: 'From a card, changed.' })];
    await bring(a, here, await fileOf(b, there));
    const { entries } = await bookOf(a, here);
    expect(textsOf(shownOnce(entries))).toEqual(['From a card, changed.', 'From a card.']);
  });
});
