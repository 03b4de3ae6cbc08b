import type { BenchEntry, TestRun, Visit } from '@eclat/contract';
import { oilChart } from '@eclat/core/oiling';
import { STAGE_IDS } from '@eclat/core/workflow';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { ends, openShop, letDown, takeIn } from '../../test/shop.ts';

const now = { at: new Date('2031-05-10T09:00:00Z') };
let shop: Awaited<ReturnType<typeof openShop>>;
let visit: Visit;
beforeAll(async () => {
  shop = await openShop(now);
  visit = await letDown(shop.marit, await takeIn(shop.marit, { movement: { name: 'x', familyId: 'mantel-barrels' } }));
});
afterAll(() => shop.running.stop());

const send = (method: string, path: string, body?: object) =>
  shop.marit.send<TestRun & { id: string }>(method, `/visits/${visit.id}/${path}`, body);
const run = async () => (await shop.marit.ok<Visit>('GET', `/visits/${visit.id}`)).testRun!;
const field = (answer: { body: { fields?: { path: string }[] } }) => answer.body.fields?.[0]?.path;

describe('a test run', () => {
  it('takes no reading before it has begun', async () => {
    expect((await send('POST', 'testrun/readings', { readAt: '2031-05-10T08:00:00Z', errorS: 1 })).status).toBe(404);
  });

  it('begins once, now or at a time gone by', async () => {
    expect((await send('POST', 'testrun', { readBy: 'seconds hand', place: '' })).status).toBe(422);
    const begun = await send('POST', 'testrun', {
      readBy: 'seconds hand',
      place: 'stand 1',
      startedAt: '2031-05-08T09:00:00Z',
    });
    expect(begun.body).toMatchObject({ startedAt: '2031-05-08T09:00:00.000Z', readings: [] });
    expect((await send('POST', 'testrun', { readBy: 'minute hand', place: 'stand 2' })).status).toBe(409);
  });

  it('takes readings in any order, and each moment once', async () => {
    for (const [readAt, errorS] of [
      ['2031-05-09T09:00:00Z', 5],
      ['2031-05-08T10:00:00Z', 1],
      ['2031-05-10T08:59:00Z', 9],
    ] as const) {
      expect((await send('POST', 'testrun/readings', { readAt, errorS })).status).toBe(201);
    }
    expect((await run()).readings.map((r) => r.errorS)).toEqual([1, 5, 9]);
    expect(field(await send('POST', 'testrun/readings', { readAt: '2031-05-09T09:00:00Z', errorS: 6 }))).toBe('readAt');
  });

  it('takes none from the future, from before its beginning, or further off than a dial can show', async () => {
    expect(field(await send('POST', 'testrun/readings', { readAt: '2031-05-10T09:06:00Z', errorS: 6 }))).toBe('readAt');
    expect(field(await send('POST', 'testrun/readings', { readAt: '2031-05-08T08:00:00Z', errorS: 6 }))).toBe('readAt');
    expect(field(await send('POST', 'testrun/readings', { readAt: '2031-05-09T10:00:00Z', errorS: 21_601 }))).toBe(
      'errorS',
    );
    // A computer whose clock is a little fast is forgiven.
    expect((await send('POST', 'testrun/readings', { readAt: '2031-05-10T09:04:00Z', errorS: 9.5 })).status).toBe(201);
  });

  it('logs what happened to the clock, and forgets a reading only when asked', async () => {
    await send('POST', 'testrun/events', { kind: 'wound', happenedAt: '2031-05-08T09:01:00Z' });
    await send('POST', 'testrun/events', {
      kind: 'adjusted',
      happenedAt: '2031-05-09T12:00:00Z',
      note: 'nut one turn up',
    });
    const { events, readings } = await run();
    expect(events.map((e) => [e.kind, e.note])).toEqual([
      ['wound', ''],
      ['adjusted', 'nut one turn up'],
    ]);
    expect((await send('DELETE', `testrun/readings/${readings[0]!.id}`)).status).toBe(200);
    expect((await run()).readings).toHaveLength(readings.length - 1);
    expect((await send('DELETE', `testrun/readings/${readings[0]!.id}`)).status).toBe(404);
  });
});

