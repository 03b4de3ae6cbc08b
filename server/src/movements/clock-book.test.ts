import type { Book, ClockBook, MovementBook, Visit } from '@eclat/contract';
import { ofTheClock } from '@eclat/core/record';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { writtenElsewhere } from '../../test/forge.ts';
import { readPdf } from '../../test/pdf.ts';
import { byHand, newClock, openShop, PASS, takeIn } from '../../test/shop.ts';
import { unzipped } from '../../test/unzip.ts';

type Shop = Awaited<ReturnType<typeof openShop>>;
let a: Shop, b: Shop;
let first: Visit;
const clockOf = (of: Shop, { clock }: Visit) => of.marit.ok<ClockBook>('GET', `/clocks/${clock.id}`);
const find = (visit: Visit, place: string, seen: string) =>
  a.marit.ok('POST', `/visits/${visit.id}/findings`, {
    ...{ place, seen, severity: 'looks', effect: 'none', proposal: '', earlierRepair: false, doNotDisturb: false },
    ...{ hours: null, cause: '' },
  });
/** A report and no more. */
async function sign({ id }: Visit): Promise<void> {
  for (const s of ['intake', 'assess', 'diagnose', 'deliver'])
    await a.marit.ok('PUT', `/visits/${id}/stages/${s}`, { state: 'done' });
  await a.marit.ok('POST', `/visits/${id}/signature`, { passphrase: PASS, note: 'Looked at.' });
}
const comesBack = (clock: object) =>
  a.marit.send<Visit>('POST', '/visits', {
    ...newClock({ movement: undefined, movementId: first.movement.id, clock, shape: 'report', received: [] }),
    owner: { name: 'Casimir Pell', phone: '', email: '', address: '' },
  });

beforeAll(async () => {
  [a, b] = [await openShop(), await openShop()];
  first = await takeIn(a.marit, { shape: 'report', received: [] });
  await find(first, 'dial', 'Crack at the eight.');
  await find(first, 'plates', 'Scratched.');
  await a.marit.ok('POST', `/movements/${first.movement.id}/inscriptions`, {
    ...{ date: '1871', text: 'J.B.', carrier: 'back board' },
  });
  await sign(first);
});
afterAll(() => Promise.all([a.running.stop(), b.running.stop()]));

