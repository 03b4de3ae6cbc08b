import type { ParsedBodyOf, Person as Who, Session as SessionShape } from '@eclat/contract';
import { api } from '@eclat/contract';
import { randomInt } from 'node:crypto';
import { hash } from '@node-rs/argon2';
import type { EntityManager } from '@mikro-orm/postgresql';
import { badField, HttpProblem } from '../platform/http/problems.ts';
import { sql } from '../platform/http/app-context.ts';
import { hashOf } from '../platform/http/tokens.ts';
import { checkPassphrase } from './passphrase.ts';
import { OpeningCode, Person, Shop } from './people.entity.ts';
import { who } from './sign-in.service.ts';

export async function addPerson(em: EntityManager, given: ParsedBodyOf<typeof api.people.add>): Promise<Who> {
  const taken = await sql(em, 'select 1 from person where lower(name) = lower(?)', [given.name]);
  if (taken.length > 0) throw badField('name', 'Somebody has this name already.');
  checkPassphrase(given.passphrase, [given.name, (await em.findOne(Shop, { one: true }))?.name ?? '']);
  const person = em.create(Person, {
    name: given.name,
    role: given.role,
    passphraseHash: await hash(given.passphrase),
  });
  await em.flush();
  return who(person);
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

const plainCode = (code: string) => code.toUpperCase().replace(/[^A-Z0-9]/g, '');
/** Letters and figures that nobody mistakes for another. */
const LETTERS = 'ABCDEFGHJKMNPQRSTUVWXYZ23456789';

/**
 * While there is no shop yet: a code told only where the server was started, so that whoever finds the address first
 * does not take the shop. Codes of earlier starts hold no more after a day.
 */
export async function openingCode(em: EntityManager, now: Date): Promise<string | null> {
  if (await em.findOne(Shop, { one: true })) return null;
  const code = Array.from({ length: 10 }, () => LETTERS[randomInt(LETTERS.length)]!).join('');
  await em.nativeDelete(OpeningCode, { at: { $lt: new Date(now.getTime() - 86_400_000) } });
  await em.insert(OpeningCode, { codeHash: hashOf(code), at: now });
  return `${code.slice(0, 5)}-${code.slice(5)}`;
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
  if (!(await em.findOne(OpeningCode, { codeHash: hashOf(plainCode(given.code)) })))
    throw badField('code', 'This is not the code that stands in the window where Eclat was started.');
  await em.nativeDelete(OpeningCode, {});
  em.create(Shop, { one: true, name: given.shop, timeZone: given.timeZone, createdAt: now });
  return addPerson(em, { name: given.name, role: 'owner-of-shop', passphrase: given.passphrase });
}
