import type { api, Book, Entry, MovementBook, ReplyOf, TravelledEntry, Visit } from '@eclat/contract';
import type { HistoryEntry } from '../movements/history.entity.ts';
import { viewEntry } from '../movements/history.service.ts';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { strangeKey } from '../../test/forge.ts';
import { sealOf } from '../movements/seal.ts';
import { readSigned, signEntry } from '../movements/signed.ts';
import { sql } from '../platform/http/app-context.ts';
import { newClock, openShop, PASS, takeIn, type Browser } from '../../test/shop.ts';

let shop: Awaited<ReturnType<typeof openShop>>;
beforeAll(async () => {
  shop = await openShop();
});
afterAll(() => shop.running.stop());
const look = (id: string) => shop.marit.ok<Visit>('GET', `/visits/${id}`);
const marks = (...list: [string, string][]) => ({
  name: 'Round-plate movement',
  familyId: 'lever-platform',
  maker: 'Tessel',
  marks: list.map(([place, text]) => ({ place, text })),
});

describe('numbers at the counter', () => {
  it('that disagree become a finding, once, also when one is added later', async () => {
    const visit = await takeIn(shop.marit, {
      movement: marks(['case', '6120'], ['back plate', '6120'], ['balance', '3902']),
    });
    expect(visit.findings).toMatchObject([
      {
        place: 'balance, number',
        seen: 'Number 3902 on the balance, 6120 on the case and back plate: balance from another.',
        earlierRepair: true,
      },
    ]);
    const mark = (text: string, there: boolean) =>
      shop.marit.ok('PUT', `/movements/${visit.movement.id}/marks`, {
        place: 'barrel',
        text,
        there,
        visitId: visit.id,
      });
    await mark('6120', true);
    expect((await look(visit.id)).findings).toHaveLength(1);
    await mark('6120', false);
    await mark('none there', false);
    // What identifies a movement does not go without a trace.
    const { movement } = await shop.marit.ok<Book>('GET', `/movements/${visit.movement.id}`);
    expect(movement.marks.map((m) => m.place)).not.toContain('barrel');
    expect(movement.marksTakenOut).toMatchObject([{ place: 'barrel', text: '6120', by: expect.any(String) }]);
    await mark('777', true);
    expect((await look(visit.id)).findings.map((f) => f.place).sort()).toEqual(['balance, number', 'barrel, number']);
  });

  it('find a known movement while they are typed, however they are written, with its history', async () => {
    const known = await takeIn(shop.marit, { movement: marks(['back plate', 'No. 88 412']) });
    await shop.marit.ok('POST', `/movements/${known.movement.id}/inscriptions`, {
      date: '1912',
      text: 'clnd',
      place: 'plate',
    });
    for (const typed of ['88412', 'no 88412', known.movement.code.toLowerCase()])
      expect(
        await shop.marit.ok<object[]>('GET', `/movements-like?text=${encodeURIComponent(typed)}`),
        typed,
      ).toMatchObject([{ code: known.movement.code, same: true, entries: [{ date: '1912' }], inTheShop: true }]);
    expect(await shop.marit.ok('GET', '/movements-like?text=88413')).toEqual([]);
  });

  it('do not make one movement twice by accident, only on the word of somebody who saw both', async () => {
    const twin = newClock({ another: false, movement: marks(['back plate', '88412']) });
    const refused = await shop.marit.send('POST', '/visits', twin);
    expect(refused).toMatchObject({ status: 422, body: { fields: [{ path: 'movement.marks' }] } });
    expect(
      (await shop.marit.send('POST', '/visits', newClock({ another: true, movement: marks(['back plate', '88412']) })))
        .status,
    ).toBe(201);
    expect(
      (await shop.marit.send('POST', '/visits', newClock({ another: false, movement: marks(['case', '88412']) })))
        .status,
    ).toBe(201); // another place is another number
  });
});

