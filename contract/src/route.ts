import { z } from 'zod';
import type { Role } from './people.ts';

// In a browser the content security policy forbids eval, which Zod would otherwise probe.
if ('document' in globalThis) z.config({ jitless: true });

type Names<Path extends string> = Path extends `${string}:${infer Name}/${infer Rest}`
  ? Name | Names<`/${Rest}`>
  : Path extends `${string}:${infer Name}`
    ? Name
    : never;

/** The parameters named in a path: `/visits/:visitId` has `{ visitId: string }`. */
export type Params<Path extends string> = Record<Names<Path>, string>;

/**
 * What a route may change: each names a part of what browsers have fetched. A command declares its topics, and from
 * that one declaration come the server's notice to every browser and the sender's own refresh.
 */
export const TOPICS = [
  'session',
  'people',
  'owners',
  'bench',
  'timers',
  'visit',
  'movements',
  'stores',
  'baths',
  'rules',
  'prices',
  'causes',
  'aftercare',
  'calendar',
  'owner-page',
  'workings',
] as const;
export type Topic = (typeof TOPICS)[number];

/** What every browser is told of a change, over the event stream of `/api/live`. */
export interface Notice {
  topics: readonly Topic[];
  /** Which visits, where visits changed; none named: any of them may have. */
  visits: readonly string[];
  /** Of the request, so that its sender knows its own. */
  key?: string | undefined;
}

/**
 * Where the reply of a command belongs in the visit that the sender has on screen. `put`: it takes the place of the row
 * with the same `by`, or comes last, or where `sort` puts it; without `by` it is the part itself (`''`: the whole
 * visit). `remove`: the row whose `by` equals the parameter is gone. `'again'`, or `again`: other parts changed as
 * well, and the visit is fetched again.
 */
export type InVisit =
  | 'again'
  | { put: string; by?: string; sort?: string; again?: boolean }
  | { remove: string; by: string; param: string; again?: boolean };

/**
 * The list that the reply of a command is a row of, by its path: it takes the place of the row with the same `by`, or
 * comes last, and the list is not fetched again.
 */
export interface InList {
  list: string;
  by: string;
}

/**
 * How a change is undone: `same` is the same command with what stood before, `final` cannot be undone, else the other
 * command.
 */
export type Inverse = 'same' | 'final' | `${string}.${string}`;

/**
 * One route of the API. The server validates with it, the client is typed by it, the OpenAPI document is made of it.
 */
export interface Route<
  Path extends string = string,
  Body extends z.ZodType = z.ZodType,
  Query extends z.ZodType = z.ZodType,
  Reply extends z.ZodType = z.ZodType,
> {
  method: 'GET' | 'POST' | 'PUT' | 'PATCH' | 'DELETE';
  path: Path;
  summary: string;
  /** Who may; `public` needs no session. */
  roles: readonly Role[] | 'public';
  body: Body;
  query: Query;
  reply: Reply;
  /** It writes nothing: this is the topic that its reply belongs to. A command has none. */
  reads?: Topic;
  /** Everything that it may change. Nothing, where it only reads. */
  changes: readonly Topic[];
  inverse?: Inverse;
  visit?: InVisit;
  row?: InList;
}

export const nothing = z.undefined();
export type Nothing = typeof nothing;
const noQuery = z.object({});

type Given<Path extends string, Body extends z.ZodType, Query extends z.ZodType, Reply extends z.ZodType> = Pick<
  Route<Path, Body, Query, Reply>,
  'method' | 'path' | 'summary' | 'roles' | 'reply'
> & { body?: Body; query?: Query };

/** A route that only asks, or only computes (a POST without an Idempotency-Key). */
export function read<
  Path extends string,
  Reply extends z.ZodType,
  Body extends z.ZodType = Nothing,
  Query extends z.ZodType = typeof noQuery,
>(given: Given<Path, Body, Query, Reply> & { reads: Topic }): Route<Path, Body, Query, Reply> {
  return { body: nothing as unknown as Body, query: noQuery as unknown as Query, changes: [], ...given };
}

/** A route that changes something, and says what. */
export function command<
  Path extends string,
  Reply extends z.ZodType,
  Body extends z.ZodType = Nothing,
  Query extends z.ZodType = typeof noQuery,
>(
  given: Given<Path, Body, Query, Reply> & {
    changes: readonly Topic[];
    inverse: Inverse;
    visit?: InVisit;
    row?: InList;
  },
): Route<Path, Body, Query, Reply> {
  return { body: nothing as unknown as Body, query: noQuery as unknown as Query, ...given };
}

/**
 * A route without its schemas, as a browser has it: where it goes and what it changes. What it takes and gives stands
 * in `types` alone, which nothing has when it runs.
 */
export interface RouteRef<Path extends string = string, Body = unknown, Query = unknown, Reply = unknown> {
  method: Route['method'];
  path: Path;
  reads?: Topic;
  changes?: readonly Topic[];
  inverse?: Inverse;
  visit?: InVisit;
  row?: InList;
  types?: { body: Body; query: Query; reply: Reply };
}
/** A tree of routes as the tree of their references. */
export type RefsOf<Routes> = {
  readonly [Feature in keyof Routes]: {
    readonly [Name in keyof Routes[Feature]]: Routes[Feature][Name] extends Route<infer P, infer B, infer Q, infer R>
      ? RouteRef<P, z.input<B>, z.input<Q>, z.output<R>>
      : never;
  };
};

export type BodyOf<R> =
  R extends Route<string, infer B, z.ZodType, z.ZodType>
    ? z.input<B>
    : R extends RouteRef<string, infer B, infer _Q, infer _R>
      ? B
      : never;
export type ParsedBodyOf<R> = R extends Route<string, infer B, z.ZodType, z.ZodType> ? z.output<B> : never;
export type QueryOf<R> =
  R extends Route<string, z.ZodType, infer Q, z.ZodType>
    ? z.input<Q>
    : R extends RouteRef<string, infer _B, infer Q, infer _R>
      ? Q
      : never;
export type ParsedQueryOf<R> = R extends Route<string, z.ZodType, infer Q, z.ZodType> ? z.output<Q> : never;
export type ReplyOf<R> =
  R extends Route<string, z.ZodType, z.ZodType, infer P>
    ? z.output<P>
    : R extends RouteRef<string, infer _B, infer _Q, infer P>
      ? P
      : never;
export type ParamsOf<R> = R extends { path: infer P extends string } ? Params<P> : never;
