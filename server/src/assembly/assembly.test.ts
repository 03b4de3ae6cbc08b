import type { HeardSound, Visit } from '@eclat/contract';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { PASS, ends, letDown, openShop, takeIn } from '../../test/shop.ts';
import { dryStanding } from '@eclat/core/pivots';

let shop: Awaited<ReturnType<typeof openShop>>;

let visit: Visit;

beforeAll(async () => {
  shop = await openShop();
  visit = await takeIn(shop.marit, { movement: { name: 'x', familyId: 'quarter-chime' } });
});

afterAll(() => shop.running.stop());

const now = () => shop.marit.ok<Visit>('GET', `/visits/${visit.id}`);

const send = (method: string, path: string, body?: object) =>
  shop.marit.send<HeardSound>(method, `/visits/${visit.id}/${path}`, body);

describe('a check', () => {
  it('that fails says what was wrong, and takes the movement apart again where that is said', async () => {
    expect((await send('PUT', 'checks/drum', { result: 'failed' })).body.fields![0]!.path).toBe('note');
    for (const stage of ['fit', 'assemble']) await send('PUT', `stages/${stage}`, { state: 'done' });
    const before = (await now()).strip.passes.length;
    // It fails: by itself that opens nothing. The person says whether it is set here or comes apart.
    const fails = { result: 'failed', note: 'a quarter out' };
    await send('PUT', 'checks/drum', fails);
    expect((await now()).strip.passes).toHaveLength(before);
    const apart = { depth: 'plates', mends: 'our own work' };
    expect((await send('PUT', 'checks/drum', { ...fails, apart })).status).toBe(200);
    const failed = await now();
    expect(failed.strip.passes.slice(before).map((p) => p.reason)).toEqual([
      'Drum in phase with its release: a quarter out',
    ]);
    expect(failed.stages.find((s) => s.stage === 'assemble')!.state).toBe('open');
    const refused = (await send('POST', 'signature', { passphrase: PASS })).body;
    expect(JSON.stringify(refused)).toContain('A check stands failed: Drum in phase');
    await send('PUT', 'checks/drum', { result: 'passed', note: 'set in the second pass' });
    expect(JSON.stringify((await send('POST', 'signature', { passphrase: PASS })).body)).not.toContain('stands failed');
  });
  it('is asked again only where a pass touched it; set here, it is open again; earlier answers are kept', async () => {
    const own = await takeIn(shop.marit, { movement: { name: 'y', familyId: 'mantel-barrels' } });
    const at = `/visits/${own.id}`;
    const see = () => shop.marit.ok<Visit>('GET', at);
    const later = () => (shop.now.at = new Date(shop.now.at.getTime() + 60_000));
    const holding = async () => (await see()).checks.map((c) => c.check).sort();
    for (const c of ['hands', 'rack', 'beat', 'end-shake'])
      await shop.marit.ok('PUT', `${at}/checks/${c}`, { result: 'passed' });
    for (const p of ['rack', 'crutch', 'train-low']) await shop.marit.ok('PUT', `${at}/oil/${p}`, { product: 'oil' });
    const oiled = async () => (await see()).oiled.map((o) => o.point).sort();

    later();
    await shop.marit.ok('POST', `${at}/passes`, { reason: 'rack catches', depth: 'dial side' });
    expect([await holding(), await oiled()]).toEqual([
      ['beat', 'end-shake'],
      ['crutch', 'train-low'],
    ]);
    later();
    await shop.marit.ok('POST', `${at}/passes`, { reason: 'pallets stick', depth: 'escapement' });
    expect([await holding(), await oiled()]).toEqual([['end-shake'], ['train-low']]);

    later();
    await shop.marit.ok('PUT', `${at}/checks/rack`, { result: 'failed', note: 'tail on the edge' });
    later();
    const tried = { what: 'rack tail', way: 'out', amount: 'a hair' };
    const { id } = await shop.marit.ok<{ id: string }>('POST', `${at}/checks/rack/settings`, tried);
    expect(await holding()).toEqual(['end-shake']);
    later();
    await shop.marit.ok('PUT', `${at}/checks/rack`, { result: 'passed' });
    const now = await see();
    expect(now.checks.find((c) => c.check === 'rack')).toMatchObject({ result: 'passed' });
    expect(now.earlierChecks.filter((c) => c.check === 'rack').map((c) => c.result)).toEqual(['passed', 'failed']);
    expect(now.settings).toMatchObject([{ check: 'rack', ...tried, by: 'Marit Fennick' }]);
    expect(now.strip.passes).toHaveLength(2);
    await shop.marit.ok('DELETE', `${at}/checks/rack/settings/${id}`);
    expect((await see()).settings).toEqual([]);
    expect((await shop.marit.send('POST', `${at}/checks/torsion/settings`, tried)).status).toBe(404);
  });
  it('is one of this movement', async () =>
    expect((await send('PUT', 'checks/torsion', { result: 'passed' })).status).toBe(404));
  it('that is counted on the way stands open with its count, and the count is one that can be', async () => {
    const half = {
      result: 'under way',
      detail: { windings: ['2031-05-02T09:00:00.000Z', '2031-05-02T09:00:40.000Z'] },
    };
    await send('PUT', 'checks/selector', half);
    expect((await now()).checks.find((c) => c.check === 'selector')).toMatchObject({
      result: 'under way',
      detail: half.detail,
    });
    expect(
      (await send('PUT', 'checks/selector', { result: 'under way', detail: { of: 59, done: 60, fouled: [] } })).status,
    ).toBe(422);
    await send('DELETE', 'checks/selector');
  });
  it('at delivery opens no pass, and can be taken back', async () => {
    const before = (await now()).strip.passes.length;
    await send('PUT', 'checks/d-level', { result: 'failed', note: 'shelf rocks' });
    await send('DELETE', 'checks/d-level');
    expect([(await now()).strip.passes.length, (await now()).checks.some((c) => c.check === 'd-level')]).toEqual([
      before,
      false,
    ]);
  });
});