describe('two that are one', () => {
  it('are merged: one code, both histories, the old code still finds it', async () => {
    const a = await takeIn(shop.marit, { movement: marks(['back plate', '30311']) });
    const b = await takeIn(shop.marit, { movement: marks(['dial', 'T 9']) });
    for (const [id, date] of [
      [a.movement.id, '1901'],
      [b.movement.id, '1950'],
    ] as const)
      await shop.marit.ok('POST', `/movements/${id}/inscriptions`, { date, text: 'x', place: 'plate' });
    const both = await shop.marit.send('POST', `/movements/${a.movement.id}/merger`, {
      otherId: b.movement.id,
      why: 'Same scratch.',
    });
    expect(both).toMatchObject({ status: 409, body: { title: 'Both stand in the shop.' } });
    const c = await takeIn(shop.marit, { movement: marks(['label', 'c']) });
    expect(
      (await shop.marit.send('POST', `/movements/${c.movement.id}/merger`, { otherId: c.movement.id, why: 'x' }))
        .status,
    ).toBe(422);

    const lone = await shop.marit.ok<Visit>('POST', '/visits', newClock({ movement: marks(['case', '555123']) }));
    await shop.marit.ok('POST', `/movements/${lone.movement.id}/inscriptions`, {
      date: '1933',
      text: 'y',
      place: 'cap',
    });
    await closeQuietly(lone.id);
    const book = await shop.marit.ok<Book>('POST', `/movements/${a.movement.id}/merger`, {
      otherId: lone.movement.id,
      why: 'Same scratch below the crutch.',
    });
    expect(book).toMatchObject({
      movement: { id: a.movement.id, marks: [{ text: '30311' }, { text: '555123' }] },
      also: [{ id: lone.movement.id, code: lone.movement.code }],
    });
    expect(book.entries.map((e) => e.date)).toEqual(expect.arrayContaining(['1901', '1933']));
    expect(book.entries.at(-1)).toMatchObject({ kind: 'merger', text: 'Same scratch below the crutch.' });
    expect(await shop.marit.ok('GET', `/movements/${lone.movement.id}`)).toMatchObject({
      movement: { id: a.movement.id },
    });
    expect(await shop.marit.ok('GET', `/find?q=${lone.movement.code}`)).toEqual(
      expect.arrayContaining([expect.objectContaining({ movementId: a.movement.id })]),
    );
    const called = async (q: string) =>
      (await shop.marit.ok<{ items: { code: string; entries: number }[] }>('GET', `/movements?q=${q}`)).items;
    expect(await called(lone.movement.code)).toEqual([expect.objectContaining({ code: a.movement.code, entries: 3 })]);
    // Found to be a third one's later: both old codes lead there, none is lost on the way.
    await closeQuietly(c.id);
    await shop.marit.ok('POST', `/movements/${c.movement.id}/merger`, {
      otherId: a.movement.id,
      why: 'And the same hand on both.',
    });
    for (const code of [a.movement.code, lone.movement.code])
      expect(await called(code)).toEqual([expect.objectContaining({ code: c.movement.code, entries: 4 })]);
    expect((await shop.marit.ok<Book>('GET', `/movements/${lone.movement.id}`)).also).toHaveLength(2);
  });
  const closeQuietly = async (id: string) => {
    await shop.running.appContext.orm.em
      .fork()
      .getConnection()
      .execute(`update visit set closed_at = now() where id = '${id}'`);
  };

  it('and a callback goes only to a signed visit of the same clock', async () => {
    const first = await takeIn(shop.marit, { movement: marks(['label', 'd']) });
    await closeQuietly(first.id);
    const again = await shop.marit.ok<Visit>(
      'POST',
      '/visits',
      newClock({ movement: undefined, movementId: first.movement.id }),
    );
    expect(again.earlier.map((e) => e.visitId)).toEqual([first.id]);
    await shop.marit.ok('PUT', `/visits/${again.id}/callback`, { visitId: first.id });
    expect((await look(again.id)).callbackOf).toMatchObject({ claim: first.claim });
    const stranger = await takeIn(shop.marit, { movement: marks(['label', 'e']) });
    expect((await shop.marit.send('PUT', `/visits/${stranger.id}/callback`, { visitId: first.id })).status).toBe(422);
  });
});