describe('a clock', () => {
  it('goes to another owner with what is known of case and dial, and not with the movement’s', async () => {
    expect((await comesBack({ description: 'Round dial', id: crypto.randomUUID() })).body.fields?.[0]?.path).toBe(
      'clock',
    );
    const again = (await comesBack({ description: 'Round dial', id: first.clock.id })).body;
    expect(again.clock).toEqual({ id: first.clock.id, description: 'Round dial' });
    expect(await a.marit.ok('GET', `/owners/${first.owner.id}/clocks`)).toEqual([]);
    await find(again, 'case', 'A foot is loose.');
    const kept = [{ way: 'Leave it as it is', undone: 'yes', chosen: true }];
    for (const said of [
      { about: 'Gilt of the bezel', ways: kept },
      { about: 'Old bush', of: 'movement', ways: kept },
    ])
      await a.marit.ok('POST', `/visits/${again.id}/conservation`, said);
    await sign(again);
    const { stays, entries, inTheShop } = await clockOf(a, first);
    expect([stays.map((s) => [s.movement.id, s.until]), inTheShop]).toEqual([[[first.movement.id, null]], null]);
    const found = entries.flatMap((e) => ofTheClock(e).lists.flatMap((l) => l.rows.map((r) => r.lead)));
    expect(found).toEqual(['Dial', 'Case', 'Gilt of the bezel']);
    expect(entries.map((e) => e.kind)).toEqual(['inscription', 'visit', 'visit']);
    expect(JSON.stringify(entries)).not.toMatch(/Tarrowby|Pell/);
  });

  it('keeps its history where the movement comes in another case', async () => {
    const other = (await comesBack({ description: 'New oak case' })).body;
    expect(other.clock.id).not.toBe(first.clock.id);
    await find(other, 'case', 'New.');
    await sign(other);
    expect((await clockOf(a, first)).entries).toHaveLength(3);
    expect((await clockOf(a, first)).stays[0]!.until).not.toBeNull();
    expect((await clockOf(a, other)).entries).toHaveLength(1);
    const { clock } = await a.marit.ok<Book>('GET', `/movements/${first.movement.id}`);
    expect(clock).toEqual({ id: other.clock.id, description: 'New oak case' });
  });

  it('goes out as a file: its own story on page and paper, what was signed in the books of its movements', async () => {
    const { files } = await unzipped(a, `/clocks/${first.clock.id}/book.zip`);
    const page = files.get('index.html')!.toString();
    const { text } = await readPdf(files.get('book.pdf')!);
    for (const said of [page, text]) {
      for (const of of ['Round dial', 'Crack at the eight', 'Gilt of the bezel', 'J.B.']) expect(said).toContain(of);
      // Of the movement, of the other case, of the owners.
      for (const of of ['Scratched', 'Old bush', 'New.', 'Tarrowby', 'Pell']) expect(said).not.toContain(of);
    }
    const { code, id } = first.movement;
    const signed = JSON.parse(files.get(`books/${code}.json`)!.toString()) as MovementBook;
    expect(signed).toEqual(await a.marit.ok<MovementBook>('GET', `/movements/${id}/record`));
    expect(files.has('book.json')).toBe(false);
    const links = [...page.matchAll(/href="([^#"]+)"/g)].map(([, to]) => to!);
    expect(links.filter((to) => !files.has(to))).toEqual([]);
    expect((await a.marit.send('GET', `/clocks/${crypto.randomUUID()}/book.zip`)).status).toBe(404);
  });

  it('is known in another shop by the record of its movement, as the latest entry has it', async () => {
    const { entries: history, logs } = await a.marit.ok<MovementBook>('GET', `/movements/${first.movement.id}/record`);
    const other = (await a.marit.ok<Book>('GET', `/movements/${first.movement.id}`)).clock!;
    const bringTo = (of: Shop) =>
      takeIn(of.marit, { movement: { name: 'Brass', familyId: 'mantel-barrels', marks: [], history, logs } });
    const there = await bringTo(b);
    expect(there.clock.id).toBe(other.id);
    const { entries } = await clockOf(b, there);
    expect(entries.map((e) => [e.kind, e.proof])).toEqual([['visit', 'unknown shop']]);
  });

  it('under two ids is one by one press, and two again by the next', async () => {
    // The shop took it in by itself; then the record of another shop comes, which calls it by its own id.
    const own = await takeIn(b.marit, { shape: 'report', received: [] });
    const elsewhere = crypto.randomUUID();
    const of = { id: own.movement.id, code: own.movement.code, name: own.movement.name };
    const said = { version: 1, findings: [{ place: 'dial', seen: 'Flakes at the six.' }] };
    const entry = await writtenElsewhere(of, {
      ...{ title: 'Cleaned', date: '2019-05-02' },
      sections: { clock: { version: 1, in: [{ clock: elsewhere, places: ['dial'] }] }, assessment: said },
    });
    await b.marit.ok('POST', `/movements/${own.movement.id}/record`, {
      ...{ history: [entry], logs: [], historyFrom: 'book.zip' },
    });
    const before = await clockOf(b, own);
    expect(before.entries).toEqual([]);
    expect(before.others).toEqual([
      { id: elsewhere, description: null, shops: [entry.shop], from: entry.date, until: entry.date, visits: 1 },
    ]);
    const same = (id: string, method = 'PUT') => b.marit.send(method, `/clocks/${own.clock.id}/same/${id}`);
    // Two press at once.
    expect((await Promise.all([same(elsewhere), same(elsewhere)])).map((r) => r.status).sort()).toEqual([200, 422]);
    const one = await clockOf(b, own);
    expect([one.entries.map((e) => e.title), one.others, one.also]).toEqual([
      ['Cleaned'],
      [],
      [{ id: elsewhere, description: null, by: 'Marit Fennick', at: expect.any(String) as string }],
    ]);
    // By itself, by nobody’s, and by what leads back to it.
    for (const id of [own.clock.id, crypto.randomUUID(), elsewhere]) expect((await same(id)).status, id).toBe(422);
    expect((await same(elsewhere, 'DELETE')).status).toBe(200);
    expect((await clockOf(b, own)).others).toEqual(before.others);
    expect((await same(elsewhere, 'DELETE')).status).toBe(404);
  });

  it('taken in twice here is one book at either address', async () => {
    const old = await clockOf(a, first);
    const [other] = old.others;
    expect(other).toMatchObject({ description: 'New oak case', visits: 1 });
    await a.marit.ok('PUT', `/clocks/${first.clock.id}/same/${other!.id}`);
    const [one, byOther] = [await clockOf(a, first), await a.marit.ok<ClockBook>('GET', `/clocks/${other!.id}`)];
    expect(byOther).toEqual(one);
    expect(one.entries).toHaveLength(old.entries.length + 1);
    expect(one.stays.map((s) => s.until)).toEqual([null]);
    await a.marit.ok('DELETE', `/clocks/${other!.id}/same/${other!.id}`);
    expect(await clockOf(a, first)).toEqual(old);
  });

  it('is not taken over by a record from elsewhere that names it, nor by one that names nonsense', async () => {
    const of = { id: crypto.randomUUID(), code: 'M-777777', name: 'Fusee timepiece' };
    for (const clock of [first.clock.id, '../../x', 7]) {
      const entry = await writtenElsewhere(of, {
        title: 'Cleaned',
        sections: { clock: { version: 1, in: [{ clock }] } },
      });
      const movement = { name: 'Fusee', familyId: 'fusee', marks: [], history: [entry], logs: [] };
      const came = await takeIn(a.marit, { movement });
      expect([first.clock.id, String(clock)]).not.toContain(came.clock.id);
      expect((await clockOf(a, came)).clock.description).toBe(came.clock.description);
    }
    const book = await clockOf(a, first);
    expect(book.clock.description).toBe('Round dial');
    expect([book.entries.map((e) => e.movementId), book.stays.map((s) => s.movement.id)]).toEqual([
      [1, 2, 3].map(() => first.movement.id),
      [first.movement.id],
    ]);
  });

  it('has no entry that was put under it past the signature', async () => {
    const [entry] = (await clockOf(a, first)).entries.filter((e) => e.kind === 'visit');
    await byHand(a, 'history_entry', 'update history_entry set clock_id = ? where id = ?', [
      crypto.randomUUID(),
      entry!.id,
    ]);
    const book = await a.marit.ok<Book>('GET', `/movements/${first.movement.id}`);
    expect(book.entries.find((e) => e.id === entry!.id)!.proof).toBe('changed');
  });
});