describe('together dry', () => {
  it('feels bush by bush, again once something was done or a new one is in, and is no pass', async () => {
    const own = await letDown(
      shop.marit,
      await takeIn(shop.marit, { movement: { name: 'dry', familyId: 'mantel-barrels' } }),
    );
    const at = `/visits/${own.id}`;
    const see = () => shop.marit.ok<Visit>('GET', at);
    const later = () => (shop.now.at = new Date(shop.now.at.getTime() + 60_000));
    const standing = async () => {
      const { bushes, dryTries } = await see();
      return Object.fromEntries(dryStanding(bushes, dryTries));
    };
    const bush = (hole: string) =>
      shop.marit.ok('POST', `${at}/bushes`, { hole, pivotMm: 1.2, boreMm: 1.25, outsideMm: 2.5, heightMm: 2 });
    const feel = (hole: string, word: string) =>
      shop.marit.ok<{ id: string }>('POST', `${at}/dry-tries`, { hole, word });
    await bush('T2.back');
    await bush('S3.front');
    const train = own.movement.traits.trains[0]!.id;
    const fit = await shop.marit.ok<{ id: string }>('POST', `${at}/dry-fits`, { train });
    expect((await shop.marit.send('POST', `${at}/dry-fits`, { train: null })).status).toBe(409);
    expect((await shop.marit.send('POST', `${at}/dry-fits`, { train: 'tune' })).status).toBe(422);
    later();
    const drags = await feel('T2.back', 'drags');
    expect(await standing()).toEqual({ 'T2.back': 'drags', 'S3.front': null });
    await shop.marit.ok('PUT', `${at}/dry-tries/${drags.id}/cure`, { cure: 'driven out a hair' });
    expect(await standing()).toEqual({ 'T2.back': null, 'S3.front': null });
    later();
    const free = await feel('T2.back', 'free');
    expect(await standing()).toMatchObject({ 'T2.back': 'free' });
    expect((await shop.marit.send('PUT', `${at}/dry-tries/${free.id}/cure`, { cure: 'broached' })).status).toBe(422);
    // Another bush in it: what was felt of the one before counts no more.
    later();
    await bush('T2.back');
    expect(await standing()).toMatchObject({ 'T2.back': null });
    expect((await shop.marit.send('POST', `${at}/dry-tries`, { hole: 'Q9.back', word: 'free' })).status).toBe(422);
    await shop.marit.ok('PUT', `${at}/dry-fits/${fit.id}/end`, {});
    const { dryFits, strip } = await see();
    expect(dryFits).toMatchObject([{ train, endedBy: 'Marit Fennick' }]);
    expect(strip.passes).toEqual([]);
  });
  it('is not parted while somebody wound it meanwhile', async () => {
    const own = await letDown(
      shop.marit,
      await takeIn(shop.marit, { movement: { name: 'dry', familyId: 'mantel-barrels' } }),
    );
    const at = `/visits/${own.id}`;
    const { id } = await shop.marit.ok<{ id: string }>('POST', `${at}/dry-fits`, { train: null });
    const { power } = await shop.marit.ok<Visit>('GET', at);
    const source = power[0]!;
    await shop.marit.ok('PUT', `${at}/power/${source.source}`, { state: 'wound', version: source.version });
    expect((await shop.marit.send('PUT', `${at}/dry-fits/${id}/end`, {})).body.fields![0]!.message).toContain('wound');
  });
});

