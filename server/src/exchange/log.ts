import { randomUUID } from 'node:crypto';
import type { Contact } from '@eclat/contract';
import type { EntityManager } from '@mikro-orm/postgresql';
import { sql } from '../platform/http/app-context.ts';

interface Note {
  direction: Contact['direction'];
  kid: string;
  shop: string;
  want: string;
  movementId?: string | null;
  outcome: string;
  requestHash: string;
  by: string;
}

/**
 * Notes a request. One that came is noted before anything is done for it: the same one twice is noted once.
 * @returns its id; null: this very request came before
 */
export async function note(em: EntityManager, now: Date, given: Note): Promise<string | null> {
  const { direction, kid, shop, want, movementId = null, outcome, requestHash, by } = given;
  const [row] = await sql<{ id: string }>(
    em,
    `insert into exchange_log (id, at, direction, kid, shop, want, movement_id, outcome, request_hash, by)
      values (?, ?, ?, ?, ?, ?, ?, ?, ?, ?) on conflict do nothing returning id`,
    [randomUUID(), now, direction, kid, shop, want, movementId, outcome, requestHash, by],
  );
  return row?.id ?? null;
}

export const noteOutcome = (em: EntityManager, id: string, outcome: string, movementId: string | null) =>
  sql(em, 'update exchange_log set outcome = ?, movement_id = ? where id = ?', [outcome, movementId, id]);

const HOUR_MS = 3_600_000;
/** As many as a shop at work may want in an hour; a book of 500 photos comes in one. */
const MOST_IN_AN_HOUR: Readonly<Record<string, number>> = { photo: 1500, bring: 1500 };
const MOST_OTHERS = 60;

/** Whether a shop has asked for more than it may in an hour, the request that was just noted among them. */
export async function isTooMany(em: EntityManager, kid: string, want: string, now: Date): Promise<boolean> {
  const [row] = await sql<{ n: number }>(
    em,
    `select count(*)::int as n from exchange_log where direction = 'in' and kid = ? and want = ? and at > ?`,
    [kid, want, new Date(now.getTime() - HOUR_MS)],
  );
  return row!.n > (MOST_IN_AN_HOUR[want] ?? MOST_OTHERS);
}

/** The latest first: of one shop and book, or of all. What is alike in one hour, as photos of a book, is one line. */
export async function contacts(
  em: EntityManager,
  most: number,
  of?: { kid: string; movementId: string },
): Promise<Contact[]> {
  const rows = await sql<
    Omit<Contact, 'movement' | 'at' | 'key'> & { at: string; kid: string; id: string | null; code: string }
  >(
    em,
    `select max(l.at) as at, count(*)::int as times, l.direction, l.kid, l.shop, l.want, l.outcome, l.by, m.id, m.code
      from exchange_log l left join movement m on m.id = l.movement_id
      ${of ? 'where l.kid = ? and l.movement_id = ?' : ''}
      group by date_trunc('hour', l.at), 3, 4, 5, 6, 7, 8, 9, 10 order by 1 desc, 4, 6 limit ?`,
    [...(of ? [of.kid, of.movementId] : []), most],
  );
  return rows.map(({ at, kid, id, code, ...c }) => ({
    ...c,
    at: new Date(at).toISOString(),
    key: kid,
    movement: id ? { id, code } : null,
  }));
}
