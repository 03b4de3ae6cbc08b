import type { Book, Entry, Visit } from '@eclat/contract';
import { holesOf } from '@eclat/core/movement';
import { oilChart } from '@eclat/core/oiling';
import { checksFor } from '@eclat/core/checks';
import { STAGE_IDS } from '@eclat/core/workflow';
import pg from 'pg';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { sealedAnew, signedAnew, verifiedByOpenssl } from '../../test/forge.ts';
import { byHand, newClock, openShop, PASS, letDown, takeIn } from '../../test/shop.ts';
import { verifyStore } from '../movements/verify.ts';
import { sql } from '../platform/http/app-context.ts';

const ROUND = { kind: 'measured', holeShortMm: 1.24 };
const start = new Date('2031-05-02T09:00:00Z');
const now = { at: start };
let shop: Awaited<ReturnType<typeof openShop>>;
beforeAll(async () => {
  shop = await openShop(now);
});
afterAll(() => shop.running.stop());

const em = () => shop.running.appContext.orm.em.fork();
/** A night goes by: sessions have ended, she signs in again. */
const night = async () => {
  now.at = new Date(now.at.getTime() + 86_400_000);
  await shop.marit.ok('PUT', '/session', { name: 'Marit Fennick', passphrase: PASS });
};
const look = (id: string) => shop.marit.ok<Visit>('GET', `/visits/${id}`);

/** Everything but the signature, by way of the API. */
async function workThrough(visit: Visit, seen = 'Front hole oval.'): Promise<void> {
  const at = `/visits/${visit.id}`;
  const { marit } = shop;
  await marit.ok('POST', `${at}/findings`, {
    place: 'going train',
    seen,
    severity: 'stops it',
    effect: 'timekeeping',
    proposal: 'Bush',
    earlierRepair: true,
  });
  await marit.ok('PUT', `${at}/observations/stops-hours`, { state: 'present' });
  await marit.ok('PUT', `${at}/cause`, { cause: 'Worn hole' });
  for (const c of ['wound-spring', 'weights', 'fusee']) await marit.ok('PUT', `${at}/cautions/${c}`);
  for (const p of visit.power)
    await marit.ok('PUT', `${at}/power/${p.source}`, { state: 'let down', turns: 5, version: p.version });
  await marit.ok('POST', `${at}/strip`, {});
  const bath = await marit.ok<{ id: string }>('POST', `${at}/baths`, {
    sequence: 'ultrasonic',
    bath: 'ammoniated water',
    parts: [{ name: 'plates', materials: ['bare brass'] }],
    minutes: 10,
  });
  await marit.ok('PUT', `${at}/baths/${bath.id}/stopped`, {});
  for (const [i, h] of holesOf(visit.movement.traits).entries())
    await marit.ok('PUT', `${at}/holes/${h.key}`, {
      pivotMm: 1.2,
      // One is judged by the lean of its arbor: no figure that a caliper could be held to.
      size: i === 3 ? { kind: 'lean', leanDeg: 1, plateMm: 2 } : { ...ROUND, holeLongMm: i === 2 ? 1.6 : 1.24 },
      way: i === 3 ? 'one-plate' : 'one-wheel',
      verdict: i === 2 ? 'bush' : 'sound',
      version: 0,
    });
  await marit.ok('POST', `${at}/bushes`, {
    hole: holesOf(visit.movement.traits)[2]!.key,
    pivotMm: 1.2,
    boreMm: 1.25,
    outsideMm: 2.5,
    heightMm: 2,
  });
  await marit.ok('POST', `${at}/parts`, { what: 'Suspension spring', source: 'new', oldPart: 'returned to the owner' });
  for (const p of oilChart(visit.movement.traits)) await marit.ok('PUT', `${at}/oil/${p.id}`, { product: 'fine oil' });
  await marit.ok('POST', `${at}/testrun`, { readBy: 'seconds hand', place: 'stand' });
  for (let d = 0; d <= 8; d++) {
    await marit.ok('POST', `${at}/testrun/readings`, { readAt: now.at.toISOString(), errorS: 4 + 7 * d });
    if (d < 8) await night();
  }
  for (const { id } of visit.received) await marit.ok('PUT', `${at}/received/${id}/returned`, { returned: true });
  for (const c of checksFor(visit.movement.traits, 'run'))
    await marit.ok('PUT', `${at}/checks/${c.id}`, { result: 'passed' });
  for (const stage of STAGE_IDS.filter((s) => s !== 'sign'))
    await marit.ok('PUT', `${at}/stages/${stage}`, { state: 'done' });
}