describe('bushes and parts', () => {
  const bush = (change: object) =>
    send('POST', 'bushes', { hole: 'T2.front', pivotMm: 1.2, boreMm: 1.25, outsideMm: 2.5, heightMm: 2, ...change });
  it('a bush goes round its pivot and into a hole that is there', async () => {
    expect(field(await bush({ hole: 'T9.front' }))).toBe('hole');
    expect(field(await bush({ boreMm: 1.1 }))).toBe('boreMm');
    expect(field(await bush({ outsideMm: 1.25 }))).toBe('outsideMm');
    expect(field(await bush({ pivotMm: 0 }))).toBe('pivotMm');
    const fitted = (await bush({ located: 'by eye', off: true })).body as { id: string };
    expect(fitted).toMatchObject({ hole: 'T2.front', outsideMm: 2.5, located: 'by eye', off: true, endShakeMm: null });
    await shop.marit.ok('DELETE', `/visits/${visit.id}/bushes/${fitted.id}`);
    expect((await shop.marit.ok<Visit>('GET', `/visits/${visit.id}`)).bushes).toEqual([]);
  });
  it('a part says what became of the old one', async () => {
    expect(field(await send('POST', 'parts', { what: 'Line', source: 'new' }))).toBe('oldPart');
    expect(field(await send('POST', 'parts', { what: ' ', source: 'new', oldPart: 'lost' }))).toBe('what');
    expect((await send('POST', 'parts', { what: 'Line', source: 'new', oldPart: 'lost' })).body).toMatchObject({
      what: 'Line',
      oldPart: 'lost',
    });
    const { parts } = await shop.marit.ok<Visit>('GET', `/visits/${visit.id}`);
    await shop.marit.ok('DELETE', `/visits/${visit.id}/parts/${parts[0]!.id}`);
    expect((await shop.marit.ok<Visit>('GET', `/visits/${visit.id}`)).parts).toEqual([]);
  });
});

describe('oil', () => {
  it('is ticked at the points of this movement’s own chart, twice as well as once', async () => {
    const [point] = oilChart(visit.movement.traits);
    expect((await send('PUT', 'oil/hairspring', { product: '' })).status).toBe(404);
    await send('PUT', `oil/${point!.id}`, { product: 'first' });
    await send('PUT', `oil/${point!.id}`, { product: 'second' });
    const { oiled } = await shop.marit.ok<Visit>('GET', `/visits/${visit.id}`);
    expect(oiled).toMatchObject([{ point: point!.id, product: 'second', by: 'Marit Fennick' }]);
    // Left dry where the chart asks for oil: with why, and nothing stood on it.
    const asked = oilChart(visit.movement.traits).find((p) => p.grade !== 'none')!;
    const dry = { product: 'Clock oil', batch: '1', dry: true };
    expect((await send('PUT', `oil/${asked.id}`, dry)).body.fields).toMatchObject([{ path: 'differs' }]);
    const left = await send('PUT', `oil/${asked.id}`, { ...dry, differs: 'Its hole is blind.' });
    expect(left.body).toMatchObject({ dry: true, product: '', batch: '' });
  });
});

describe('symptoms', () => {
  it('are present, absent, or not asked', async () => {
    await send('PUT', 'observations/stops-late', { state: 'present' });
    await send('PUT', 'observations/gains', { state: 'absent' });
    await send('PUT', 'observations/stops-late', { state: 'absent' });
    expect((await send('PUT', 'observations/gains', { state: null })).body).toEqual({ 'stops-late': 'absent' });
    expect((await send('PUT', 'observations/sulks', { state: 'present' })).status).toBe(404);
  });
});

describe('what a run tells besides its readings', () => {
  let other: Visit;
  const call = (method: string, path: string, body?: object) =>
    shop.marit.send<TestRun & { id: string }>(method, `/visits/${other.id}/${path}`, body);
  const seen = async () => (await shop.marit.ok<Visit>('GET', `/visits/${other.id}`)).testRun!;
  beforeAll(async () => {
    other = await letDown(
      shop.marit,
      await takeIn(shop.marit, { movement: { name: 'y', familyId: 'mantel-barrels' } }),
    );
    await call('POST', 'testrun', {
      readBy: 'seconds hand',
      place: 'stand 7',
      startedAt: '2031-05-08T09:00:00Z',
      conditions: { stands: 'in its case', level: true, setter: 'rating nut', lengthMm: 200, pitchMm: 0.5 },
    });
  });

  it('is how it stands, which can be said anew', async () => {
    expect((await seen()).conditions).toMatchObject({ stands: 'in its case', lengthMm: 200 });
    await call('PUT', 'testrun/conditions', { stands: 'on a stand', level: false, setter: 'regulator' });
    expect((await seen()).conditions).toEqual({
      stands: 'on a stand',
      level: false,
      setter: 'regulator',
      lengthMm: null,
      pitchMm: null,
    });
    expect(field(await call('PUT', 'testrun/conditions', { lengthMm: 0 }))).toBe('lengthMm');
    expect(field(await call('PUT', 'testrun/conditions', { setter: 'a hammer' }))).toBe('setter');
  });

  it('is how warm it was', async () => {
    await call('POST', 'testrun/readings', { readAt: '2031-05-09T09:00:00Z', errorS: 5, celsius: 21.5 });
    await call('POST', 'testrun/readings', { readAt: '2031-05-09T10:00:00Z', errorS: 5 });
    expect((await seen()).readings.map((r) => r.celsius)).toEqual([21.5, null]);
    expect(
      field(await call('POST', 'testrun/readings', { readAt: '2031-05-09T11:00:00Z', errorS: 5, celsius: 80 })),
    ).toBe('celsius');
  });

  it(
    'is how far it was set, and what the hands showed when it stopped; and what did not happen is ' + 'taken back',
    async () => {
      const set = await call('POST', 'testrun/events', {
        kind: 'adjusted',
        happenedAt: '2031-05-09T12:00:00Z',
        detail: { setter: 'rating nut', amount: -1.25 },
      });
      await call('POST', 'testrun/events', {
        kind: 'stopped',
        happenedAt: '2031-05-09T13:00:00Z',
        detail: { where: 'at warning', shown: '11:57' },
      });
      expect((await seen()).events.map((e) => e.detail)).toEqual([
        { setter: 'rating nut', amount: -1.25 },
        { where: 'at warning', shown: '11:57' },
      ]);
      expect((await call('DELETE', `testrun/events/${set.body.id}`)).status).toBe(200);
      expect((await seen()).events.map((e) => e.kind)).toEqual(['stopped']);
      expect((await call('DELETE', `testrun/events/${set.body.id}`)).status).toBe(404);
    },
  );

  it('stands on the page of all on test, in the order of their places, until its stage is done', async () => {
    const onTest = async () =>
      await shop.marit.ok<{ claim: string; run: TestRun; failed: number; benchTests: BenchEntry[] }[]>(
        'GET',
        '/on-test',
      );
    const before = await onTest();
    expect(before.map((r) => r.run.place)).toEqual(['stand 1', 'stand 7']);
    expect(before[1]!.run.readings).toHaveLength(2);
    await call('PUT', 'checks/f-strike', { result: 'failed', note: 'one short at seven' });
    expect((await onTest())[1]!.failed).toBe(1);
    const swing = { kind: 'swing', values: { deg: 2.1, drops: null, stopped: null } };
    await call('POST', 'benches', { test: swing });
    // Each with its own movement's swings.
    expect((await onTest()).map((r) => r.benchTests.map((e) => [e.of, e.test]))).toEqual([[], [['visit', swing]]]);
    await call('PUT', 'stages/run', { state: 'done' });
    expect((await onTest()).map((r) => r.run.place)).toEqual(['stand 1']);
  });
});