describe('what is typed straight into a book', () => {
  it('holds no word of the owner without why; names of earlier owners and repairers are history', async () => {
    const { movement } = await takeIn(shop.marit, { movement: marks(['label', 'w']) });
    const inscribe = (text: string, keep = '') =>
      shop.marit.send<{ id: string }>('POST', `/movements/${movement.id}/inscriptions`, {
        ...{ date: '1911', place: 'back plate', text, keep },
      });
    const first = await inscribe('Eben Strake clnd 1911');
    expect(first.status).toBe(201);
    const refused = await inscribe('To J. Tarrowby from his workmen');
    expect([refused.status, refused.body.fields?.[0]?.path]).toEqual([422, 'keep']);
    const amend = (text: string, keep = '') =>
      shop.marit.send('POST', `/history/${first.body.id}/amendments`, { passphrase: PASS, text, keep });
    expect((await amend('Ring +44 555 010 442')).status).toBe(422);
    expect((await inscribe('To J. Tarrowby from his workmen', 'engraved in 1911')).status).toBe(201);
    // Once said why, it is not asked again.
    expect((await amend('It reads J. Tarrowby.')).status).toBe(201);
  });
});

describe('a book that goes with the clock', () => {
  it('is a file without any owner, and goes on in another shop under the names of those who signed', async () => {
    const first = await takeIn(shop.marit, { movement: marks(['label', 'm']) });
    await shop.marit.ok('POST', `/movements/${first.movement.id}/inscriptions`, {
      date: '189X',
      text: 'Clnd 189',
      place: 'plate',
    });
    const record = await shop.marit.ok<MovementBook>('GET', `/movements/${first.movement.id}/record`);
    expect(JSON.stringify(record)).not.toMatch(/Tarrowby|0555/);
    expect(record).toMatchObject({
      format: 'eclat-movement-book',
      entries: [{ date: '189X', shop: 'Fennick Row Clock Room' }],
    });

    const second = await openShop();
    // Of a shop that signs nothing.
    const travelled = record.entries.map(({ signed: _none, ...e }) => ({
      ...{ ...e, shop: 'Brackwater Clocks', signedBy: 'Eben Strake', hash: '' },
    }));
    const amendment = { ...travelled[0]!, kind: 'amendment', title: 'Amendment', text: 'It reads 1893.', amends: 0 };
    const visit = await takeIn(second.marit, {
      movement: { ...marks(['label', 'm']), history: [...travelled, amendment], historyFrom: 'book.json' },
    });
    const book = await second.marit.ok<Book>('GET', `/movements/${visit.movement.id}`);
    expect(book.entries).toMatchObject([
      {
        date: '189X',
        shop: 'Brackwater Clocks',
        signedBy: 'Eben Strake',
        takenOver: { by: 'Marit Fennick', from: 'book.json' },
        proof: 'unsigned',
      },
      { kind: 'amendment', amends: book.entries[0]!.id },
    ]);
    expect(
      (
        await second.marit.send(
          'POST',
          '/visits',
          newClock({ movement: { ...marks(['label', 'n']), history: [{ kind: 'rumour' }] } }),
        )
      ).status,
    ).toBe(422);
    // What could never be shown is refused at the door, with its place.
    const refused = async (...history: object[]) =>
      (
        await second.marit.send('POST', '/visits', newClock({ movement: { ...marks(['label', 'p']), history } }))
      ).body.fields?.map((f) => f.path);
    expect(await refused({ ...travelled[0]!, date: 'spring 1' })).toEqual(['movement.history.0.date']);
    expect(await refused(travelled[0]!, { ...amendment, amends: null })).toEqual(['movement.history.1.amends']);
    expect(await refused({ ...amendment, amends: 1 }, travelled[0]!)).toEqual(['movement.history.0.amends']);
    // Work of this very shop is not brought in from outside, however its name is written; the counter brings in none.
    const bring = (who: Browser, history: object[], mark = 'q') =>
      who.send('POST', '/visits', newClock({ movement: { ...marks(['label', mark]), history } }));
    const forged = { ...travelled[0]!, kind: 'visit', title: 'Overhauled', shop: 'FENNICK  ROW Clock-Room' };
    expect((await bring(second.marit, [forged])).body.fields).toEqual([
      { path: 'movement.history', message: expect.stringContaining('stands in none of its books') },
    ]);
    const back = await bring(shop.marit, record.entries);
    expect(back.body.fields![0]!.message).toContain(`stands in the book of ${first.movement.code}`);
    await second.marit.ok('POST', '/people', { name: 'Wilf Arden', role: 'counter', passphrase: PASS });
    const wilf = second.browser();
    await wilf.ok('PUT', '/session', { name: 'Wilf Arden', passphrase: PASS });
    expect((await bring(wilf, travelled)).status).toBe(403);
    expect((await bring(wilf, [])).status).toBe(201);
    await second.running.stop();
  });

  it('is proved where its key is known, told apart where it is not, refused where a word was changed', async () => {
    const first = await takeIn(shop.marit, { movement: marks(['label', 'r']) });
    const at = `/movements/${first.movement.id}`;
    const found = { date: '189X', text: 'Clnd 189', place: 'plate' };
    const { id } = await shop.marit.ok<Entry>('POST', `${at}/inscriptions`, found);
    await shop.marit.ok('POST', `/history/${id}/amendments`, { passphrase: PASS, text: 'It reads 1893.' });
    const record = await shop.marit.ok<MovementBook>('GET', `${at}/record`);
    const second = await openShop();
    const bring = (history: object[], mark: string) =>
      second.marit.send<Visit>('POST', '/visits', newClock({ movement: { ...marks(['label', mark]), history } }));
    const [page, amendment] = record.entries as [TravelledEntry, TravelledEntry];
    const [head, , tail] = page.signed!.split('.');
    const other = Buffer.from(JSON.stringify({ title: 'Overhauled' })).toString('base64url');
    for (const forged of [
      { ...page, title: 'Overhauled' },
      { ...page, signedBy: 'Eben Strake' },
      { ...page, shop: 'Brackwater Clocks' },
      { ...page, date: '1893' },
      { ...page, hash: amendment.hash },
      { ...page, signed: amendment.signed },
      { ...page, signed: `${head}.${other}.${tail}` },
    ])
      expect((await bring([forged, amendment], 's')).body, JSON.stringify(forged).slice(0, 80)).toMatchObject({
        fields: [{ path: 'movement.history', message: expect.stringContaining('Not what was signed: “') }],
      });
    const check = (history: object[]) => second.marit.send('POST', '/movement-records/check', { history });
    expect((await check([{ ...page, title: 'Overhauled' }])).body.fields![0]!.message).toContain('“Overhauled”');
    expect((await check([page, amendment])).body).toEqual({
      proofs: ['unknown shop', 'unknown shop'],
      here: [false, false],
      ...{ joins: false, book: null },
      photosAway: [],
      log: [],
    });
    const { movement } = (await bring([page, amendment, page], 't')).body;
    const book = () => second.marit.ok<Book>('GET', `/movements/${movement.id}`);
    expect((await book()).entries.map((e) => [e.proof, e.shop, e.signature?.movement])).toEqual([
      ['unknown shop', 'Fennick Row Clock Room', first.movement.code],
      ['unknown shop', 'Fennick Row Clock Room', first.movement.code],
    ]);
    // A stranger who signs an entry under the name of one that is here takes neither its place nor its amendment.
    const key = await strangeKey();
    const { said } = (await readSigned(page.signed!))!;
    const takenOver = { by: 'Eben Strake', at: said.writtenAt, from: '', hash: page.hash };
    const posing = { ...said, title: 'Overhauled', signer: { ...said.signer, key: key.kid }, takenOver };
    const { jws, hash } = await signEntry(key, posing);
    const pose = { ...page, title: 'Overhauled', hash, signed: jws };
    const third = await openShop();
    const fooled = await takeIn(third.marit, {
      movement: { ...marks(['label', 'x']), history: [page, amendment, pose] },
    });
    const { entries } = await third.marit.ok<Book>('GET', `/movements/${fooled.movement.id}`);
    expect(entries.map((e) => [e.title, e.proof]).sort()).toEqual(
      [
        [amendment.title, 'unknown shop'],
        ['Overhauled', 'unsigned'],
        [page.title, 'unknown shop'],
      ].sort(),
    );
    await third.running.stop();
    // What is written here is written on it, and goes on with it: byte for byte as it came.
    await second.marit.ok('POST', `/movements/${movement.id}/inscriptions`, { ...found, text: 'Oiled' });
    expect((await book()).entries.map((e) => e.proof)).toEqual(['unknown shop', 'unknown shop', 'proved']);
    const onward = await second.marit.ok<MovementBook>('GET', `/movements/${movement.id}/record`);
    expect(onward.entries.slice(0, 2)).toEqual(record.entries);
    // Its owner says whose the key is; that counts under this shop's own signature, not by a row in the database.
    const page1 = (await book()).entries[0]!.signature!;
    const theirs = { key: page1.key, shop: 'The first room' };
    const ours = { ...theirs, shop: 'fennick row CLOCK-room' };
    expect((await second.marit.send('POST', '/signing-keys', ours)).body.fields).toMatchObject([{ path: 'shop' }]);
    await second.marit.ok('POST', '/signing-keys', theirs);
    expect((await book()).entries.map((e) => [e.proof, e.signature?.knownAs])).toEqual([
      ['proved', 'The first room'],
      ['proved', 'The first room'],
      ['proved', null],
    ]);
    await sql(second.running.appContext.orm.em.fork(), `update known_key set jws = ?`, [page.signed!]);
    expect((await book()).entries[0]!.proof).toBe('unknown shop');
    await second.marit.ok('POST', '/signing-keys', theirs);
    const keys = () => second.marit.ok<ReplyOf<typeof api.movements.keys>>('GET', '/signing-keys');
    expect((await keys()).known).toMatchObject([{ ...theirs, by: 'Marit Fennick' }]);
    const ownKey = (await keys()).own!.key;
    expect((await second.marit.send('POST', '/signing-keys', { key: ownKey, shop: 'x' })).status).toBe(422);
    await second.marit.ok('DELETE', `/signing-keys/${page1.key}`);
    expect((await book()).entries[0]!.proof).toBe('unknown shop');
    // The second shop has the key of the first: as after a restore from a backup in which these entries were not yet.
    const em = (of: typeof shop) => of.running.appContext.orm.em.fork();
    const [own] = await sql<Record<string, unknown>>(em(shop), 'select * from shop_key');
    const keyRow = [own!['kid'], JSON.stringify(own!['public_jwk']), own!['sealed'], own!['made_at']];
    await sql(em(second), 'insert into shop_key values (?, ?, ?, ?)', keyRow);
    expect((await book()).entries.map((e) => e.proof)).toEqual(['proved', 'proved', 'proved']);
    // A key that somebody wrote in, without what encrypts keys, counts for nothing.
    await sql(em(second), `update shop_key set sealed = 'x' || sealed where kid = ?`, [own!['kid']]);
    expect((await book()).entries.map((e) => e.proof)).toEqual(['unknown shop', 'unknown shop', 'proved']);
    await second.running.stop();
  });

  it('goes through two more shops, what was unsigned at first too, and nothing of it counts as missing', async () => {
    const first = await takeIn(shop.marit, { movement: marks(['label', 'u']) });
    const em = shop.running.appContext.orm.em.fork();
    // As the version before wrote it: a seal, and no signature.
    const old = { movementId: first.movement.id, kind: 'inscription', date: '1893', title: 'Inscription', text: 'JB' };
    const more = { place: 'plate', shop: 'Fennick Row Clock Room', signedBy: 'Marit Fennick', record: null };
    const rest = { amends: null, previousHash: null, writtenAt: new Date('2020-05-02T09:00:00Z'), takenOver: null };
    const hash = sealOf({ ...old, ...more, ...rest } as never);
    await sql(
      em,
      `insert into history_entry (id, movement_id, kind, date, title, text, place, shop, signed_by, hash, written_at)
        values (gen_random_uuid(), ?, 'inscription', '1893', 'Inscription', 'JB', 'plate', ?, ?, ?, ?)`,
      [first.movement.id, more.shop, more.signedBy, hash, rest.writtenAt],
    );
    const at = `/movements/${first.movement.id}`;
    const [before] = (await shop.marit.ok<Book>('GET', at)).entries;
    await shop.marit.ok('POST', `/history/${before!.id}/amendments`, { passphrase: PASS, text: 'It reads JR.' });
    expect((await shop.marit.ok<Book>('GET', at)).entries.map((e) => e.proof)).toEqual(['unsigned', 'proved']);
    let file = await shop.marit.ok<MovementBook>('GET', `${at}/record`);
    // In its own shop an unsigned entry would have to stand already; elsewhere it bears another name.
    file = { ...file, entries: file.entries.map((e) => (e.signed ? e : { ...e, shop: 'Brackwater Clocks' })) };
    for (const mark of ['v', 'w']) {
      const next = await openShop();
      const visit = await takeIn(next.marit, { movement: { ...marks(['label', mark]), history: file.entries } });
      const there = `/movements/${visit.movement.id}`;
      const { entries } = await next.marit.ok<Book>('GET', there);
      expect(
        entries.map((e) => [e.proof, e.amends]),
        mark,
      ).toEqual([
        ['unsigned', null],
        ['unknown shop', entries[0]!.id],
      ]);
      file = await next.marit.ok<MovementBook>('GET', `${there}/record`);
      await next.running.stop();
    }
  });

  it('is readable though a date that is none was once let in', () => {
    const row = { id: 'e', kind: 'inscription', date: 'spring 1', title: 'Inscription', text: 'Clnd', place: '' };
    const sealed = { shop: 's', signedBy: 'b', record: null, amends: null, hash: 'h', writtenAt: new Date(0) };
    const seen = viewEntry({ ...row, ...sealed } as unknown as HistoryEntry, {
      proof: 'unsigned',
      signature: null,
      said: null,
    });
    expect(seen).toMatchObject({ date: 'XXXX', text: 'Clnd (Its date is written “spring 1”.)' });
  });
});

