import type { Person as Who } from '@eclat/contract';
import type { EntityManager } from '@mikro-orm/postgresql';
import type { NextFunction, Request, Response } from 'express';
import { Device, Session } from '../../people/people.entity.ts';
import { sql, type AppContext } from './app-context.ts';
import type { Context } from './context.ts';
import { HttpProblem } from './problems.ts';
import { hashOf, newToken } from './tokens.ts';

const COOKIE = 'eclat_session';
const DEVICE_COOKIE = 'eclat_device';
const IDLE_MS = 12 * 3_600_000;
const LONGEST_MS = 30 * 24 * 3_600_000;
/** `seen_at` is written at most this often, so that reading costs no write. */
const TOUCH_MS = 5 * 60_000;

const people = new WeakMap<Request, Who>();

export const personOf = (req: Request): Who | undefined => people.get(req);

function tokenOf(req: Request, cookie = COOKIE): string | undefined {
  const pair = (req.get('cookie') ?? '')
    .split(';')
    .map((c) => c.trim())
    .find((c) => c.startsWith(`${cookie}=`));
  return pair?.slice(cookie.length + 1);
}

/** What this browser was given when somebody signed in at it. */
export const deviceOf = (req: Request): string | undefined => tokenOf(req, DEVICE_COOKIE);

/** From where a passphrase is tried: guesses are counted by it. */
export const whereFrom = (req: Request) => ({ address: req.ip ?? '', device: deviceOf(req) });

/** By which its row is found: the hash of this browser's session token. */
export function sessionOf(req: Request): string | undefined {
  const token = tokenOf(req);
  return token === undefined ? undefined : hashOf(token);
}

const LIVES =
  'from session s join person p on p.id = s.person_id and p.active where s.created_at > ? and s.seen_at > ?';
const lives = (now: Date) => [new Date(now.getTime() - LONGEST_MS), new Date(now.getTime() - IDLE_MS)];

/** Those of these sessions that hold still. */
export async function stillSignedIn(em: EntityManager, sessions: readonly string[], now: Date): Promise<Set<string>> {
  const rows = await sql<{ token_hash: string }>(em, `select s.token_hash ${LIVES} and s.token_hash = any(?)`, [
    ...lives(now),
    `{${sessions.join(',')}}`,
  ]);
  return new Set(rows.map((r) => r.token_hash));
}

export const withSession = (appContext: AppContext) => async (req: Request, _res: Response, next: NextFunction) => {
  const token = tokenOf(req);
  if (token) {
    const now = appContext.clock();
    const em = appContext.orm.em.fork();
    const [row] = await sql<Who & { seen_at: string }>(
      em,
      `select p.id, p.name, p.role, s.seen_at ${LIVES} and s.token_hash = ?`,
      [...lives(now), hashOf(token)],
    );
    if (row) {
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
  const device = deviceOf(req) ?? newToken();
  await em.upsert(Device, { tokenHash: hashOf(device), personId: person.id, seenAt: now });
  const kept = { httpOnly: true, sameSite: 'strict', secure: req.secure, path: '/', maxAge: LONGEST_MS } as const;
  res.cookie(COOKIE, token, kept);
  res.cookie(DEVICE_COOKIE, device, kept);
}

export async function endSession(em: EntityManager, req: Request): Promise<void> {
  const token = tokenOf(req);
  if (token) await em.nativeDelete(Session, { tokenHash: hashOf(token) });
  people.delete(req);
}

export const removeCookie = (res: Response): void => void res.clearCookie(COOKIE, { path: '/' });

/** Of a file that is made anew whenever somebody signed in asks for it: nothing is written. @throws 401 */
export function contextForFile(req: Request, { orm, clock }: AppContext): Context {
  const person = personOf(req);
  if (!person) throw new HttpProblem(401, 'Sign in to go on.');
  return { em: orm.em.fork(), person, now: clock(), touched: new Set() };
}
