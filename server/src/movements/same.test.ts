import type { Book, MovementBook, Visit } from '@eclat/contract';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { byHand, openShop, PASS, takeIn } from '../../test/shop.ts';

type Shop = Awaited<ReturnType<typeof openShop>>;
let a: Shop, b: Shop;
const marked = (...texts: string[]) => ({
  ...{ shape: 'report', received: [] },
  movement: {
    ...{ name: 'Brass movement', familyId: 'mantel-barrels' },
    marks: texts.map((text) => ({ place: 'back plate', text })),
  },
});
const bookOf = (of: Shop, id: string) => of.marit.ok<Book>('GET', `/movements/${id}`);
const write = (id: string, text: string) =>
  a.marit.ok('POST', `/movements/${id}/inscriptions`, { date: '189X', text, place: 'plate' });
const merge = (id: string, otherId: string) =>
  a.marit.ok<Book>('POST', `/movements/${id}/merger`, { otherId, why: 'Same scratch.' });
const part = (id: string, otherId: string) =>
  a.marit.send<Book>('POST', `/movements/${id}/parting`, { otherId, why: 'The click is another.' });
async function sign({ id }: Visit): Promise<void> {
  for (const s of ['intake', 'assess', 'diagnose', 'deliver'])
    await a.marit.ok('PUT', `/visits/${id}/stages/${s}`, { state: 'done' });
  await a.marit.ok('POST', `/visits/${id}/signature`, { passphrase: PASS, note: 'Looked at.' });
}
/** What a book says of itself, whoever else was held to be it. */
const standing = async (of: Shop, id: string) => {
  const { movement, also, entries, clock, inTheShop } = await bookOf(of, id);
  return {
    ...{ id: movement.id, also: also.length, marks: movement.marks.map((m) => m.text), inTheShop, clock },
    entries: entries.map((e) => [e.title, e.proof]),
  };
};

beforeAll(async () => {
  [a, b] = [await openShop(), await openShop()];
});
afterAll(() => Promise.all([a.running.stop(), b.running.stop()]));

describe('two that were held to be one', () => {
  it('are parted again: each has its visits, marks, clock and entries, and no entry counts as missing', async () => {
    const [one, two] = [await takeIn(a.marit, marked('30311', '7')), await takeIn(a.marit, marked('7', '555123'))];
    const [first, second] = [one.movement.id, two.movement.id];
    await write(first, 'Clnd 1891');
    await write(second, 'Bushed 1894');
    await sign(two);
    const before = [await standing(a, first), await standing(a, second)];
    const both = await merge(first, second);
    expect(both.movement.marks.map((m) => m.text).toSorted()).toEqual(['30311', '555123', '7']);
    expect(both.entries.at(-1)!.sections.same).toMatchObject({ linked: [{ movement: second }] });
    // Written while they are one, on what both had.
    await write(first, 'Oiled 1899');
    expect((await part(second, first)).status).toBe(422);
    const { status, body } = await part(first, second);
    expect([status, body.also]).toEqual([201, []]);
    const [here, there] = [await standing(a, first), await standing(a, second)];
    expect({ ...here, entries: [] }).toEqual({ ...before[0], entries: [] });
    expect({ ...there, entries: [] }).toEqual({ ...before[1], entries: [] });
    expect(here.entries.map(([title]) => title)).toEqual([
      'Inscription on the plate',
      expect.stringContaining('Found to be one with'),
      'Inscription on the plate',
      expect.stringContaining('Parted again from'),
    ]);
    expect(there.entries).toEqual([...before[1]!.entries, [expect.stringContaining('Parted again'), 'proved']]);
    expect(new Set(here.entries.map(([, proof]) => proof))).toEqual(new Set(['proved']));
    expect((await bookOf(a, second)).gone).toEqual([]);
    // Once more, and once more apart.
    await merge(first, second);
    expect((await part(first, second)).status).toBe(201);
    expect((await standing(a, second)).marks).toEqual(before[1]!.marks);

    // Where the key is not known, the word of that key on its own entries is enough; nobody else’s is.
    const { entries: history, logs } = await a.marit.ok<MovementBook>('GET', `/movements/${first}/record`);
    const elsewhere = await takeIn(b.marit, { movement: { ...marked('q').movement, history, logs } });
    const proofs = (await bookOf(b, elsewhere.movement.id)).entries.map((e) => e.proof);
    expect(new Set(proofs)).toEqual(new Set(['unknown shop']));
    const link = (await bookOf(a, first)).entries.findLast((e) => e.title.startsWith('Parted'))!;
    await byHand(a, 'history_entry', 'delete from history_entry where id = ?', [link.id]);
    expect((await bookOf(a, first)).entries.map((e) => e.proof)).toContain('page missing');
  });

  it('are parted through a third that both were found to be', async () => {
    const all = [];
    for (const mark of ['k1', 'k2', 'k3']) {
      const visit = await takeIn(a.marit, marked(mark));
      await sign(visit);
      all.push(visit.movement.id);
    }
    const [one, two, three] = all as [string, string, string];
    await merge(one, two);
    await merge(three, one);
    expect((await bookOf(a, two)).movement.id).toBe(three);
    expect((await part(three, two)).status).toBe(201);
    expect([(await standing(a, two)).marks, (await standing(a, one)).id]).toEqual([['k2'], three]);
    expect((await part(three, one)).status).toBe(201);
    for (const [i, id] of all.entries())
      expect(await standing(a, id)).toMatchObject({ id, also: 0, marks: [`k${i + 1}`] });
    expect((await bookOf(a, two)).entries.filter((e) => e.kind === 'visit')).toHaveLength(1);
  });
});
