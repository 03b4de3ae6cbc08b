import { api } from './doors.ts';
import { keepPreviousData, queryOptions, useQuery } from '@tanstack/react-query';
import { call, noteServerTime } from './call.ts';

export const keys = {
  session: ['session'] as const,
  bench: ['bench'] as const,
  timers: ['timers'] as const,
  visit: (id: string) => ['visit', id] as const,
  books: ['books'] as const,
  causes: ['causes'] as const,
  rules: ['rules'] as const,
  baths: ['baths'] as const,
  stores: ['stores'] as const,
};

export const sessionQuery = queryOptions({
  queryKey: keys.session,
  queryFn: async () => {
    const sentAt = Date.now();
    const session = await call(api.people.session, {});
    noteServerTime(session.now, sentAt, Date.now());
    return session;
  },
  staleTime: 60_000,
});

export const benchQuery = queryOptions({
  queryKey: keys.bench,
  queryFn: ({ signal }) => call(api.bench.list, { signal }),
  refetchInterval: 60_000,
});
export const useBench = () => useQuery(benchQuery);
export const useOnTest = () =>
  useQuery({
    queryKey: [...keys.bench, 'on-test'],
    queryFn: ({ signal }) => call(api.bench.onTest, { signal }),
    refetchInterval: 60_000,
  });
export const useTimers = () =>
  useQuery({
    queryKey: keys.timers,
    queryFn: ({ signal }) => call(api.bench.timers, { signal }),
    refetchInterval: 60_000,
  });
export const visitQuery = (visitId: string) =>
  queryOptions({
    queryKey: keys.visit(visitId),
    queryFn: ({ signal }) => call(api.visits.get, { params: { visitId }, signal }),
  });
export const useVisit = (visitId: string) => useQuery(visitQuery(visitId));
export const useBook = (movementId: string) =>
  useQuery({
    queryKey: [...keys.books, movementId],
    queryFn: ({ signal }) => call(api.movements.book, { params: { movementId }, signal }),
  });
export const useMovements = (q: string) =>
  useQuery({
    queryKey: [...keys.books, 'search', q],
    queryFn: ({ signal }) => call(api.movements.search, { query: { q }, signal }),
    placeholderData: keepPreviousData,
  });
export const useOwners = (q: string) =>
  useQuery({
    queryKey: ['owners', q],
    queryFn: ({ signal }) => call(api.owners.search, { query: { q }, signal }),
    enabled: q.trim().length > 1,
    placeholderData: keepPreviousData,
  });
export const useOwnerClocks = (ownerId: string | undefined) =>
  useQuery({
    queryKey: ['owner-clocks', ownerId],
    queryFn: ({ signal }) => call(api.owners.clocks, { params: { ownerId: ownerId! }, signal }),
    enabled: ownerId !== undefined,
  });
export const useBaths = () =>
  useQuery({ queryKey: keys.baths, queryFn: ({ signal }) => call(api.cleaning.book, { signal }) });
export const useStores = () =>
  useQuery({ queryKey: keys.stores, queryFn: ({ signal }) => call(api.stores.list, { signal }) });
export const usePeople = () =>
  useQuery({ queryKey: ['people'], queryFn: ({ signal }) => call(api.people.list, { signal }) });