describe('what came, what is wanted, what was looked at', () => {
  let visit: Visit;
  beforeAll(async () => {
    visit = await takeIn(shop.marit, {
      movement: marks(['label', 'f']),
      received: [{ what: 'Key', count: 2, squareMm: 3.75, fits: 'loose' }],
    });
  });
  const at = (path: string) => `/visits/${visit.id}/${path}`;

  it('is listed with number and fit, and ticked home by name', async () => {
    expect(visit.received).toMatchObject([{ what: 'Key', count: 2, squareMm: 3.75, fits: 'loose', returnedAt: null }]);
    const [key] = visit.received;
    expect((await shop.marit.send('POST', at('signature'), { passphrase: PASS })).body.detail).toContain(
      '1 thing that came with it is not ticked',
    );
    expect(await shop.marit.ok('PUT', at(`received/${key!.id}/returned`), { returned: true })).toMatchObject({
      returnedBy: 'Marit Fennick',
    });
    expect((await shop.marit.send('PATCH', at(`received/${key!.id}`), { condition: 'bent', version: 9 })).status).toBe(
      409,
    );
  });

  it('stays on the clock’s list beyond the visit', async () => {
    const want = await shop.marit.ok<{ id: string }>('POST', at('wanted'), { what: 'Dome', evidence: 'a groove' });
    expect((await look(visit.id)).wantedThings).toMatchObject([{ what: 'Dome', ended: null }]);
    await shop.marit.ok('POST', at(`wanted/${want.id}/steps`), { step: 'found' });
    expect((await look(visit.id)).wantedThings).toMatchObject([{ ended: 'found' }]);
  });

  it('knows the places of this clock only, and weighs what was measured', async () => {
    await shop.marit.ok('PUT', at('places/dial'), { state: 'in order' });
    expect((await shop.marit.send('PUT', at('places/bellows'), { state: 'in order' })).status).toBe(404);
    expect((await look(visit.id)).places).toMatchObject([{ place: 'dial', state: 'in order' }]);
    expect(
      await shop.marit.ok('POST', at('measurements'), { kind: 'amplitude', value: 140, how: 'slow-motion film' }),
    ).toMatchObject({ within: 10, good: false });
    expect(
      (await shop.marit.send('POST', at('measurements'), { kind: 'amplitude', value: 900, how: 'by eye' })).body.fields,
    ).toMatchObject([{ path: 'value' }]);
  });

  it('learns the weakness of a type from other movements of it', async () => {
    const type = (name: string, text: string) =>
      takeIn(shop.marit, { movement: { ...marks(['label', text]), name, maker: 'Aster Works' } });
    const other = await type('Type nine', 'g');
    await shop.marit.ok('POST', `/visits/${other.id}/findings`, {
      place: 'stop lever',
      seen: 'Stub fouls the moon.',
      severity: 'stops it',
      effect: 'timekeeping',
    });
    const mine = await type('TYPE NINE', 'h');
    const known = await shop.marit.ok<{ weaknesses: object[]; sisters: object[] }>(
      'GET',
      `/movements/${mine.movement.id}/type`,
    );
    expect(known).toMatchObject({
      weaknesses: [{ place: 'stop lever', movements: 1, of: 1, seen: ['Stub fouls the moon.'] }],
      sisters: [{ code: other.movement.code }],
    });
  });

  it('shows what is not to be disturbed on the next visit too', async () => {
    const first = await takeIn(shop.marit, { movement: marks(['label', 'k']) });
    await shop.marit.ok('POST', `/visits/${first.id}/findings`, {
      place: 'dial',
      seen: 'Flaking.',
      severity: 'harms it',
      effect: 'value',
      doNotDisturb: true,
    });
    await shop.running.appContext.orm.em
      .fork()
      .getConnection()
      .execute(`update visit set closed_at = now() where id = '${first.id}'`);
    const again = await shop.marit.ok<Visit>(
      'POST',
      '/visits',
      newClock({ movement: undefined, movementId: first.movement.id }),
    );
    expect(again.handsOff).toMatchObject([{ place: 'dial', seen: 'Flaking.' }]);
  });
});

