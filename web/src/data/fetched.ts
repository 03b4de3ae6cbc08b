import type { BodyOf, ParamsOf, QueryOf, ReplyOf, RouteRef } from '@eclat/contract';
import { queryOptions } from '@tanstack/react-query';
import { call, urlOf } from './call.ts';
import { isCopied, orCopy } from './copies.ts';

interface Asked<R extends RouteRef> {
  params?: ParamsOf<R>;
  query?: QueryOf<R>;
  body?: BodyOf<R>;
}

/** Under which key a reply is kept: its topic first, then the visit it is of, so that a change to either finds it. */
export const keyOf = <R extends RouteRef>(route: R, { params, query, body }: Asked<R> = {}) => {
  const visitId = (params as { visitId?: string } | undefined)?.visitId ?? null;
  return [route.reads, visitId, route.path, params ?? null, query ?? null, body ?? null] as const;
};

/** What a route answers, fetched once and kept until one of its topics changes; while the server is away, its copy. */
export const fetched = <R extends RouteRef>(route: R, asked: Asked<R> = {}) => {
  const queryKey = keyOf(route, asked);
  return queryOptions({
    queryKey,
    queryFn: ({ signal, client }): Promise<ReplyOf<R>> => {
      const ask = () => call(route, { ...asked, signal } as never);
      if (!isCopied(route, asked)) return ask();
      return orCopy(urlOf(route, asked.params), ask, (reply) => client.setQueryData(queryKey, reply));
    },
  });
};
