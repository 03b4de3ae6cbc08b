import { createHash } from 'node:crypto';
import { canonical } from '@eclat/core/history';
import type { HistoryEntry } from './history.entity.ts';

/**
 * Entries from before there were signatures carry a seal: the hash of all that they say, and of the seal of the entry
 * before them. None is made any more.
 */
type Sealed = Omit<HistoryEntry, 'id' | 'visitId' | 'hash' | 'jws'>;

type Seal = 'holds' | 'changed' | 'page missing';

/** SHA-256, in hex, of the canonical form. */
export function sealOf(e: Sealed): string {
  const { takenOver, writtenAt, ...said } = {
    movementId: e.movementId,
    kind: e.kind,
    date: e.date,
    title: e.title,
    text: e.text,
    place: e.place,
    shop: e.shop,
    signedBy: e.signedBy,
    record: e.record ?? null,
    amends: e.amends ?? null,
    previousHash: e.previousHash ?? null,
    writtenAt: e.writtenAt,
    takenOver: e.takenOver,
  };
  const body = { ...said, writtenAt: writtenAt.toISOString(), ...(takenOver ? { takenOver } : {}) };
  return createHash('sha256').update(canonical(body)).digest('hex');
}

/**
 * How the seals stand, by entry: recomputed from what the rows say now.
 * @param entries all that are sealed of one book, in any order
 */
export function sealsOf(entries: readonly HistoryEntry[]): Map<string, Seal> {
  const inOrder = [...entries].sort((a, b) => a.writtenAt.getTime() - b.writtenAt.getTime());
  const last = new Map<string, string>();
  const seals = new Map<string, Seal>();
  for (const e of inOrder) {
    const before = last.get(e.movementId) ?? null;
    if (sealOf(e) !== e.hash) seals.set(e.id, 'changed');
    else seals.set(e.id, (e.previousHash ?? null) === before ? 'holds' : 'page missing');
    last.set(e.movementId, e.hash);
  }
  return seals;
}