describe('what the shop knows', () => {
  const own = {
    name: 'Magnetised crutch',
    prior: 'usual',
    oscillators: ['pendulum'],
    shows: { 'rate-wanders': 'H' },
    look: { what: 'Hold a compass to it', minutes: 1, level: 0 },
    remedy: 'Demagnetise',
  };
  const knowledge = () =>
    shop.marit.ok<{
      causes: { id: string }[];
      learn: boolean;
      signedVisits: number;
      experience: Record<string, { found: { times: number; of: number } }>;
    }>('GET', '/causes');
  it('adds a cause, lets a look be taken at it, and takes it out again', async () => {
    expect((await shop.marit.send('POST', '/causes', { ...own, shows: { deaf: 'H' } })).body.fields![0]!.path).toMatch(
      /^shows/,
    );
    expect((await shop.marit.send('POST', '/causes', { ...own, oscillators: ['sundial'] })).body.fields![0]!.path).toBe(
      'oscillators.0',
    );
    const { id } = await shop.marit.ok<{ id: string }>('POST', '/causes', own);
    const visit = await takeIn(shop.marit, { movement: { name: 'p', familyId: 'fusee' } });
    expect((await shop.marit.send('PUT', `/visits/${visit.id}/looks/${id}`, { outcome: 'found' })).status).toBe(200);
    await shop.marit.ok('DELETE', `/causes/${id}`);
    expect((await knowledge()).causes).toEqual([]);
  });
  it('counts the causes that its own signed visits confirmed, and leaves them out when told to', async () => {
    const visit = await takeIn(shop.marit, { movement: { name: 'q', familyId: 'fusee' } });
    await shop.marit.ok('PUT', `/visits/${visit.id}/looks/worn-hole.going`, { outcome: 'found' });
    expect((await knowledge()).experience).toEqual({});
    await shop.running.appContext.orm.em
      .fork()
      .getConnection()
      .execute(`update visit set closed_at = now() where id = '${visit.id}'`);
    const after = await knowledge();
    expect(after).toMatchObject({ signedVisits: 1, experience: { 'worn-hole.going': { found: { times: 1, of: 1 } } } });
    await shop.marit.ok('PUT', '/causes/learning', { learn: false });
    expect((await knowledge()).experience).toEqual({});
  });
});
