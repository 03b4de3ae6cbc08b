// @vitest-environment jsdom
import 'fake-indexeddb/auto';
import { api } from '@eclat/contract';
import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { act, renderHook, waitFor } from '@testing-library/react';
import type { ReactNode } from 'react';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { useAppState, type Unsent } from './app-state.ts';
import { api as routes } from './api.ts';
import { call, Away } from './call.ts';
import { copiesAreOf, forgetCopies, isCopied, orCopy } from './copies.ts';
import { useLive } from './live.ts';
import { newId } from './new-id.ts';
import { keepMine, loadUnsent, removeUnsent, retryUnsent, sentBefore, useOutbox } from './outbox.ts';
import { keepSession, sessionQuery } from './queries.ts';
import { routeAt } from './route-at.ts';
import { useCommand } from './useCommand.ts';
import * as waitingInVisit from './waiting-in-visit.ts';

interface Opened {
  readyState: number;
  onerror?: () => void;
  onopen?: () => void;
  last?: (e: { data: string }) => void;
  close(): void;
}

const PERSON = 'p1';
const params = { visitId: 'v1' };
const finding = { place: 'case', seen: 'loose', severity: 'looks', effect: 'looks' } as const;
let sent: { url: string; method: string; key: string | null; body: unknown }[];
let answer: () => Response | Error;

const json = (status: number, body: object) =>
  new Response(JSON.stringify(body), { status, headers: { 'content-type': 'application/json' } });
const client = () => {
  const queries = new QueryClient();
  queries.setQueryData(sessionQuery.queryKey, {
    person: { id: PERSON, name: 'Ines Calloway', role: 'technician' },
    shop: 'x',
    timeZone: 'Europe/London',
    firstRun: false,
    demo: false,
    now: 0,
  });
  return ({ children }: { children: ReactNode }) => (
    <QueryClientProvider client={queries}>{children}</QueryClientProvider>
  );
};

beforeEach(() => {
  sent = [];
  answer = () => json(201, { ok: true });
  vi.stubGlobal('fetch', async (url: string, init: RequestInit) => {
    sent.push({
      url,
      method: init.method!,
      key: new Headers(init.headers).get('idempotency-key'),
      body: init.body ? JSON.parse(init.body as string) : undefined,
    });
    const reply = answer();
    if (reply instanceof Error) throw reply;
    return reply;
  });
  useAppState.setState({ unsent: [], conflict: null, notice: null });
});
afterEach(() => {
  for (const { key } of useAppState.getState().unsent) removeUnsent(key);
  vi.useRealTimers();
  vi.unstubAllGlobals();
});

describe('a network that went silent', () => {
  it('is given half a minute, then a change counts as not sent; what is read is waited for', async () => {
    vi.useFakeTimers();
    vi.stubGlobal(
      'fetch',
      (_url: string, { signal }: RequestInit) =>
        new Promise((_, reject) => {
          signal?.addEventListener('abort', () => reject(new DOMException('gone', 'AbortError')));
        }),
    );
    let said = '';
    void call(api.assessment.addFinding, { params, body: finding }).catch((e: unknown) => {
      said = e instanceof Away ? 'away' : String(e);
    });
    let read = '';
    void call(api.visit.get, { params }).catch((e: unknown) => (read = String(e)));
    await vi.advanceTimersByTimeAsync(29_000);
    expect(said).toBe('');
    await vi.advanceTimersByTimeAsync(2_000);
    expect([said, read]).toEqual(['away', '']);
  });

  it('is listened to again when the browser gave up', () => {
    vi.useFakeTimers();
    const opened: Opened[] = [];
    class Source {
      readyState = 1;
      last?: (e: { data: string }) => void;
      close = () => undefined;
      addEventListener = (_: string, told: (e: { data: string }) => void) => (this.last = told);
      constructor() {
        opened.push(this);
      }
    }
    vi.stubGlobal('EventSource', Source);
    const { unmount } = renderHook(() => useLive(), { wrapper: client() });
    opened[0]!.readyState = 0; // it tries again by itself
    opened[0]!.onerror!();
    vi.advanceTimersByTime(10_000);
    expect(opened).toHaveLength(1);
    opened[0]!.readyState = 2; // answered with an error: it does not
    opened[0]!.onerror!();
    expect(useAppState.getState().liveOk).toBe(false);
    vi.advanceTimersByTime(2_500);
    expect(opened).toHaveLength(2);
    opened[1]!.onopen!();
    expect(useAppState.getState().liveOk).toBe(true);
    // What was said while the stream was being opened is looked at; what was said long before is seen already.
    const looked = vi.spyOn(QueryClient.prototype, 'invalidateQueries');
    opened[1]!.last!({ data: String(Date.now() - 60_000) });
    expect(looked).not.toHaveBeenCalled();
    opened[1]!.last!({ data: String(Date.now()) });
    expect(looked).toHaveBeenCalledOnce();
    unmount();
  });
});

