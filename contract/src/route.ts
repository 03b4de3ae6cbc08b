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

/** One door of the API. The server validates with it, the client is typed by it, the OpenAPI document is made of it. */
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
  /** A POST that only reckons: it writes nothing, so it needs no Idempotency-Key. */
  pure?: boolean;
  body: Body;
  query: Query;
  reply: Reply;
}

export const nothing = z.undefined();
export type Nothing = typeof nothing;
const noQuery = z.object({});

type Given<Path extends string, Body extends z.ZodType, Query extends z.ZodType, Reply extends z.ZodType> = Pick<
  Route<Path, Body, Query, Reply>,
  'method' | 'path' | 'summary' | 'roles' | 'pure' | 'reply'
> & { body?: Body; query?: Query };

export function route<
  Path extends string,
  Reply extends z.ZodType,
  Body extends z.ZodType = Nothing,
  Query extends z.ZodType = typeof noQuery,
>(given: Given<Path, Body, Query, Reply>): Route<Path, Body, Query, Reply> {
  return { body: nothing as unknown as Body, query: noQuery as unknown as Query, ...given };
}

export type BodyOf<R> = R extends Route<string, infer B, z.ZodType, z.ZodType> ? z.input<B> : never;
export type ParsedBodyOf<R> = R extends Route<string, infer B, z.ZodType, z.ZodType> ? z.output<B> : never;
export type QueryOf<R> = R extends Route<string, z.ZodType, infer Q, z.ZodType> ? z.input<Q> : never;
export type ParsedQueryOf<R> = R extends Route<string, z.ZodType, infer Q, z.ZodType> ? z.output<Q> : never;
export type ReplyOf<R> = R extends Route<string, z.ZodType, z.ZodType, infer P> ? z.output<P> : never;
export type ParamsOf<R> = R extends Route<infer P, z.ZodType, z.ZodType, z.ZodType> ? Params<P> : never;
