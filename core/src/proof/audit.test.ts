import { createHash } from 'node:crypto';
import { describe, expect, it } from 'vitest';
import { seeded } from '../simulated/index.ts';
import { Log, logTroubles, type Hash } from './index.ts';

const sha256: Hash = (bytes) => new Uint8Array(createHash('sha256').update(bytes).digest());
const hex = (bytes: Uint8Array) => Buffer.from(bytes).toString('hex');
const entryOf = (...n: number[]) => hex(sha256(Uint8Array.of(...n)));

/** The store of a shop: what stands in its books, its log, and the heads that it signed, one with each entry. */
function storeOf(size: number, salt: number) {
  const hashes = Array.from({ length: size }, (_, i) => entryOf(salt, i));
  const log = new Log(sha256);
  const heads = hashes.map((h) => {
    log.add(Buffer.from(h, 'hex'));
    return { size: log.size, root: hex(log.head().root) };
  });
  return { books: new Set(hashes), log: hashes.map((hash, number) => ({ hash, number })), heads };
}
type Store = ReturnType<typeof storeOf>;
const troubles = ({ log, heads, books }: Store) => logTroubles(sha256, log, heads, books);

describe('the log of a shop', () => {
  it('stands by all its heads while nothing is changed', () => {
    for (const size of [0, 1, 2, 3, 40]) expect(troubles(storeOf(size, 1))).toEqual([]);
  });

  it('tells when its last entry is taken out, from the books, from the log, or from both with its head', () => {
    const whole = storeOf(9, 2);
    const [last] = whole.log.slice(-1);
    const books = new Set([...whole.books].filter((h) => h !== last!.hash));
    expect(troubles({ ...whole, books })).toEqual(['1 entry of the log is gone from the books: number 9.']);
    expect(troubles({ ...whole, books, log: whole.log.slice(0, -1) })[0]).toContain('over 9 entries');
    // With its head too nothing here remembers it: then whoever was given that head does.
    const cut = { books, log: whole.log.slice(0, -1), heads: whole.heads.slice(0, -1) };
    expect(troubles(cut)).toEqual([]);
    expect(troubles({ ...cut, heads: [...cut.heads, whole.heads.at(-1)!] })[0]).toContain('old backup');
  });

  it('lets no change, deletion, reordering or forgery under a head that is held go unseen: 10,000 tries', () => {
    const random = seeded(1877);
    const below = (n: number) => Math.floor(random() * n);
    const ways: ((s: Store) => Store)[] = [
      // taken out of the books only
      (s) => {
        const out = below(s.books.size);
        return { ...s, books: new Set([...s.books].filter((_, i) => i !== out)) };
      },
      // taken out of the log, the rest moved up
      (s) => {
        const out = below(s.log.length);
        return { ...s, log: s.log.filter((e) => e.number !== out).map((e, number) => ({ ...e, number })) };
      },
      // two changed places
      (s) => {
        const [a, b] = [below(s.log.length), below(s.log.length)];
        const from = new Map([
          [a, b],
          [b, a],
        ]);
        const moved = s.log.map((e) => ({ ...e, hash: s.log[from.get(e.number) ?? e.number]!.hash }));
        return { ...s, log: moved };
      },
      // another in its place, in the books too
      (s) => {
        const at = below(s.log.length);
        const forged = entryOf(250, below(256), below(256));
        const books = new Set([...s.books].map((h) => (h === s.log[at]!.hash ? forged : h)));
        return { ...s, books, log: s.log.map((e) => (e.number === at ? { ...e, hash: forged } : e)) };
      },
      // one put in between
      (s) => {
        const forged = entryOf(251, below(256), below(256));
        const log = s.log.toSpliced(below(s.log.length), 0, { number: 0, hash: forged });
        return { ...s, books: new Set([...s.books, forged]), log: log.map((e, number) => ({ ...e, number })) };
      },
      // the same number twice
      (s) => ({ ...s, log: [...s.log, { ...s.log[below(s.log.length)]! }] }),
    ];
    let unseen = 0;
    for (let tried = 0; tried < 10_000;) {
      const store = storeOf(1 + below(12), below(200));
      const forged = ways[below(ways.length)]!(store);
      if (JSON.stringify([forged.log, [...forged.books]]) === JSON.stringify([store.log, [...store.books]])) continue;
      tried++;
      // The forger may take away heads of the shop, but not the last: somebody else holds that one.
      const held = forged.heads.slice(forged.heads.length - 1 - below(forged.heads.length));
      if (troubles({ ...forged, heads: held }).length === 0) unseen++;
    }
    expect(unseen).toBe(0);
  });
});