describe('a call', () => {
  it('fills in the path and leaves out empty questions', async () => {
    await call(api.owners.search, { query: { q: 'o’hara & co', after: '' } });
    expect(sent[0]!.url).toBe('/api/owners?q=o%E2%80%99hara+%26+co');
    await call(api.powerDown.set, {
      params: { visitId: 'a/b', source: 'going' },
      body: { state: 'wound', version: 1 },
    });
    expect(sent[1]).toMatchObject({ url: '/api/visits/a%2Fb/power/going', key: expect.any(String) as string });
  });
  it('tells a server that is away from one that says no', async () => {
    answer = () => new TypeError('Failed to fetch');
    await expect(call(api.bench.list, {})).rejects.toBeInstanceOf(Away);
    answer = () => new Response('<html>bad gateway', { status: 502 });
    await expect(call(api.bench.list, {})).rejects.toBeInstanceOf(Away);
    answer = () => json(409, { title: 'Closed.', detail: 'Add an amendment.' });
    await expect(call(api.bench.list, {})).rejects.toMatchObject({ status: 409, message: 'Closed. Add an amendment.' });
  });
});

describe('a change while the server is away', () => {
  const enter = async () => {
    const onSent = vi.fn();
    const onDone = vi.fn();
    const { result } = renderHook(() => useCommand(api.assessment.addFinding, { what: 'Finding', onSent, onDone }), {
      wrapper: client(),
    });
    await act(async () => {
      result.current.mutate({ params, body: finding });
    });
    return { onSent, onDone };
  };

  it('is kept with its key, and sent once when the server is back, with that same key', async () => {
    vi.useFakeTimers({ shouldAdvanceTime: true });
    answer = () => new TypeError('Failed to fetch');
    const { onSent, onDone } = await enter();
    await waitFor(() => expect(useAppState.getState().unsent).toHaveLength(1));
    expect(onSent).toHaveBeenCalledOnce();
    expect(onDone).not.toHaveBeenCalled();
    const [first] = sent;

    renderHook(() => useOutbox(PERSON), { wrapper: client() });
    await act(() => vi.advanceTimersByTimeAsync(3_100));
    expect(useAppState.getState().unsent).toHaveLength(1);
    answer = () => json(201, { ok: true });
    await act(() => vi.advanceTimersByTimeAsync(3_100));
    expect(useAppState.getState().unsent).toEqual([]);
    const before = sent.length;
    await act(() => vi.advanceTimersByTimeAsync(10_000));
    expect(sent).toHaveLength(before);
    expect(new Set(sent.map((s) => s.key))).toEqual(new Set([first!.key]));
    expect(sent.at(-1)!.body).toEqual(finding);
  });

  it('stays on the device when the server refuses it, until the person deals with it', async () => {
    vi.useFakeTimers({ shouldAdvanceTime: true });
    answer = () => new TypeError('Failed to fetch');
    await enter();
    await waitFor(() => expect(useAppState.getState().unsent).toHaveLength(1));
    answer = () => json(409, { title: 'This visit is signed and closed.' });
    renderHook(() => useOutbox(PERSON), { wrapper: client() });
    await act(() => vi.advanceTimersByTimeAsync(3_100));
    const [kept] = useAppState.getState().unsent;
    expect(kept).toMatchObject({ refused: 'This visit is signed and closed.', body: finding });
    const tries = sent.length;
    await act(() => vi.advanceTimersByTimeAsync(10_000));
    expect(sent).toHaveLength(tries); // not asked again and again
    act(() => retryUnsent(kept!.key));
    expect(useAppState.getState().unsent[0]!.refused).toBeUndefined();
    act(() => removeUnsent(kept!.key));
    expect(useAppState.getState().unsent).toEqual([]);
  });

  it('is never sent in another person’s name', async () => {
    vi.useFakeTimers({ shouldAdvanceTime: true });
    answer = () => new TypeError('Failed to fetch');
    await enter();
    await waitFor(() => expect(useAppState.getState().unsent).toHaveLength(1));
    answer = () => json(201, { ok: true });
    const tries = sent.length;
    renderHook(() => useOutbox('somebody else'), { wrapper: client() });
    await act(() => vi.advanceTimersByTimeAsync(7_000));
    expect(sent).toHaveLength(tries);
    expect(useAppState.getState().unsent).toHaveLength(1);
  });

  it('that an earlier version of the page kept is sent in the form of today', async () => {
    vi.useFakeTimers({ shouldAdvanceTime: true });
    const kept = (url: string, body: object) =>
      ({ key: url, method: 'PUT', url, body, what: 'Kept', personId: PERSON }) as Unsent; // it told no moment
    const hole = { pivotMm: 1.2, holeLongMm: 1.6, holeShortMm: 1.25, verdict: 'bush', version: 0 };
    const lean = { kind: 'lean', leanDeg: 12, plateMm: 2 };
    const coil = { kind: 'suppression', what: 'diode', value: '', note: '' };
    useAppState.setState({
      unsent: [
        kept('/api/visits/v1/holes/T1.front', { ...hole, seen: null }),
        kept('/api/visits/v1/holes/T2.front', { ...hole, seen: lean, way: 'one-plate' }),
        kept('/api/visits/v1/electric', { look: coil }),
        kept('/api/visits/v1/stages/clean', { done: true }),
        kept('/api/visits/v1/stages/run', { done: false }),
      ],
    });
    renderHook(() => useOutbox(PERSON), { wrapper: client() });
    await act(() => vi.advanceTimersByTimeAsync(3_100));
    const today = [
      [api.survey.setHole, { size: { kind: 'measured', holeLongMm: 1.6, holeShortMm: 1.25 }, verdict: 'bush' }],
      [api.survey.setHole, { size: lean, way: 'one-plate' }],
      [api.benches.add, { test: coil }],
      [api.visit.setStage, { state: 'done' }],
      [api.visit.setStage, { state: 'open' }],
    ] as const;
    for (const [i, [route, body]] of today.entries())
      expect(route.body.parse(sent[i]!.body), sent[i]!.url).toMatchObject(body);
  });

  it('is there again after the page was closed; what was thrown away is not', async () => {
    answer = () => new TypeError('Failed to fetch');
    await enter();
    await enter();
    await waitFor(() => expect(useAppState.getState().unsent.map((u) => u.stored)).toEqual([true, true]));
    const [first, second] = useAppState.getState().unsent;
    expect(localStorage.getItem('eclat')).not.toContain('"place":"case"'); // it stands in one place
    removeUnsent(second!.key);
    useAppState.setState({ unsent: [] });
    await loadUnsent();
    expect(useAppState.getState().unsent).toEqual([first]);
  });

  it('stands beside the theme where the device has no database, and moves there when it has one', async () => {
    answer = () => new TypeError('Failed to fetch');
    const broken = vi.spyOn(IDBObjectStore.prototype, 'put').mockImplementation(() => {
      throw new DOMException('full', 'QuotaExceededError');
    });
    await enter();
    const [kept] = useAppState.getState().unsent;
    expect(kept!.stored).toBeUndefined();
    expect(localStorage.getItem('eclat')).toContain('"place":"case"');
    broken.mockRestore();
    await loadUnsent();
    await waitFor(() => expect(useAppState.getState().unsent[0]).toEqual({ ...kept, stored: true }));
  });

  it('goes before what is entered after it, though the server is back by then', async () => {
    answer = () => new TypeError('Failed to fetch');
    await enter();
    sent = [];
    answer = () => json(201, { ok: true });
    const { onDone } = await enter();
    await waitFor(() => expect(onDone).toHaveBeenCalledOnce());
    expect(sent.filter((s) => s.method !== 'GET').map((s) => s.body)).toEqual([finding, finding]);
    expect(useAppState.getState().unsent).toEqual([]);
  });

  it('that finds nobody signed in waits for the one who made it', async () => {
    answer = () => json(401, { title: 'Sign in to go on.' });
    const { onSent } = await enter();
    await waitFor(() => expect(onSent).toHaveBeenCalledOnce());
    const [kept] = useAppState.getState().unsent;
    expect([kept!.personId, kept!.refused]).toEqual([PERSON, undefined]);
  });
});