describe('before the plates close', () => {
  it('a second person looks, who is not the first, and the stage waits for the word', async () => {
    const own = await takeIn(shop.marit, { movement: { name: 'look', familyId: 'mantel-barrels' } });
    const at = `/visits/${own.id}`;
    await shop.marit.ok('POST', '/people', {
      name: 'Ines Calloway',
      role: 'technician',
      passphrase: 'oak wedge nine pins',
    });
    const ines = shop.browser();
    await ines.ok('PUT', '/session', { name: 'Ines Calloway', passphrase: 'oak wedge nine pins' });
    const asked = await shop.marit.ok<{ id: string }>('POST', `${at}/second-looks`, {
      what: 'before the plates close',
    });
    const answer = (who: typeof ines, body: object) => who.send('PUT', `${at}/second-looks/${asked.id}`, body);
    const end = () => shop.marit.send('PUT', `${at}/stages/assemble`, { state: 'done' });
    expect(JSON.stringify((await end()).body)).toContain('A second person looks first: before the plates close.');
    expect((await answer(shop.marit, { word: 'in order' })).status).toBe(409);
    expect((await answer(ines, { word: 'not yet' })).body.fields![0]!.path).toBe('note');
    expect((await answer(ines, { word: 'in order' })).status).toBe(200);
    expect((await answer(ines, { word: 'not yet', note: 'x' })).status).toBe(409);
    expect((await shop.marit.send('DELETE', `${at}/second-looks/${asked.id}`)).status).toBe(409);
    expect((await end()).status).toBe(200);
    expect((await shop.marit.ok<Visit>('GET', at)).secondLooks).toMatchObject([
      { by: 'Marit Fennick', lookedBy: 'Ines Calloway', word: 'in order' },
    ]);
  });
  it('how it went together last time is there the next time, and only one’s own is taken back', async () => {
    const first = await takeIn(shop.marit, {
      ...{ movement: { name: 'close', familyId: 'mantel-barrels' }, shape: 'report' },
      ...{ owner: undefined, ownStock: true, received: [] },
    });
    expect((await shop.marit.send('POST', `/visits/${first.id}/closings`, {})).status).toBe(422);
    const said = { corner: 'lower left', last: 'warning wheel, fly' };
    const { id } = await shop.marit.ok<{ id: string }>('POST', `/visits/${first.id}/closings`, said);
    await ends(shop.marit, first.id, ['intake', 'assess', 'diagnose']);
    await shop.marit.ok('POST', `/visits/${first.id}/signature`, { passphrase: PASS });
    const next = await takeIn(shop.marit, { movementId: first.movement.id, movement: undefined });
    expect((await shop.marit.ok<Visit>('GET', `/visits/${next.id}`)).closings).toMatchObject([{ ...said, own: false }]);
    expect((await shop.marit.send('DELETE', `/visits/${next.id}/closings/${id}`)).status).toBe(404);
  });
});

describe('who may', () => {
  it('the counter hears and reads what is on test, and answers no checks', async () => {
    await shop.marit.ok('POST', '/people', { name: 'Wilf Arden', role: 'counter', passphrase: 'oak wedge nine pins' });
    const wilf = shop.browser();
    await wilf.ok('PUT', '/session', { name: 'Wilf Arden', passphrase: 'oak wedge nine pins' });
    const may = async (method: string, path: string, body?: object) => (await wilf.send(method, path, body)).status;
    expect(await may('PUT', `/visits/${visit.id}/checks/end-shake`, { result: 'passed' })).toBe(403);
    expect(await may('POST', `/visits/${visit.id}/releases`, { wanted: 0, minute: 1 })).toBe(403);
    expect(await may('PUT', `/visits/${visit.id}/struck/h5`, { heard: 5 })).toBe(200);
    expect(await may('GET', '/on-test')).toBe(200);
    expect(await may('GET', '/recall?q=22-07')).toBe(200);
  });
  it('nobody does who is not signed in', async () => {
    const stranger = shop.browser();
    for (const path of ['/on-test', '/due-again', '/recall?q=22', '/callbacks', `/visits/${visit.id}/papers/slip.pdf`])
      expect((await stranger.send('GET', path)).status, path).toBe(401);
  });
});
