import type { Account, Person as Who, Role } from '@eclat/contract';
import { hash, verify } from '@node-rs/argon2';
import { findOrRefuse, type Context } from '../platform/http/context.ts';
import { badField, refused } from '../platform/http/problems.ts';
import { sql } from '../platform/http/app-context.ts';
import { checkPassphrase } from './passphrase.ts';
import { Device, Person, Session, SignInFailure } from './people.entity.ts';
import { theShop } from './shop.service.ts';
import { who } from './sign-in.service.ts';

export async function accounts(ctx: Context): Promise<Account[]> {
  const people = await ctx.em.find(Person, {}, { orderBy: { active: 'desc', name: 'asc' } });
  const seen = await sql<{ id: string; at: string }>(
    ctx.em,
    `select person_id as id, max(at) as at from (select person_id, seen_at as at from session
      union all select person_id, seen_at from device) s group by person_id`,
  );
  const at = new Map(seen.map((s) => [s.id, new Date(s.at).toISOString()]));
  return people.map((p) => ({ ...who(p), active: p.active, seenAt: at.get(p.id) ?? null }));
}

/** The person, with nobody else changing accounts meanwhile. */
async function personHeld(ctx: Context, id: string): Promise<Person> {
  await sql(ctx.em, 'lock table person in share row exclusive mode');
  return findOrRefuse(ctx, Person, { id }, 'person');
}

/** @throws 409 when the shop would have nobody left who may let others in */
async function afterAllAnOwner(ctx: Context): Promise<void> {
  await ctx.em.flush();
  if (!(await ctx.em.count(Person, { role: 'owner-of-shop', active: true })))
    throw refused('The shop would have no owner.', 'Make somebody else owner of the shop first.');
}

/** Sessions end, and what was known of devices: the next sign-in is one from anywhere. */
async function signOut(ctx: Context, personId: string, except?: string): Promise<void> {
  await ctx.em.nativeDelete(Session, { personId, ...(except ? { tokenHash: { $ne: except } } : {}) });
  await ctx.em.nativeDelete(Device, { personId });
}

export async function setRole(ctx: Context, id: string, role: Role): Promise<Who> {
  const person = await personHeld(ctx, id);
  person.role = role;
  await afterAllAnOwner(ctx);
  return who(person);
}

export async function setActive(ctx: Context, id: string, active: boolean): Promise<Who> {
  const person = await personHeld(ctx, id);
  person.active = active;
  await afterAllAnOwner(ctx);
  if (!active) await signOut(ctx, id);
  return who(person);
}

async function give(ctx: Context, person: Person, passphrase: string): Promise<void> {
  checkPassphrase(passphrase, [person.name, (await theShop(ctx)).name]);
  person.passphraseHash = await hash(passphrase);
  await ctx.em.nativeDelete(SignInFailure, { name: person.name.toLowerCase() });
}

export async function resetPassphrase(ctx: Context, id: string, passphrase: string): Promise<Who> {
  const person = await personHeld(ctx, id);
  await give(ctx, person, passphrase);
  await signOut(ctx, id);
  return who(person);
}

/** @param session hash of the session that asks: it goes on */
export async function changePassphrase(
  ctx: Context,
  given: { now: string; passphrase: string },
  session: string,
): Promise<void> {
  const person = await findOrRefuse(ctx, Person, { id: ctx.person.id }, 'person');
  if (!(await verify(person.passphraseHash, given.now))) throw badField('now', 'This is not your passphrase.');
  await give(ctx, person, given.passphrase);
  await signOut(ctx, person.id, session);
}

export const signOutEverywhere = (ctx: Context): Promise<void> => signOut(ctx, ctx.person.id);
