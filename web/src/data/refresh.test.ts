// @vitest-environment jsdom
import { api } from '@eclat/contract';
import { QueryClient, QueryObserver } from '@tanstack/react-query';
import { beforeEach, describe, expect, it, vi } from 'vitest';
import { visitOf, AT } from '../../test/visit.ts';
import { fetched } from './fetched.ts';
import { afterCommand, putRepliesBy, refresh } from './refresh.ts';
import { replyInVisit } from '@eclat/contract/reply-in-visit';

const visit = visitOf('mantel-barrels', { id: 'v1' });
const params = { visitId: 'v1' };
let queries: QueryClient;
let asked: string[];

/** Screens that are open: each of these is looked at, so that it is fetched again when it is stale. */
const open = () => {
  for (const query of [
    fetched(api.visit.get, { params }),
    fetched(api.agreement.promise, { params }),
    fetched(api.bench.list),
    fetched(api.stores.list),
    fetched(api.cleaning.bathBook),
    fetched(api.houseRules.get),
  ])
    new QueryObserver(queries, query as never).subscribe(() => undefined);
};
const settled = async () => {
  // The answer is drawn before anything is asked for.
  await new Promise((drawn) => requestAnimationFrame(() => setTimeout(() => setTimeout(drawn))));
  await vi.waitFor(() => expect(queries.isFetching()).toBe(0));
  return asked.splice(0);
};

putRepliesBy(replyInVisit);
beforeEach(async () => {
  queries = new QueryClient();
  asked = [];
  vi.stubGlobal('fetch', async (url: string) => {
    asked.push(url);
    return new Response(JSON.stringify(url === '/api/visits/v1' ? visit : []));
  });
  open();
  await settled();
});

const now = () => queries.getQueryData(fetched(api.visit.get, { params }).queryKey)!;
const hole = {
  ...{
    key: 'T2.back',
    pivotMm: 1.2,
    holeLongMm: 1.6,
    holeShortMm: 1.25,
    size: { kind: 'measured', holeLongMm: 1.6, holeShortMm: 1.25 },
    way: 'one-wheel',
    wearDeg: null,
  },
  ...{ endShakeMm: null, spins: null, past: 'original', verdict: 'bush', note: '', version: 1 },
  ...{ computed: 'bush', by: 'Ines', at: AT },
};

