import type { Person, ReplyOf } from '@eclat/contract';
import { keepPreviousData, queryOptions, useQuery } from '@tanstack/react-query';
import { api } from './api.ts';
import { useAppState } from './app-state.ts';
import { call, noteServerTime, urlOf } from './call.ts';
import { copiesAreOf, keepCopy, orCopy } from './copies.ts';
import { fetched, keyOf } from './fetched.ts';

const MINUTE_MS = 60_000;

const sessionKey = keyOf(api.people.session);
type Session = ReplyOf<typeof api.people.session>;

/** A server that is silent at the moment of signing in does not put the page back to before it. */
export const keepSession = (session: Session): void => keepCopy(urlOf(api.people.session), session);

export const sessionQuery = queryOptions({
  queryKey: sessionKey,
  queryFn: async ({ client }): Promise<Session> => {
    const sentAt = Date.now();
    let answered = false;
    const ask = async () => {
      const session = await call(api.people.session, {});
      noteServerTime(session.now, sentAt, Date.now());
      if (session.person) await copiesAreOf(session.person.id);
      answered = true;
      return session;
    };
    const session = await orCopy(urlOf(api.people.session), ask, (late) => client.setQueryData(sessionKey, late));
    if (!answered) useAppState.getState().set({ liveOk: false });
    if (session.timeZone) useAppState.getState().set({ zone: session.timeZone });
    return session;
  },
  staleTime: MINUTE_MS,
});
/** The person signed in at this browser. */
/** The demo shop, where nothing can be spoilt. */
export const useInDemo = (): boolean => useQuery(sessionQuery).data?.demo ?? false;
export const useMe = (): Person | undefined => useQuery(sessionQuery).data?.person ?? undefined;

/** When the books were last checked, and what did not hold. */
export const useLastCheck = () => useQuery(fetched(api.movements.lastCheck)).data;

/** Whether this person writes history: counter accounts sign nothing. */
export const useMaySign = (): boolean => (useMe()?.role ?? 'counter') !== 'counter';

export const benchQuery = { ...fetched(api.bench.list), refetchInterval: MINUTE_MS };
export const useBench = () => useQuery(benchQuery);
export const onTestQuery = { ...fetched(api.testRun.onTest), refetchInterval: MINUTE_MS };
export const useOnTest = () => useQuery(onTestQuery);
export const timersQuery = { ...fetched(api.bench.timers), refetchInterval: MINUTE_MS };
export const useTimers = () => useQuery(timersQuery);
export const visitQuery = (visitId: string) => fetched(api.visit.get, { params: { visitId } });
export const useVisit = (visitId: string) => useQuery(visitQuery(visitId));
export const useBook = (movementId: string) => useQuery(fetched(api.movements.book, { params: { movementId } }));
export const useClockBook = (clockId: string) => useQuery(fetched(api.movements.clock, { params: { clockId } }));
export const useMovements = (q: string) =>
  useQuery({ ...fetched(api.movements.search, { query: { q } }), placeholderData: keepPreviousData });
export const useOwners = (q: string) =>
  useQuery({
    ...fetched(api.owners.search, { query: { q } }),
    enabled: q.trim().length > 1,
    placeholderData: keepPreviousData,
  });
export const useOwnerClocks = (ownerId: string | undefined) =>
  useQuery({
    ...fetched(api.owners.clocks, { params: { ownerId: ownerId ?? '' } }),
    enabled: ownerId !== undefined,
  });
export const useBaths = () => useQuery(fetched(api.cleaning.bathBook));
export const useOwnSequences = () => useQuery(fetched(api.cleaning.ownSequences));
export const useStores = () => useQuery(fetched(api.stores.list));
/** What is wanted over all clocks. */
export const useWanted = () => useQuery(fetched(api.reception.wantedList));
export const useHouseRules = () => useQuery(fetched(api.houseRules.get));
