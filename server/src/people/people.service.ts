import type { ParsedBodyOf, Person as Who, Session as SessionShape } from '@eclat/contract';
import { api } from '@eclat/contract';
import { hash, verify } from '@node-rs/argon2';
import type { EntityManager } from '@mikro-orm/postgresql';
import { badField, HttpProblem } from '../platform/http/problems.ts';
import { sql } from '../platform/http/app-context.ts';
import { Person, Shop, SignInFailure } from './people.entity.ts';

const WINDOW_MS = 15 * 60_000;
const FAILURES_PER_NAME = 5;
const FAILURES_PER_ADDRESS = 30;

export const who = (p: Person): Who => ({ id: p.id, name: p.name, role: p.role });

export async function addPerson(em: EntityManager, given: ParsedBodyOf<typeof api.people.add>): Promise<Who> {
  const taken = await sql(em, 'select 1 from person where lower(name) = lower(?)', [given.name]);
  if (taken.length > 0) throw badField('name', 'Somebody has this name already.');
  const person = em.create(Person, {
    name: given.name,
    role: given.role,
    passphraseHash: await hash(given.passphrase),
  });
  await em.flush();
  return who(person);
}

/** A hash that no passphrase has: a wrong name costs as long as a wrong passphrase. */
let nobody: Promise<string> | undefined;

/**
 * Who this is. Failures are counted in the database, so that every server process sees them.
 * @throws 429 after too many failures of this name or from this address, 401 for a wrong pair
 */
export async function recognise(
  em: EntityManager,
  given: { name: string; passphrase: string },
  address: string,
  now: Date,
): Promise<Who> {
  const since = new Date(now.getTime() - WINDOW_MS);
  const [failures] = await sql<{ name: number; address: number }>(
    em,
    'select count(*) filter (where name = lower(?))::int as name, count(*) filter (where address = ' +
      '?)::int as address from sign_in_failure where at > ?',
    [given.name, address, since],
  );
  if (failures!.name >= FAILURES_PER_NAME || failures!.address >= FAILURES_PER_ADDRESS)
    throw new HttpProblem(429, 'Too many failed sign-ins.', {
      detail: 'Wait a quarter of an hour and try again.',
      retryAfterS: WINDOW_MS / 1000,
    });
  const [found] = await em.find(Person, {
    active: true,
    $and: [{ name: { $ilike: given.name.replace(/[\\%_]/g, '\\$&') } }],
  });
  nobody ??= hash(`${Math.random()}`);
  const right = await verify(found?.passphraseHash ?? (await nobody), given.passphrase).catch(() => false);
  if (found && right) return who(found);
  await em.insert(SignInFailure, { name: given.name.toLowerCase(), address, at: now });
  throw new HttpProblem(401, 'Name and passphrase do not go together.');
}

export async function sessionState(
  em: EntityManager,
  person: Who | undefined,
  now: Date,
  demo: boolean,
): Promise<SessionShape> {
  const shop = await em.findOne(Shop, { one: true });
  return {
    person: person ?? null,
    shop: shop?.name ?? null,
    timeZone: shop?.timeZone ?? null,
    firstRun: shop === null,
    demo,
    now: now.getTime(),
  };
}

/** Makes the shop and its first person, once. */
export async function foundShop(
  em: EntityManager,
  given: ParsedBodyOf<typeof api.people.firstRun>,
  now: Date,
): Promise<Who> {
  await sql(em, 'select pg_advisory_xact_lock(6438002)');
  if (await em.findOne(Shop, { one: true }))
    throw new HttpProblem(409, 'This shop has been set up already.', { detail: 'Sign in instead.' });
  em.create(Shop, { one: true, name: given.shop, timeZone: given.timeZone, createdAt: now });
  return addPerson(em, { name: given.name, role: 'owner-of-shop', passphrase: given.passphrase });
}
