import { createHash } from 'node:crypto';
import { ok } from '@eclat/contract';
import { isForeseen } from '@eclat/contract/foreseen';
import type { Notice, ParamsOf, ParsedBodyOf, ParsedQueryOf, ReplyOf, Route } from '@eclat/contract';
import { OptimisticLockError } from '@mikro-orm/core';
import type { EntityManager } from '@mikro-orm/postgresql';
import type { Request, Response, Router } from 'express';
import { z } from 'zod';
import { moment } from '@eclat/contract/common';
import type { Context } from './context.ts';
import { sql, type AppContext } from './app-context.ts';
import { HttpProblem, notFound, refused } from './problems.ts';
import { personOf } from './session.ts';

interface Given<R extends Route> {
  params: ParamsOf<R>;
  body: ParsedBodyOf<R>;
  query: ParsedQueryOf<R>;
  req: Request;
  res: Response;
}
type Handler<R extends Route, Before> = (ctx: Context, given: Given<R> & { before: Before }) => Promise<ReplyOf<R>>;
/** Long work that needs no transaction, done before one is begun, so that it holds no connection. */
type First<R extends Route, Before> = (ctx: Context, given: Given<R>) => Promise<Before>;

/** For routes that answer only that it is done. */
export async function asOk(work: Promise<void>): Promise<typeof ok> {
  await work;
  return ok;
}

export type Serve = <R extends Route, Before = undefined>(
  route: R,
  handler: Handler<R, Before>,
  first?: First<R, Before>,
) => void;

/** Registers a route of the contract: who may, what is valid, one unit of work, told to the others, sent once. */
export const serveOn =
  (router: Router, appContext: AppContext): Serve =>
  (route, handler, first) => {
    const method = route.method.toLowerCase() as 'get';
    router[method](route.path, async (req: Request, res: Response) => {
      const person = personOf(req);
      if (route.roles !== 'public') {
        if (!person)
          throw new HttpProblem(401, 'Sign in to go on.', { detail: 'What you typed is kept on this device.' });
        if (!route.roles.includes(person.role))
          throw new HttpProblem(403, 'Your role may not do this.', {
            detail: `It takes: ${route.roles.join(' or ')}.`,
          });
      }
      for (const [name, value] of Object.entries(req.params))
        if (name.endsWith('Id') && !z.uuid().safeParse(value).success) throw notFound(name.slice(0, -2));
      const given = {
        params: req.params as never,
        body: parse(route.body, Buffer.isBuffer(req.body) ? undefined : req.body) as never,
        query: parse(route.query, req.query) as never,
        req,
        res,
      };
      const now = appContext.clock();
      const ctx = {
        person: person ?? { id: '', name: '', role: 'counter' as const },
        now: isForeseen(route) ? madeAt(req, now) : now,
        touched: new Set<string>(),
      };
      const before = (await first?.({ ...ctx, em: appContext.orm.em.fork() }, given)) as never;
      const work = (em: EntityManager) => handler({ ...ctx, em }, { ...given, before });
      const unit = () =>
        appContext.orm.em.fork().transactional(async (em) => {
          const reply = route.method === 'POST' ? await once(em, req, { ...ctx, now }, () => work(em)) : await work(em);
          await em.flush();
          const { visitId } = req.params;
          if (typeof visitId === 'string') ctx.touched.add(visitId);
          await tell(em, {
            topics: route.changes,
            visits: [...ctx.touched],
            key: req.get('idempotency-key')?.slice(0, 100),
          });
          return reply;
        });
      const reply = await (route.reads ? work(appContext.orm.em.fork()) : tried(unit));
      if (appContext.checkReplies) route.reply.parse(JSON.parse(JSON.stringify(reply)));
      if (!res.headersSent) res.status(route.method === 'POST' && !route.reads ? 201 : 200).json(reply);
    });
  };

/** How long a change may wait on a device and still be stamped with when it was made. */
const LONGEST_WAIT_MS = 30 * 24 * 3_600_000;

/** When a change was made that waited on a device for this server; never later than now. */
function madeAt(req: Request, now: Date): Date {
  const said = moment.safeParse(req.get('eclat-made-at')).data;
  const at = said === undefined ? NaN : Date.parse(said);
  return at < now.getTime() && at > now.getTime() - LONGEST_WAIT_MS ? new Date(at) : now;
}

const MOST_TRIES = 5;
/** Serialization failure and deadlock (PostgreSQL manual, appendix A): either may be done again. */
const isRace = (error: unknown) =>
  error instanceof OptimisticLockError || ['40001', '40P01'].includes((error as { code?: string }).code ?? '');

/**
 * Somebody else was faster by a breath: seen again, it is what it is for all who come second.
 * @throws 409 when others are faster each time
 */
async function tried<T>(unit: () => Promise<T>): Promise<T> {
  for (let n = 1; n <= MOST_TRIES; n++)
    try {
      return await unit();
    } catch (error) {
      if (!isRace(error)) throw error;
    }
  throw refused('Many changed this at once.', 'Nothing of yours was written. Look again, and try once more.');
}

function parse(schema: z.ZodType, value: unknown): unknown {
  const parsed = schema.safeParse(value);
  if (parsed.success) return parsed.data;
  throw new HttpProblem(422, 'Something typed is not valid.', {
    fields: parsed.error.issues.map((i) => ({ path: i.path.join('.'), message: i.message })),
  });
}

/** Heard by every server process on this database when the transaction commits. */
const tell = (em: EntityManager, notice: Notice): Promise<unknown> =>
  sql(em, 'select pg_notify(?, ?)', ['eclat', JSON.stringify(notice)]);

/** A passphrase is kept nowhere, not even in a quick hash that could be tried out. */
const withoutPassphrase = (name: string, value: unknown): unknown => (name === 'passphrase' ? undefined : value);

/**
 * A POST sent twice does its work once: the key goes in with the work, in one transaction. A second sender waits on
 * the key until the first is done, then gets the first one's reply.
 */
async function once<T>(
  em: EntityManager,
  req: Request,
  ctx: Pick<Context, 'person' | 'now'>,
  work: () => Promise<T>,
): Promise<T> {
  const key = req.get('idempotency-key');
  if (!key || key.length < 8 || key.length > 100)
    throw new HttpProblem(400, 'An Idempotency-Key of 8 to 100 characters is needed.');
  const payload = Buffer.isBuffer(req.body) ? req.body : JSON.stringify(req.body ?? null, withoutPassphrase);
  const hash = createHash('sha256').update(req.originalUrl).update('\n').update(payload).digest('hex');
  const fresh = await sql(
    em,
    'insert into idempotency (person_id, key, request_hash, at) values (?, ?, ?, ?) on conflict do ' +
      'nothing returning key',
    [ctx.person.id, key, hash, ctx.now],
  );
  if (fresh.length === 0) {
    const [before] = await sql<{ request_hash: string; reply: T }>(
      em,
      'select request_hash, reply from idempotency where person_id = ? and key = ?',
      [ctx.person.id, key],
    );
    if (before!.request_hash !== hash) throw new HttpProblem(422, 'This Idempotency-Key was used for something else.');
    return before!.reply;
  }
  const reply = await work();
  await em.flush();
  await sql(em, 'update idempotency set reply = ?::jsonb where person_id = ? and key = ?', [
    JSON.stringify(reply),
    ctx.person.id,
    key,
  ]);
  return reply;
}