describe('power on test', () => {
  it('stands wound from then on, so that a clock that comes apart again is made safe first', async () => {
    const { id } = await takeIn(shop.marit, { movement: { name: 'y', familyId: 'mantel-barrels' } });
    const at = (path = '') => `/visits/${id}${path}`;
    const view = () => shop.marit.ok<Visit>('GET', at());
    const states = async () => (await view()).power.map((p) => p.state);
    await shop.marit.ok('PUT', at('/cautions/wound-spring'));
    for (const train of ['going', 'strike'])
      await shop.marit.ok('PUT', at(`/power/${train}`), { state: 'let down', version: 1 });
    await shop.marit.ok('POST', at('/strip'), {});
    await ends(shop.marit, id, STAGE_IDS.slice(0, STAGE_IDS.indexOf('run')));
    expect(await states()).toEqual(['let down', 'let down']);

    now.at = new Date(now.at.getTime() + 60_000);
    await shop.marit.ok('POST', at('/testrun'), { readBy: 'minute hand', place: 'stand 3' });
    expect(await states()).toEqual(['wound', 'wound']);
    // Under the dial it comes apart wound as it is: power down is not asked for, and the line of readings is cut.
    await shop.marit.ok('POST', at('/testrun/readings'), { readAt: now.at.toISOString(), errorS: 0 });
    now.at = new Date(now.at.getTime() + 60_000);
    await shop.marit.ok('POST', at('/passes'), { reason: 'Rack catches.', depth: 'dial side', mends: 'earlier work' });
    const shallow = await view();
    expect(shallow.next.urgency).not.toBe('danger');
    expect(shallow.stages.find((s) => s.stage === 'power')!.state).toBe('done');
    const opened = shallow.testRun!.events.find((e) => e.kind === 'opened')!;
    expect((await shop.marit.send('DELETE', at(`/testrun/events/${opened.id}`))).status).toBe(409);
    await shop.marit.ok('POST', at('/steps'), { what: 'hour hand', opens: 'hands and dial' });
    expect(await shop.marit.ok('POST', at('/steps'), { what: 'rack' })).toMatchObject({ opens: 'dial side', pass: 2 });
    expect((await shop.marit.send('POST', at('/steps'), { what: 'front plate', opens: 'plates' })).status).toBe(422);

    await shop.marit.ok('POST', at('/passes'), { reason: 'It stops at a quarter to.' });
    expect((await view()).next).toMatchObject({ urgency: 'danger', stage: 'power' });

    now.at = new Date(now.at.getTime() + 60_000);
    for (const { source, version } of (await view()).power)
      await shop.marit.ok('PUT', at(`/power/${source}`), { state: 'let down', version });
    expect((await view()).next.urgency).not.toBe('danger');
    // Told afterwards, of a time before it was let down: it is still let down.
    const earlier = new Date(now.at.getTime() - 30_000).toISOString();
    await shop.marit.ok('POST', at('/testrun/events'), { kind: 'wound', happenedAt: earlier });
    expect(await states()).toEqual(['let down', 'let down']);
    await shop.marit.ok('POST', at('/testrun/events'), { kind: 'wound', happenedAt: now.at.toISOString() });
    expect(await states()).toEqual(['wound', 'wound']);
  });
});