describe('a whole visit', () => {
  let visit: Visit;
  let entry: Entry;
  it('goes from the counter to a signed entry', async () => {
    visit = await takeIn(shop.marit);
    expect(visit.power.map((p) => p.state)).toEqual(['unknown', 'unknown']);
    expect((await shop.marit.send('POST', `/visits/${visit.id}/signature`, { passphrase: PASS })).status).toBe(409);
    await workThrough(visit);
    await shop.marit.ok('POST', `/visits/${visit.id}/time`, { stage: 'sign' });
    entry = await shop.marit.ok<Entry>('POST', `/visits/${visit.id}/signature`, {
      passphrase: PASS,
      note: 'Strike train sound.',
    });
    expect((await shop.marit.ok<Visit>('GET', `/visits/${visit.id}`)).time.map((t) => t.endedAt)).not.toContain(null);
    expect(entry.record).toMatchObject({
      test: { rateSecondsPerDay: 7, readings: 9, days: 8 },
      bushes: [{ pivotMm: 1.2 }],
    });
    // What was recorded behind the story, from how a hole was judged to each reading.
    const { survey, power, testRun, oiling, people } = entry.sections as Record<string, Record<string, unknown[]>>;
    expect(survey!['holes']).toContainEqual(
      expect.objectContaining({ judged: 'by its lean', seen: { leanDeg: 1, plateMm: 2 }, by: 'Marit Fennick' }),
    );
    expect(power!['said']).toContainEqual(expect.objectContaining({ state: 'let down', turns: 5 }));
    expect(testRun!['readings']).toHaveLength(9);
    expect(oiling!['points']).toContainEqual(expect.objectContaining({ product: 'fine oil' }));
    expect(people!['people']).toMatchObject([{ name: 'Marit Fennick' }]);
    expect(entry.unread).toEqual([]);
    expect(await shop.marit.ok('GET', '/bench')).toEqual([]);
  });

  it('leaves nothing of the owner in the movement book', async () => {
    const text = JSON.stringify(await shop.marit.ok<Book>('GET', `/movements/${visit.movement.id}`)).toLowerCase();
    for (const secret of ['tarrowby', 'odile', '010 442', 'cooper', visit.owner.id, visit.complaint.toLowerCase()])
      expect(text).not.toContain(secret);
  });

  it('is closed: nothing of it changes any more', async () => {
    const refused = await shop.marit.send('POST', `/visits/${visit.id}/findings`, {
      place: 'x',
      seen: 'y',
      severity: 'looks',
      effect: 'none',
    });
    expect(refused).toMatchObject({ status: 409, body: { detail: expect.stringContaining('amendment') } });
  });

  it('cannot be changed or deleted in the database either', async () => {
    for (const statement of [
      "update history_entry set title = 'x'",
      'delete from history_entry',
      'truncate history_entry',
      'truncate visit cascade',
      'alter table history_entry disable trigger all',
      'drop trigger history_no_change on history_entry',
      'set session_replication_role = replica',
      'alter table history_entry owner to current_user',
    ])
      await expect(sql(em(), statement), statement).rejects.toThrow(/permission denied|must be owner/);
    // Nor by the role that owns it, while the triggers are on.
    const owner = new pg.Client({ connectionString: shop.url });
    await owner.connect();
    for (const statement of [
      "update history_entry set title = 'x'",
      'delete from history_entry',
      'truncate visit cascade',
    ])
      await expect(owner.query(statement), statement).rejects.toThrow(/never changed or deleted/);
    await owner.end();
  });

  it('takes an amendment beside the entry; what is changed or taken out in the database shows', async () => {
    await shop.marit.ok('POST', `/history/${entry.id}/amendments`, {
      passphrase: PASS,
      text: 'The going spring is 19 mm wide.',
    });
    const at = `/movements/${visit.movement.id}`;
    const proofs = async () => (await shop.marit.ok<Book>('GET', at)).entries.map((e) => e.proof);
    expect(await proofs()).toEqual(['proved', 'proved']);
    const store = await verifyStore(em());
    expect([store.broken, store.entries]).toEqual([[], expect.any(Number)]);
    const put = (row: Record<string, unknown>) =>
      byHand(
        shop,
        'history_entry',
        `insert into history_entry (${Object.keys(row).join(', ')}) values (${Object.keys(row)
          .map(() => '?')
          .join(', ')})`,
        Object.values(row).map((v) => (v && typeof v === 'object' && !(v instanceof Date) ? JSON.stringify(v) : v)),
      );
    const take = () => byHand(shop, 'history_entry', 'delete from history_entry where id = ?', [entry.id]);
    const [kept] = await sql<Record<string, unknown>>(em(), 'select * from history_entry where id = ?', [entry.id]);
    const forgeries: [what: string, row: Record<string, unknown>][] = [
      ['title', { title: 'Overhauled' }],
      ['signer', { signed_by: 'Eben Strake' }],
      ['shop', { shop: 'Brackwater Clocks' }],
      ['record', { record: { ...entry.record, note: 'forged' } }],
      ['time', { written_at: new Date('2030-01-01T00:00:00Z') }],
      ['sealed anew without its signature', sealedAnew(kept!, { title: 'Overhauled' })],
      ['signed anew by a key of one’s own', await signedAnew(kept!, { title: 'Overhauled' })],
    ];
    for (const [what, change] of forgeries) {
      await take();
      await put({ ...kept, ...change });
      // Under a key that is not the shop’s it counts as another shop’s; what followed misses what it was written on.
      expect([...(await proofs())].sort()[0], what).toBe(what.startsWith('signed anew') ? 'page missing' : 'changed');
      expect(await proofs(), what).not.toContain('unsigned');
      expect((await verifyStore(em())).broken.length, what).toBeGreaterThan(0);
    }
    await take();
    expect(await proofs()).toEqual(['page missing']);
    await put(kept!);
    expect(await proofs()).toEqual(['proved', 'proved']);
  });

  it('is verified by the openssl command alone', async () => {
    const [row] = await sql<{ jws: string }>(em(), 'select jws from history_entry where id = ?', [entry.id]);
    expect(verifiedByOpenssl(row!.jws)).toMatch(/Verified Successfully/);
    const [head, , tail] = row!.jws.split('.');
    const forged = Buffer.from(JSON.stringify({ title: 'Overhauled' })).toString('base64url');
    expect(verifiedByOpenssl(`${head}.${forged}.${tail}`)).not.toMatch(/Verified Successfully/);
  });

  it('comes back with another owner, and the book goes on', async () => {
    expect(visit.lastSurvey).toBeNull();
    shop.now.at = new Date(shop.now.at.getTime() + 60_000);
    const again = await takeIn(shop.marit, {
      owner: { name: 'Casimir Pell' },
      clock: { description: 'Black clock' },
      movement: undefined,
      movementId: visit.movement.id,
    });
    await shop.marit.ok('POST', `/movements/${visit.movement.id}/inscriptions`, {
      date: '189X',
      text: 'Clnd 189',
      place: 'front plate',
    });
    const book = await shop.marit.ok<Book>('GET', `/movements/${visit.movement.id}`);
    expect(book.entries.map((e) => e.kind)).toEqual(['visit', 'amendment', 'inscription']);
    expect(book.inTheShop).toMatchObject({ visitId: again.id });
    const twice = await shop.marit.send(
      'POST',
      '/visits',
      newClock({ movement: undefined, movementId: visit.movement.id }),
    );
    expect(twice).toMatchObject({ status: 409, body: { title: expect.stringContaining(again.claim) } });
    // What each hole measured then stands behind the new survey.
    const holes = holesOf(visit.movement.traits);
    expect(again.lastSurvey!.holes).toHaveLength(holes.length);
    const figures = again.lastSurvey!.holes.map((h) => h.holeLongMm);
    expect([figures.filter((f) => f === null).length, figures.filter((f) => f === 1.24).length]).toEqual([
      1,
      holes.length - 2,
    ]);
    expect(again.lastSurvey!.holes.filter((h) => h.verdict === 'bush')).toEqual([
      {
        key: holes[2]!.key,
        pivotMm: 1.2,
        holeLongMm: 1.6,
        holeShortMm: 1.24,
        verdict: 'bush',
        bushed: { pivotMm: 1.2, boreMm: 1.25 },
      },
    ]);
  });
});