describe('a lost race', () => {
  const change = async () => {
    const { result } = renderHook(
      () => useCommand(api.assessment.changeFinding, { what: 'Finding', labels: { seen: 'What was seen' } }),
      { wrapper: client() },
    );
    answer = () =>
      json(409, {
        type: 'urn:eclat:lost-race',
        title: 'Somebody changed this.',
        current: { version: 5, seen: 'theirs', place: 'case' },
      });
    await act(async () => {
      result.current.mutate({ params: { visitId: 'v1', findingId: 'f1' }, body: { seen: 'mine', version: 3 } });
    });
    await waitFor(() => expect(useAppState.getState().conflict).not.toBeNull());
  };

  it('becomes a choice that shows only what differs', async () => {
    await change();
    expect(useAppState.getState().conflict!.fields).toEqual([
      { name: 'seen', label: 'What was seen', mine: 'mine', theirs: 'theirs' },
    ]);
  });
  it('sends mine again on top of theirs when I choose so', async () => {
    await change();
    answer = () => json(200, {});
    await act(async () => useAppState.getState().conflict!.keepMine());
    await waitFor(() => expect(sent.at(-1)!.body).toEqual({ seen: 'mine', version: 5 }));
    expect(useAppState.getState().conflict).toBeNull();
  });
  it('writes nothing when theirs is taken', async () => {
    await change();
    const before = sent.filter((s) => s.method !== 'GET').length;
    await act(async () => useAppState.getState().conflict!.takeTheirs());
    expect(sent.filter((s) => s.method !== 'GET')).toHaveLength(before);
    expect(useAppState.getState().conflict).toBeNull();
  });
});

