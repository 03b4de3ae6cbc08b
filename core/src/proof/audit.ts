import { byCount, counted } from '../units/index.ts';
import { grown, rootOf, type Hash } from './log.ts';

/** A head as it was signed: root in hex. */
export interface SignedHead {
  size: number;
  root: string;
}

const unhex = (hex: string): Uint8Array => Uint8Array.from(hex.match(/../g) ?? [], (b) => parseInt(b, 16));
const hexOf = (bytes: Uint8Array): string => Array.from(bytes, (b) => b.toString(16).padStart(2, '0')).join('');

/** The root of a log at each of these sizes, hex; none where the log is shorter. @param entries hashes, hex */
export function rootsAt(hash: Hash, entries: readonly string[], sizes: ReadonlySet<number>): Map<number, string> {
  const roots = new Map<number, string>();
  let peaks: Uint8Array[] = [];
  for (const [i, entry] of entries.entries()) {
    peaks = grown(hash, i, peaks, unhex(entry));
    if (sizes.has(i + 1)) roots.set(i + 1, hexOf(rootOf(hash, peaks)));
  }
  return roots;
}

/**
 * What is wrong with a log by the heads that were signed of it, and by what stands in the store. Nothing: it stands by
 * all of them.
 * @param entries the log as it is kept: number and hash, in any order, and the code of the book that it is of
 * @param heads its own, and those of it that came back from elsewhere
 * @param here hashes of the entries that stand in the store
 */
export function logTroubles(
  hash: Hash,
  entries: readonly { number: number; hash: string; book?: string }[],
  heads: readonly SignedHead[],
  here: ReadonlySet<string>,
): string[] {
  const inOrder = [...entries].sort((a, b) => a.number - b.number);
  const troubles: string[] = [];
  const gap = inOrder.findIndex((e, i) => e.number !== i);
  if (gap >= 0) troubles.push(`Number ${gap + 1} of the log is missing, or stands twice.`);
  const roots = rootsAt(
    hash,
    inOrder.map((e) => e.hash),
    new Set(heads.map((h) => h.size)),
  );
  const longest = Math.max(0, ...heads.map((h) => h.size));
  if (longest > inOrder.length)
    troubles.push(
      `A head was signed over ${counted(longest, 'entry', 'entries')}, and the log has ${inOrder.length}: some were ` +
        'taken out, or this server stands on an old backup. Put a later backup back; if there is none, change the ' +
        'key of the shop (People), so that a new log begins.',
    );
  else if (inOrder.length > longest)
    troubles.push(
      `No signed head covers the last ${counted(inOrder.length - longest, 'entry', 'entries')} of the log.`,
    );
  const broken = heads.filter((h) => roots.has(h.size) && roots.get(h.size) !== h.root);
  if (broken.length > 0)
    troubles.push(`The log is not what was signed when it had ${counted(broken[0]!.size, 'entry', 'entries')}.`);
  const gone = inOrder.filter((e) => !here.has(e.hash));
  if (gone.length > 0)
    troubles.push(
      `${counted(gone.length, 'entry', 'entries')} of the log ${byCount(gone.length, 'is', 'are')} gone from the ` +
        `books: number ${gone.map((e) => `${e.number + 1}${e.book ? ` of ${e.book}` : ''}`).join(', ')}.`,
    );
  return troubles;
}