describe('the gates', () => {
  it('will not sign while the owner’s name stands in a finding', async () => {
    const visit = await takeIn(shop.marit, { movement: { name: 'z', familyId: 'fusee' } });
    await workThrough(visit, 'Glue of Mrs Tarrowby on the hinge.');
    const refused = await shop.marit.send('POST', `/visits/${visit.id}/signature`, { passphrase: PASS });
    expect(refused.body.detail).toContain('tarrowby');
    // A word that means something else is kept by the signer, with why; taken back, it stands in the way again.
    const word = { word: 'Tarrowby', why: 'A make of glue.' };
    const kept = await shop.marit.ok<{ id: string }>('POST', `/visits/${visit.id}/kept-words`, word);
    expect((await look(visit.id)).keptWords).toMatchObject([{ word: 'tarrowby', by: 'Marit Fennick' }]);
    await shop.marit.ok('DELETE', `/visits/${visit.id}/kept-words/${kept.id}`);
    expect((await shop.marit.send('POST', `/visits/${visit.id}/signature`, { passphrase: PASS })).status).toBe(409);
    const [finding] = (await look(visit.id)).findings;
    await shop.marit.ok('PATCH', `/visits/${visit.id}/findings/${finding!.id}`, {
      seen: 'Glue on the hinge.',
      version: finding!.version,
    });
    // What the correction did not name is as it was.
    expect((await look(visit.id)).findings[0]).toMatchObject({
      seen: 'Glue on the hinge.',
      proposal: 'Bush',
      earlierRepair: true,
    });
    await shop.marit.ok('POST', `/visits/${visit.id}/signature`, { passphrase: PASS });
  });

  it(
    'keeps the plates shut while a train is wound, and keeps the reason when they are opened all the ' + 'same',
    async () => {
      const visit = await takeIn(shop.marit, { movement: { name: 'z', familyId: 'mantel-barrels' } });
      const at = `/visits/${visit.id}`;
      await shop.marit.ok('PUT', `${at}/power/going`, { state: 'wound', version: 1 });
      expect((await shop.marit.send('POST', `${at}/strip`, { overrideReason: 'in a hurry' })).body.detail).toContain(
        'caution',
      );
      await shop.marit.ok('PUT', `${at}/cautions/wound-spring`);
      expect((await shop.marit.send('POST', `${at}/strip`, {})).body.detail).toContain('going train is wound');
      await shop.marit.ok('POST', `${at}/strip`, { overrideReason: 'Click broken.' });
      const { strip, overrides } = await look(visit.id);
      expect(strip.begun).toMatchObject({ by: 'Marit Fennick' });
      expect(overrides).toMatchObject([{ opens: 'plates', reason: 'Click broken.', by: 'Marit Fennick' }]);
      expect(await shop.marit.ok('GET', '/bench')).toEqual(
        expect.arrayContaining([
          expect.objectContaining({ visitId: visit.id, next: expect.objectContaining({ urgency: 'danger' }) }),
        ]),
      );
    },
  );

  it('keeps what a look found, and takes it back; a look at what this movement has not is none', async () => {
    const { marit } = shop;
    const { id, movement } = await takeIn(marit);
    const put = (look: string, outcome: string | null) => marit.send('PUT', `/visits/${id}/looks/${look}`, { outcome });
    expect(movement.traits.strike).toBe('rack');
    expect((await put('worn-hole.strike', 'clear')).status).toBe(200);
    expect((await put('worn-hole.strike', 'found')).status).toBe(200);
    expect((await look(id)).looks).toMatchObject([{ look: 'worn-hole.strike', outcome: 'found', by: 'Marit Fennick' }]);
    for (const none of ['worn-hole', 'worn-hole.chime', 'strip-strength'])
      expect((await put(none, 'clear')).status, none).toBe(404);
    expect((await put('worn-hole.strike', 'perhaps')).status).toBe(422);
    await put('worn-hole.strike', null);
    expect((await look(id)).looks).toEqual([]);
  });

  it('takes a verdict by feel for what it is, without a figure; a hole that was measured was reached', async () => {
    const visit = await letDown(
      shop.marit,
      await takeIn(shop.marit, { movement: { name: 'z', familyId: 'longcase' } }),
    );
    const at = `/visits/${visit.id}/holes/T2.front`;
    const felt = { pivotMm: null, size: { kind: 'felt' }, verdict: 'bush', version: 0 };
    const measured = { pivotMm: 1.2, size: { kind: 'measured', holeLongMm: 1.3, holeShortMm: 1.25 } };
    expect((await shop.marit.send('PUT', at, { ...felt, pivotMm: 1.2 })).body.fields).toMatchObject([{ path: 'size' }]);
    expect((await shop.marit.send('PUT', at, { ...felt, ...measured, pivotMm: null })).body.fields).toMatchObject([
      { path: 'pivotMm' },
    ]);
    expect((await shop.marit.send('PUT', at, { ...felt, ...measured, verdict: 'not reached' })).status).toBe(422);
    expect((await shop.marit.send('PUT', at, felt)).body).toMatchObject({ verdict: 'bush', computed: null });
    expect((await look(visit.id)).next).toBeDefined();
    // Turned down and taken back again: what was felt before is not known any more.
    const pivot = `/visits/${visit.id}/parts-looked/pivot.T2.front`;
    const turned = await shop.marit.send('PUT', pivot, { state: 'worn', toMm: 1.1, version: 0 });
    expect(turned.status).toBe(200);
    await shop.marit.ok('DELETE', pivot);
    expect((await look(visit.id)).holes).toEqual([]);
    await shop.marit.ok('PUT', at, felt);
    await shop.marit.ok('DELETE', at);
    expect((await shop.marit.send('DELETE', at)).status).toBe(404);
  });

  it('measures only what can be, at the field', async () => {
    const visit = await letDown(
      shop.marit,
      await takeIn(shop.marit, { movement: { name: 'z', familyId: 'longcase' } }),
    );
    const round = { kind: 'measured', holeLongMm: 1.3, holeShortMm: 1.25 };
    const put = (body: object, hole = 'T2.front') =>
      shop.marit.send('PUT', `/visits/${visit.id}/holes/${hole}`, {
        pivotMm: 1.2,
        size: { kind: 'measured', holeLongMm: 1.3, holeShortMm: 1.25 },
        verdict: 'sound',
        version: 0,
        ...body,
      });
    expect((await put({ size: { ...round, holeShortMm: 1.4 } })).body.fields![0]).toMatchObject({
      path: 'size.holeShortMm',
    });
    expect((await put({}, 'T9.front')).status).toBe(404);
    expect((await put({ size: { ...round, holeLongMm: 1.7 } })).body).toMatchObject({
      verdict: 'sound',
      computed: 'bush',
      way: 'one-wheel',
      holeLongMm: 1.7,
      past: 'original',
    });
    const lean = { kind: 'lean', leanDeg: 12, plateMm: 2 };
    expect((await put({ size: lean }, 'T3.front')).body.fields![0]).toMatchObject({ path: 'way' });
    expect(
      (await put({ size: lean, way: 'one-plate', wearDeg: 90, endShakeMm: 0.3, past: 'punched' }, 'T3.front')).body,
    ).toMatchObject({
      holeLongMm: 1.625,
      holeShortMm: 1.625,
      computed: 'bush',
      size: lean,
      wearDeg: 90,
      endShakeMm: 0.3,
      past: 'punched',
    });
    const future = await shop.marit.send('POST', `/visits/${visit.id}/testrun`, {
      readBy: 'minute hand',
      place: 'x',
      startedAt: '2099-01-01T00:00:00Z',
    });
    expect(future.status).toBe(422);
  });
});

describe('two people at once', () => {
  it('the slower one gets both states and writes nothing', async () => {
    const visit = await letDown(
      shop.marit,
      await takeIn(shop.marit, { movement: { name: 'z', familyId: 'shelf-open-springs' } }),
    );
    const at = `/visits/${visit.id}`;
    const [a, b] = await Promise.all(
      ['one', 'two'].map((complaint) => shop.marit.send('PATCH', at, { complaint, version: visit.version })),
    );
    expect([a!.status, b!.status].sort()).toEqual([200, 409]);
    const [won, lost] = a!.status === 200 ? ['one', b!] : ['two', a!];
    expect(lost.body).toMatchObject({ type: 'urn:eclat:lost-race', current: { complaint: won } });
    expect((await look(visit.id)).complaint).toBe(won);
    const holes = await Promise.all(
      ['sound', 'bush'].map((verdict) =>
        shop.marit.send('PUT', `${at}/holes/T1.front`, {
          pivotMm: 3,
          size: { kind: 'measured', holeLongMm: 3.1, holeShortMm: 3.1 },
          verdict,
          version: 0,
        }),
      ),
    );
    expect(holes.map((h) => h.status).sort()).toEqual([200, 409]);
  });
});