describe('after a command of this page', () => {
  it('its reply stands in the visit at once, and only what its route names is fetched again', async () => {
    afterCommand(queries, api.survey.setHole, { ...params, hole: 'T2.back' }, hole);
    expect(now().holes).toEqual([hole]);
    afterCommand(queries, api.survey.setHole, { ...params, hole: 'T2.back' }, { ...hole, verdict: 'sound' });
    expect(now().holes).toMatchObject([{ key: 'T2.back', verdict: 'sound' }]);
    // Not the visit, not stores, baths or rules.
    expect(new Set(await settled())).toEqual(new Set(['/api/bench', '/api/visits/v1/promise']));
  });
  it('a row that was taken out is gone, and the next action follows', async () => {
    const stages = (['intake', 'assess', 'diagnose'] as const).map((stage) => ({
      ...{ stage, state: 'done' as const, why: '' },
      ...{ by: 'x', at: AT },
    }));
    const line = { id: 'l1', routes: [], state: null, addition: false };
    queries.setQueryData(fetched(api.visit.get, { params }).queryKey, { ...visit, stages });
    afterCommand(queries, api.agreement.addLine, params, line);
    expect(now().next.text).toBe('The owner has 1 line to answer');
    afterCommand(queries, api.agreement.removeLine, { ...params, lineId: 'l1' }, { ok: true });
    expect([now().agreement.lines, now().next.text]).toEqual([[], 'Write the estimate']);
    await settled();
  });
  it('a reading that was taken earlier comes before the later one', async () => {
    const testRun = {
      id: 'r',
      startedAt: AT,
      readBy: 'seconds hand' as const,
      place: '',
      conditions: null,
      readings: [],
      events: [],
    };
    queries.setQueryData(fetched(api.visit.get, { params }).queryKey, { ...visit, testRun });
    for (const [id, readAt] of [
      ['b', '2031-05-04T09:00:00.000Z'],
      ['a', '2031-05-03T09:00:00.000Z'],
    ])
      afterCommand(queries, api.testRun.addReading, params, { id, readAt, errorS: 1, celsius: null, by: 'x' });
    expect(now().testRun!.readings.map((r) => r.id)).toEqual(['a', 'b']);
    await settled();
  });
  it('a row of a list takes its place there without the list; oil takes nothing off a shelf', async () => {
    const list = fetched(api.stores.list).queryKey;
    queries.setQueryData(list, [
      { id: 'a', onHand: 3 },
      { id: 'b', onHand: 1 },
    ] as never);
    afterCommand(queries, api.stores.count, { itemId: 'b' }, { id: 'b', onHand: 7 });
    afterCommand(queries, api.stores.add, {}, { id: 'c', onHand: 2 });
    expect(queries.getQueryData(list)!.map((i) => [i.id, i.onHand])).toEqual([
      ['a', 3],
      ['b', 7],
      ['c', 2],
    ]);
    expect(await settled()).toEqual([]);
    afterCommand(queries, api.oiling.setPoint, params, { point: 'T1.front', by: 'x', at: AT });
    expect(await settled()).not.toContain('/api/stores');
    // A list that is on its way may carry what was before.
    void queries.invalidateQueries({ queryKey: list });
    afterCommand(queries, api.stores.count, { itemId: 'b' }, { id: 'b', onHand: 8 });
    expect((await settled()).filter((u) => u === '/api/stores')).toHaveLength(2);
  });
  it('the whole visit is fetched where the declaration says that more of it changed', async () => {
    afterCommand(queries, api.strip.openPass, params, {});
    expect(await settled()).toContain('/api/visits/v1');
  });
  it('a fetch that was under way, and may be older, is begun anew', async () => {
    void queries.invalidateQueries({ queryKey: ['visit', 'v1'] });
    afterCommand(queries, api.survey.setHole, { ...params, hole: 'T2.back' }, hole);
    expect((await settled()).filter((u) => u === '/api/visits/v1')).toHaveLength(2);
  });
});

describe('a notice from elsewhere', () => {
  it.each([
    [['stores'], '/api/stores'],
    [['baths'], '/api/baths'],
    [['rules'], '/api/rules'],
  ] as const)('of %s is looked up, and nothing else', async (topics, url) => {
    refresh(queries, { topics, visits: [] });
    expect(await settled()).toEqual([url]);
  });
  it('that comes while a first fetch is under way is not lost: that one may carry what was before', async () => {
    const first = fetched(api.visit.get, { params: { visitId: 'v7' } });
    let answer: (r: Response) => void = () => undefined;
    vi.stubGlobal('fetch', (url: string) => {
      asked.push(url);
      return new Promise<Response>((resolve) => (answer = resolve));
    });
    new QueryObserver(queries, first as never).subscribe(() => undefined);
    await vi.waitFor(() => expect(asked).toHaveLength(1));
    refresh(queries, { topics: ['visit'], visits: ['v7'] });
    answer(new Response(JSON.stringify({ ...visit, cause: 'before' })));
    await vi.waitFor(() => expect(asked).toHaveLength(2));
    answer(new Response(JSON.stringify({ ...visit, cause: 'after' })));
    await vi.waitFor(() => expect(queries.getQueryData(first.queryKey)!.cause).toBe('after'));
    expect(asked).toHaveLength(2);
  });
  it('of another visit leaves this one alone; of all visits it does not', async () => {
    refresh(queries, { topics: ['visit'], visits: ['v2'] });
    expect(await settled()).toEqual([]);
    refresh(queries, { topics: ['visit'], visits: [] });
    expect(await settled()).toContain('/api/visits/v1');
  });
});
