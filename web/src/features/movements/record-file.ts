import type { MovementBook, ReplyOf } from '@eclat/contract';
import { movementBook } from '@eclat/contract/movement-book';
import type { z } from 'zod';
import { api } from '../../data/api.ts';
import { Away, call } from '../../data/call.ts';
import { whyOf } from '../../data/outbox.ts';

const MOST_BYTES = 7_000_000;

/** Which line of it is not as a book has it, counted from 1 as a person counts. */
function whyNot({ path: [part, i, field], message }: z.core.$ZodIssue): string {
  if (part === 'entries' && typeof i === 'number')
    return `Entry ${i + 1} of this book, ${String(field ?? 'the whole')}: ${message}`;
  return 'This is not a movement book. It begins with "format": "eclat-movement-book".';
}

export type Checked = ReplyOf<typeof api.movements.checkRecord>;

/** A record that was read, and how its entries stand; without the server they are checked when they are taken in. */
export interface ReadRecord {
  book: MovementBook;
  from: string;
  checked: Checked;
}

/**
 * Reads a record and has it checked whole, before anything is written.
 * @param movementId the book that it would come into; none: a new one
 * @returns what it is, or why it cannot be taken in
 */
export async function readRecord(file: File, movementId?: string): Promise<ReadRecord | string> {
  if (file.size > MOST_BYTES) return 'This file is too large for a movement book.';
  const read = movementBook.safeParse(
    await file
      .text()
      .then(JSON.parse)
      .catch(() => null),
  );
  if (!read.success) return whyNot(read.error.issues[0]!);
  const { entries: history, logs } = read.data;
  try {
    const checked = await call(api.movements.checkRecord, { body: { history, logs, movementId } });
    return { book: read.data, from: file.name.slice(0, 200), checked };
  } catch (error) {
    if (!(error instanceof Away)) return whyOf(error);
    return { book: read.data, from: file.name.slice(0, 200), checked: { proofs: [], here: [], log: [] } };
  }
}

/** How what would come in stands; what is here already is told apart. */
export function checkedInWords({ proofs, here }: Checked): string {
  if (proofs.length === 0) return 'Checked when it is taken in.';
  const fresh = proofs.filter((_, i) => here[i] !== true);
  const n = (proof: Checked['proofs'][number]) => fresh.filter((p) => p === proof).length;
  const said = [
    [n('proved'), 'signed by a key known here'],
    [n('unknown shop'), 'signed by a key that is not known here'],
    [n('unsigned'), 'unsigned: it says what it says'],
  ] as const;
  const words = said.flatMap(([count, what]) => (count > 0 ? `${count} ${what}` : []));
  return words.length === 0 ? 'Checked: nothing in it is new.' : `Checked: ${words.join(', ')}.`;
}