it('fields that the server names are given to the form', async () => {
  const onFields = vi.fn();
  const { result } = renderHook(() => useCommand(api.testRun.addReading, { what: 'Reading', onFields }), {
    wrapper: client(),
  });
  answer = () => json(422, { title: 'x', fields: [{ path: 'readAt', message: 'This is in the future.' }] });
  await act(async () => {
    result.current.mutate({ params, body: { readAt: '2031-01-01T00:00:00Z', errorS: 1 } });
  });
  await waitFor(() => expect(onFields).toHaveBeenCalledWith([{ path: 'readAt', message: 'This is in the future.' }]));
});

describe('a change whose outcome cannot be said here', () => {
  it.each(['fails', 'hangs'])('is kept all the same when what would say it %s', async (how) => {
    const never = () => new Promise<never>(() => undefined);
    vi.spyOn(waitingInVisit, 'expectedOf').mockImplementation(
      how === 'fails' ? () => Promise.reject(new TypeError('Failed to fetch dynamically imported module')) : never,
    );
    answer = () => new TypeError('Failed to fetch');
    const { result } = renderHook(() => useCommand(api.assessment.addFinding, { what: 'Finding' }), {
      wrapper: client(),
    });
    await act(() => result.current.mutateAsync({ params, body: finding }));
    expect(useAppState.getState().unsent).toMatchObject([{ what: 'Finding', body: finding }]);
    vi.restoreAllMocks();
  });
});

