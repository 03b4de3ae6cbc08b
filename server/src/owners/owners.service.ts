import type { Owner as Shape, ParsedBodyOf } from '@eclat/contract';
import { api } from '@eclat/contract';
import { LockMode } from '@mikro-orm/core';
import { expectVersion, type Context } from '../platform/http/context.ts';
import { notFound } from '../platform/http/problems.ts';
import { sql } from '../platform/http/app-context.ts';
import { Owner } from './owners.entity.ts';

const PAGE = 20;

export const viewOwner = (o: Owner): Shape => ({
  id: o.id,
  name: o.name,
  phone: o.phone,
  email: o.email,
  address: o.address,
  version: o.version,
});

/**
 * By words of the name, or by digits of the phone however they are spaced. Cursor: name and id of the last one sent.
 */
export async function searchOwners(
  ctx: Context,
  q: string,
  after?: string,
): Promise<{ items: Shape[]; next: string | null }> {
  const digits = q.replace(/\D/g, '');
  const [name, id] = after?.split('\n') ?? ['', '00000000-0000-0000-0000-000000000000'];
  const items = await sql<Shape>(
    ctx.em,
    `
    select id, name, phone, email, address, version from owner
    where (name ilike ? or (? <> '' and regexp_replace(phone, '\\D', '', 'g') like ?)) and (name, id) > (?, ?::uuid)
    order by name, id limit ${PAGE + 1}`,
    [`%${likely(q)}%`, digits, `%${digits}%`, name, id],
  );
  const more = items.length > PAGE;
  const sent = items.slice(0, PAGE);
  return { items: sent, next: more ? `${sent.at(-1)!.name}\n${sent.at(-1)!.id}` : null };
}

/** Text for LIKE with its wild cards taken literally. */
export const likely = (q: string) => q.replace(/[\\%_]/g, '\\$&');

export async function clocksOf(ctx: Context, ownerId: string) {
  const rows = await sql<{ id: string; description: string; movement_id: string; code: string; name: string }>(
    ctx.em,
    `
    select c.id, c.description, m.id as movement_id, m.code, m.name from clock c
    join clock_movement cm on cm.clock_id = c.id and cm.until is null join movement m on m.id = cm.movement_id
    where c.owner_id = ? order by c.description`,
    [ownerId],
  );
  return rows.map((r) => ({
    id: r.id,
    description: r.description,
    movement: { id: r.movement_id, code: r.code, name: r.name },
  }));
}

export async function changeOwner(
  ctx: Context,
  ownerId: string,
  { version, ...fields }: ParsedBodyOf<typeof api.owners.change>,
): Promise<Shape> {
  const owner = await ctx.em.findOne(Owner, { id: ownerId }, { lockMode: LockMode.PESSIMISTIC_WRITE });
  if (!owner) throw notFound('owner');
  expectVersion(owner.version, version, viewOwner(owner));
  ctx.em.assign(owner, fields);
  await ctx.em.flush();
  return viewOwner(owner);
}
