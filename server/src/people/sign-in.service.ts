import type { Person as Who } from '@eclat/contract';
import { verify, hash } from '@node-rs/argon2';
import type { EntityManager } from '@mikro-orm/postgresql';
import ipaddr from 'ipaddr.js';
import { sql } from '../platform/http/app-context.ts';
import type { Context } from '../platform/http/context.ts';
import { badField, HttpProblem } from '../platform/http/problems.ts';
import { hashOf } from '../platform/http/tokens.ts';
import { Person, SignInFailure } from './people.entity.ts';

const MINUTE_MS = 60_000;
const WINDOW_MS = 15 * MINUTE_MS;
const DEVICE_MS = 30 * 24 * 60 * MINUTE_MS;
/** Wrong ones within the window: of a name from one address, from one address, of a name at a device it knows. */
const MOST = { pair: 5, address: 30, device: 5 };
/** Of one name from anywhere, within a day: so many are free, and each one more doubles the wait, up to this. */
const FREE = 10,
  FIRST_WAIT_MS = 1_000,
  LONGEST_WAIT_MS = 5 * MINUTE_MS;

export const who = (p: Person): Who => ({ id: p.id, name: p.name, role: p.role });

export interface Knock {
  name: string;
  passphrase: string;
  /** As the network says. */
  address: string;
  /** The token a browser was given when somebody signed in at it. */
  device: string | undefined;
}

/** A hash that no passphrase has: a wrong name costs as long as a wrong passphrase. */
let nobody: Promise<string> | undefined;

/**
 * Who this is. A guess is written down before it is judged, and rubbed out when it was right: so as many are judged at
 * once as are allowed, on however many servers. No connection is held while the passphrase is reckoned.
 * @throws 429 with the time to wait after too many wrong ones, 401 for a wrong pair
 */
export async function recognise(em: EntityManager, knock: Knock, now: Date): Promise<Who> {
  const [found] = await em.find(Person, {
    active: true,
    $and: [{ name: { $ilike: knock.name.replace(/[\\%_]/g, '\\$&') } }],
  });
  const device = found && knock.device ? await knownDevice(em, knock.device, found.id, now) : null;
  const guess = await em.transactional((inside) => admit(inside, knock, device, now));
  nobody ??= hash(`${Math.random()}`);
  const right = await verify(found?.passphraseHash ?? (await nobody), knock.passphrase).catch(() => false);
  if (!found || !right) throw new HttpProblem(401, 'The name or the passphrase is wrong.');
  await em.nativeDelete(SignInFailure, { id: guess });
  return who(found);
}

/**
 * The person at the keyboard again, not only a session that was left open. Guesses count as at the sign-in.
 * @throws 422 at the field, 429 after too many wrong ones
 */
export async function confirm(
  { em, person, now }: Pick<Context, 'em' | 'person' | 'now'>,
  knock: Omit<Knock, 'name'>,
): Promise<void> {
  try {
    await recognise(em, { ...knock, name: person.name }, now);
  } catch (error) {
    if (error instanceof HttpProblem && error.status === 401)
      throw badField('passphrase', 'This is not your passphrase.');
    throw error;
  }
}

async function knownDevice(em: EntityManager, token: string, personId: string, now: Date): Promise<string | null> {
  const known = await sql(em, 'select 1 from device where token_hash = ? and person_id = ? and seen_at > ?', [
    hashOf(token),
    personId,
    new Date(now.getTime() - DEVICE_MS),
  ]);
  return known.length > 0 ? hashOf(token) : null;
}

interface Counted {
  n: number;
  first: string | null;
  last: string | null;
}

/** Writes the guess down, one of a name and of an address at a time. @returns its id */
async function admit(em: EntityManager, knock: Knock, device: string | null, now: Date): Promise<number> {
  const name = knock.name.toLowerCase();
  const address = neighbourhood(knock.address);
  for (const key of [`sign-in from ${address}`, `sign-in of ${name}`])
    await sql(em, 'select pg_advisory_xact_lock(hashtextextended(?, 0))', [key]);
  const counted = async (where: string, params: unknown[], window = WINDOW_MS) => {
    const text = `select count(*)::int as n, min(at) as first, max(at) as last from sign_in_failure where ${where}`;
    const [row] = await sql<Counted>(em, `${text} and at > ?`, [...params, new Date(now.getTime() - window)]);
    return row!;
  };
  if (device) refuseOver(await counted('device = ? and name = ?', [device, name]), MOST.device, now);
  else {
    refuseOver(await counted('name = ? and address = ? and device is null', [name, address]), MOST.pair, now);
    refuseOver(await counted('address = ? and device is null', [address]), MOST.address, now);
    const day = await counted('name = ? and device is null', [name], 24 * 60 * MINUTE_MS);
    const over = day.n - FREE;
    const waits = over <= 0 ? 0 : Math.min(FIRST_WAIT_MS * 2 ** (over - 1), LONGEST_WAIT_MS);
    if (waits > 0) waitUntil(Date.parse(day.last!) + waits, now);
  }
  const [row] = await sql<{ id: string }>(
    em,
    'insert into sign_in_failure (name, address, device, at) values (?, ?, ?, ?) returning id',
    [name, address, device, now],
  );
  return Number(row!.id);
}

function refuseOver({ n, first }: Counted, most: number, now: Date): void {
  if (n >= most) waitUntil(Date.parse(first!) + WINDOW_MS, now);
}

/** @throws 429 while that moment is still to come */
function waitUntil(at: number, now: Date): void {
  const waitS = Math.ceil((at - now.getTime()) / 1000);
  if (waitS <= 0) return;
  const words = waitS < 90 ? `${waitS} seconds` : `${Math.ceil(waitS / 60)} minutes`;
  throw new HttpProblem(429, 'Too many failed sign-ins.', { detail: `Try again in ${words}.`, retryAfterS: waitS });
}

/** One household has a whole /64 of IPv6 (RFC 6177): it counts as one address. */
export function neighbourhood(address: string): string {
  if (!ipaddr.isValid(address)) return address.slice(0, 60);
  const read = ipaddr.process(address);
  return read instanceof ipaddr.IPv6
    ? `${read.toNormalizedString().split(':').slice(0, 4).join(':')}::/64`
    : read.toString();
}