describe('changes that were made one on top of the other', () => {
  const STEP = '7d0c1f52-7a55-4a39-9a44-5b6f0ce30000';
  const PHOTO = '11111111-7a55-4a39-9a44-5b6f0ce30000';
  const HOLE = '/api/visits/v1/holes/T1.front';
  let n = 0;
  const unsent = (change: Partial<Unsent>): Unsent => ({
    key: newId(),
    method: 'PUT',
    url: HOLE,
    body: {},
    what: 'Hole',
    personId: 'p1',
    madeAt: ++n,
    ...change,
  });
  const list = () => useAppState.getState().unsent;
  /** What each request is answered, by its address; and what was sent. */
  let answers: Record<string, (body: Record<string, unknown>) => [status: number, body: object]>;
  let told: { url: string; body: unknown; madeAt: string | null }[];
  beforeEach(() => {
    answers = {};
    told = [];
    useAppState.setState({ liveOk: true });
    vi.stubGlobal('fetch', async (url: string, init: RequestInit) => {
      const body = typeof init.body === 'string' ? (JSON.parse(init.body) as Record<string, unknown>) : {};
      told.push({ url, body, madeAt: new Headers(init.headers).get('eclat-made-at') });
      const [status, reply] = answers[url]?.(body) ?? [200, {}];
      return new Response(JSON.stringify(reply), { status });
    });
  });

  const race = (current: object): [number, object] => [409, { type: 'urn:eclat:lost-race', title: '', current }];

  it('name what the server made, with the moment each was made', async () => {
    const at = '2031-05-02T08:00:00.000Z';
    answers['/api/visits/v1/photos?stage=strip'] = () => [201, { id: 'photo-of-the-server' }];
    answers['/api/visits/v1/steps'] = () => [201, { id: 'step-of-the-server', version: 1 }];
    const picture = new Blob(['x'], { type: 'image/jpeg' });
    useAppState.setState({
      unsent: [
        unsent({
          method: 'POST',
          url: '/api/visits/v1/photos?stage=strip',
          body: picture,
          key: PHOTO,
          at,
          expects: { id: PHOTO },
        }),
        unsent({
          method: 'POST',
          url: '/api/visits/v1/steps',
          body: { photoId: PHOTO },
          key: STEP,
          at,
          expects: { id: STEP },
        }),
        unsent({ url: `/api/visits/v1/steps/${STEP}/fate`, body: { fate: 'on again' }, at }),
      ],
    });
    await sentBefore('p1');
    expect(told.map((s) => [s.url, s.body, s.madeAt])).toEqual([
      ['/api/visits/v1/photos?stage=strip', {}, at],
      ['/api/visits/v1/steps', { photoId: 'photo-of-the-server' }, at],
      ['/api/visits/v1/steps/step-of-the-server/fate', { fate: 'on again' }, at],
    ]);
    expect(list()).toEqual([]);
  });

  it('follow the version that the one before was given, whatever that is', async () => {
    let stands = 4;
    answers[HOLE] = ({ version }) =>
      version === stands ? [200, { version: (stands += 3) }] : race({ version: stands });
    useAppState.setState({ unsent: [4, 5, 6].map((version) => unsent({ body: { version, note: `${version}` } })) });
    await sentBefore('p1');
    expect(told.map((s) => (s.body as { version: number }).version)).toEqual([4, 7, 10]);
    expect(list()).toEqual([]);
  });

  it('stay together where somebody else was faster: none slips past by a version that happens to fit', async () => {
    // Another person’s change made it version 6, which is what the second of mine counts on.
    answers[HOLE] = ({ version }) =>
      version === 6 ? [200, { version: 7 }] : race({ verdict: 'tight', version: 6, note: '' });
    const [a, b] = [
      unsent({ body: { verdict: 'bush', version: 5 } }),
      unsent({ body: { verdict: 'sound', version: 6 } }),
    ];
    useAppState.setState({ unsent: [a, b] });
    await sentBefore('p1');
    expect(told).toHaveLength(1);
    expect(list()).toMatchObject([{ current: { verdict: 'tight' } }, { body: { verdict: 'sound' } }]);
    // Theirs is taken: what was built on mine is asked about too.
    removeUnsent(a.key);
    await sentBefore('p1');
    expect(list()).toMatchObject([{ key: b.key, current: { verdict: 'tight' } }]);
    keepMine(b.key);
    await sentBefore('p1');
    expect(list()).toEqual([]);
  });

  it('are no race with themselves: a change that was made, and whose answer was lost, is done', async () => {
    answers[HOLE] = () => race({ verdict: 'bush', version: 2, by: 'Marit Fennick' });
    useAppState.setState({ unsent: [unsent({ body: { verdict: 'bush', version: 1 } })] });
    await sentBefore('p1');
    expect(list()).toEqual([]);
  });

  it('built on such a change are a choice where somebody went on from it meanwhile', async () => {
    // Mine made version 2 and its answer was lost; another person’s note made 3.
    answers[HOLE] = ({ version }) =>
      version === 3 ? [200, { version: 4 }] : race({ verdict: 'bush', note: 'theirs', version: 3 });
    useAppState.setState({
      unsent: [
        unsent({ body: { verdict: 'bush', version: 1 } }),
        unsent({ body: { verdict: 'bush', note: 'mine', version: 2 } }),
      ],
    });
    await sentBefore('p1');
    expect(list()).toMatchObject([{ body: { note: 'mine' }, current: { note: 'theirs' } }]);
  });

  it('are each known by their route', () => {
    expect(routeAt('PUT', '/api/visits/v1/holes/T%201.front')).toMatchObject({
      route: { path: '/visits/:visitId/holes/:hole' },
      params: { visitId: 'v1', hole: 'T 1.front' },
    });
    expect(routeAt('POST', '/api/visits/v1/steps/train')?.route.path).toBe('/visits/:visitId/steps/train');
    expect(routeAt('POST', '/api/visits/v1/photos?stage=strip')?.query).toEqual({ stage: 'strip' });
    expect(routeAt('GET', '/api/nowhere/at/all')).toBeNull();
  });
});

