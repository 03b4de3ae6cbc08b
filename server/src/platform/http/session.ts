import type { Person as Who } from '@eclat/contract';
import type { EntityManager } from '@mikro-orm/postgresql';
import type { NextFunction, Request, Response } from 'express';
import { Session } from '../../people/people.entity.ts';
import { sql, type AppContext } from './app-context.ts';
import { hashOf, newToken } from './tokens.ts';

const COOKIE = 'eclat_session';
const IDLE_MS = 12 * 3_600_000;
const LONGEST_MS = 30 * 24 * 3_600_000;
/** `seen_at` is written at most this often, so that reading costs no write. */
const TOUCH_MS = 5 * 60_000;

const people = new WeakMap<Request, Who>();

export const personOf = (req: Request): Who | undefined => people.get(req);

function tokenOf(req: Request): string | undefined {
  const pair = (req.get('cookie') ?? '')
    .split(';')
    .map((c) => c.trim())
    .find((c) => c.startsWith(`${COOKIE}=`));
  return pair?.slice(COOKIE.length + 1);
}

export const withSession = (appContext: AppContext) => async (req: Request, _res: Response, next: NextFunction) => {
  const token = tokenOf(req);
  if (token) {
    const now = appContext.clock();
    const em = appContext.orm.em.fork();
    const [row] = await sql<Who & { seen_at: string; created_at: string }>(
      em,
      'select p.id, p.name, p.role, s.seen_at, s.created_at from session s join person p on p.id = ' +
        's.person_id and p.active where s.token_hash = ?',
      [hashOf(token)],
    );
    if (
      row &&
      now.getTime() - Date.parse(row.seen_at) < IDLE_MS &&
      now.getTime() - Date.parse(row.created_at) < LONGEST_MS
    ) {
      people.set(req, { id: row.id, name: row.name, role: row.role });
      if (now.getTime() - Date.parse(row.seen_at) > TOUCH_MS)
        await sql(em, 'update session set seen_at = ? where token_hash = ?', [now, hashOf(token)]);
    }
  }
  next();
};

export async function beginSession(
  em: EntityManager,
  person: Who,
  now: Date,
  req: Request,
  res: Response,
): Promise<void> {
  const token = newToken();
  em.create(Session, { tokenHash: hashOf(token), personId: person.id, createdAt: now, seenAt: now });
  await em.flush();
  people.set(req, person);
  res.cookie(COOKIE, token, { httpOnly: true, sameSite: 'strict', secure: req.secure, path: '/', maxAge: LONGEST_MS });
}

export async function endSession(em: EntityManager, req: Request): Promise<void> {
  const token = tokenOf(req);
  if (token) await em.nativeDelete(Session, { tokenHash: hashOf(token) });
  people.delete(req);
}

export const removeCookie = (res: Response): void => void res.clearCookie(COOKIE, { path: '/' });
