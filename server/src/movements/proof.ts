import { readSections, type Entry, type SignedEntry } from '@eclat/contract';
import { canonical } from '@eclat/core/history';
import { clockOf, leftIn } from '@eclat/core/record';
import type { HistoryEntry } from './history.entity.ts';
import type { Keys } from './keys.ts';
import { sealsOf } from './seal.ts';
import { byName, readSigned } from './signed.ts';

export interface Proven extends Pick<Entry, 'proof' | 'signature'> {
  /** What was signed; null where nothing was, or where it does not hold. */
  said: SignedEntry | null;
}

/**
 * How the entries of one book stand, by id: signatures are verified, and what stands in the columns is held against
 * what was signed.
 * @param entries all of the book, with those of movements that were found to be this one
 */
export async function proofsOf(entries: readonly HistoryEntry[], keys: Keys): Promise<Map<string, Proven>> {
  const seals = sealsOf(entries.filter((e) => !e.jws));
  const book: Book = {
    named: byName(entries),
    movements: new Set(entries.map((e) => e.movementId)),
    left: await leftBy(entries, keys),
  };
  const proofs = new Map<string, Proven>();
  for (const e of entries) proofs.set(e.id, e.jws ? await ofSigned(e, book, keys) : ofSeal(e, seals, keys));
  return proofs;
}

interface Book {
  named: Map<string, HistoryEntry>;
  movements: ReadonlySet<string>;
  left: Left;
}

/** Entries of a movement that was held to be this one: hashes, by the key that signed that they are of another. */
interface Left {
  byKnown: ReadonlySet<string>;
  byKey: ReadonlyMap<string, ReadonlySet<string>>;
}

/** Who takes an entry out cannot say so in the name of the one who signed what was written on it. */
async function leftBy(entries: readonly HistoryEntry[], { own, known }: Keys): Promise<Left> {
  const byKnown = new Set<string>();
  const byKey = new Map<string, Set<string>>();
  for (const e of entries) {
    const read = e.kind === 'merger' && e.jws ? await readSigned(e.jws) : null;
    if (!read) continue;
    const of = byKey.get(read.kid) ?? new Set();
    byKey.set(read.kid, of);
    for (const hash of leftIn(read.said.sections)) {
      of.add(hash);
      if (own.has(read.kid) || known.has(read.kid)) byKnown.add(hash);
    }
  }
  return { byKnown, byKey };
}

/** What has only a seal is from before there were keys; later, somebody wrote it past Eclat. */
function ofSeal(e: HistoryEntry, seals: ReturnType<typeof sealsOf>, { since }: Keys): Proven {
  const seal = seals.get(e.id)!;
  const late = since !== null && e.writtenAt >= since;
  if (seal !== 'holds') return { proof: seal, signature: null, said: null };
  return { proof: late ? 'changed' : 'unsigned', signature: null, said: null };
}

async function ofSigned(e: HistoryEntry, book: Book, keys: Keys): Promise<Proven> {
  const read = await readSigned(e.jws!);
  if (!read || read.hash !== e.hash) return { proof: 'changed', signature: null, said: null };
  const knownAs = keys.known.get(read.kid) ?? null;
  const signature = { key: read.kid, knownAs, movement: read.said.movement.code };
  const proof = standing(e, read.said, book, keys);
  return { proof, signature, said: proof === 'changed' ? null : read.said };
}

function standing(e: HistoryEntry, said: SignedEntry, { named, movements, left }: Book, keys: Keys): Entry['proof'] {
  const amended = said.amends === null ? null : named.get(said.amends);
  // It amends another than was signed; where the one that was signed is gone, that is said below.
  if (amended !== undefined && (amended?.id ?? null) !== (e.amends ?? null)) return 'changed';
  if (!agrees(e, said)) return 'changed';
  // What was signed here of another movement does not stand in this book, unless it came back in a file.
  if (keys.own.has(said.signer.key) && !e.takenOver && !movements.has(said.movement.id)) return 'changed';
  const isElsewhere = (hash: string) => left.byKnown.has(hash) || left.byKey.get(said.signer.key)?.has(hash) === true;
  if (amended === undefined || !said.parents.every((hash) => named.has(hash) || isElsewhere(hash)))
    return 'page missing';
  return proofBy(said, keys);
}

/** What a signature that holds proves. Whoever signed what came in a file says only what the file said. */
export function proofBy(said: SignedEntry, { own, known }: Keys): Entry['proof'] {
  if (said.takenOver) return 'unsigned';
  return own.has(said.signer.key) || known.has(said.signer.key) ? 'proved' : 'unknown shop';
}

/** Whether the columns say what was signed. */
const agrees = (e: HistoryEntry, said: SignedEntry): boolean =>
  canonical({
    ...plainOf(said),
    writtenAt: new Date(said.writtenAt).toISOString(),
    amends: null,
    clock: clockOf(said.sections),
  }) === canonical({ ...columns(e), amends: null });

const columns = (e: HistoryEntry) => ({
  ...{ kind: e.kind, date: e.date, title: e.title, text: e.text, place: e.place, shop: e.shop, signedBy: e.signedBy },
  record: e.record ?? null,
  clock: e.clockId ?? null,
  writtenAt: e.writtenAt.toISOString(),
});

/** What an entry says beside who signed it and where it stands. */
export const plainOf = ({
  kind,
  date,
  title,
  text,
  place,
  shop,
  signedBy,
  sections,
  writtenAt,
  amends,
}: SignedEntry) => ({
  ...{ kind, date, title, text, place, shop, signedBy, writtenAt, amends },
  record: sections[RECORD] ?? null,
});

/** The section of a visit’s service record: what was done in short. */
export const RECORD = 'serviceRecord';

/** What it did in full, as far as this version reads it. */
export function sectionsSaid(said: SignedEntry | null): Pick<Entry, 'sections' | 'unread'> {
  const { [RECORD]: _record, ...rest } = said?.sections ?? {};
  return readSections(rest);
}