describe('what was fetched', () => {
  const away = () => Promise.reject(new Away());
  const never = () => undefined;

  it('is read again while the server is away, by its person only, and not after signing out', async () => {
    await copiesAreOf('p1');
    expect(await orCopy('/api/bench', async () => ['mine'], never)).toEqual(['mine']);
    await vi.waitFor(async () => expect(await orCopy('/api/bench', away, never)).toEqual(['mine']));
    await expect(orCopy('/api/timers', away, never)).rejects.toThrow(Away);
    await copiesAreOf('p1');
    expect(await orCopy('/api/bench', away, never)).toEqual(['mine']);
    await copiesAreOf('p2');
    await expect(orCopy('/api/bench', away, never)).rejects.toThrow(Away);
    await orCopy('/api/bench', async () => ['theirs'], never);
    await vi.waitFor(async () => expect(await orCopy('/api/bench', away, never)).toEqual(['theirs']));
    await forgetCopies();
    await expect(orCopy('/api/bench', away, never)).rejects.toThrow(Away);
  });

  it('is a copy while the server says nothing, and what it says after all takes its place', async () => {
    await orCopy('/api/bench', async () => 1, never);
    useAppState.setState({ liveOk: false });
    let reply: (n: number) => void = never;
    const late: number[] = [];
    const asked = orCopy(
      '/api/bench',
      () => new Promise<number>((resolve) => (reply = resolve)),
      (r) => late.push(r),
    );
    expect(await asked).toBe(1);
    reply(2);
    await vi.waitFor(() => expect(late).toEqual([2]));
  });

  it('of who is here is that of the signing in, where the server falls silent right after it', async () => {
    const queries = new QueryClient();
    const session = { person: null, shop: 'x', timeZone: 'Europe/London', firstRun: false, demo: false, now: 0 };
    const ines = { id: PERSON, name: 'Ines Calloway', role: 'technician' } as const;
    answer = () => json(200, session);
    expect((await queries.fetchQuery(sessionQuery)).person).toBeNull();
    keepSession({ ...session, person: ines });
    useAppState.setState({ liveOk: false });
    let reply: (r: Response) => void = never;
    vi.stubGlobal('fetch', () => new Promise<Response>((resolve) => (reply = resolve)));
    expect((await queries.fetchQuery({ ...sessionQuery, staleTime: 0 })).person).toEqual(ines);
    reply(json(200, session)); // she was signed out elsewhere
    await vi.waitFor(() => expect(queries.getQueryData(sessionQuery.queryKey)?.person).toBeNull());
  });

  it('is not kept of accounts, other shops or a search', () => {
    expect(isCopied(routes.bench.list, {})).toBe(true);
    expect(isCopied(routes.movements.search, { query: { q: 'x' } })).toBe(false);
    expect(isCopied(routes.people.list, {})).toBe(false);
    expect(isCopied(routes.owners.search, { query: { q: 'x' } })).toBe(false);
  });
});
