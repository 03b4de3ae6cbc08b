import { createHash } from 'node:crypto';
import { describe, expect, it } from 'vitest';
import { seeded } from '../simulated/index.ts';
import { grown, isConsistent, isIncluded, Log, rootOf, type Hash, type Head } from './index.ts';

const sha256: Hash = (bytes) => new Uint8Array(createHash('sha256').update(bytes).digest());
const hex = (bytes: Uint8Array) => Buffer.from(bytes).toString('hex');
const unhex = (text: string) => new Uint8Array(Buffer.from(text, 'hex'));

/** Entries and roots that implementations of RFC 6962 are commonly tried with, from memory. */
const ENTRIES = ['', '00', '10', '2021', '3031', '40414243', '5051525354555657', '606162636465666768696a6b6c6d6e6f'];
const ROOTS = [
  'e3b0c44298fc1c149afbf4c8996fb92427ae41e4649b934ca495991b7852b855',
  '6e340b9cffb37a989ca544e6bb780a2c78901d3fb33738768511a30617afa01d',
  'fac54203e7cc696cf0dfcb42c92a1d9dbaf70ad9e621f4bd8d98662f00e3c125',
  'aeb6bcfe274b70a14fb067a5e5578264db0fa9b51af5e0ba159158f329e06e77',
  'd37ee418976dd95753c1c73862b9398fa2a2cf9b4ff0fdfe8b30cd95209614b7',
  '4e3bbb1f7b478dcfe71fb631631519a3bca12c9aefca1612bfce4c13a86264d4',
  '76e67dadbcdf1e10e1b74ddc608abd2f98dfb16fbce75277b5232a127f2087ef',
  'ddb89be403809e325750d3d263cd78929c2942b7942a34b77e122c9594a74c8c',
  '5dc9da79a70659a9ad559cb701ded9a2ab9d823aad2f4960cfe370eff4604328',
];

describe('a log that only grows', () => {
  it('has the roots of the standard, at every size', () => {
    const log = new Log(sha256, ENTRIES.map(unhex));
    expect(ROOTS.map((_, size) => hex(log.head(size).root))).toEqual(ROOTS);
  });

  it('grows by its peaks to the same roots, however long it is', () => {
    let peaks: Uint8Array[] = [];
    expect(hex(rootOf(sha256, peaks))).toBe(ROOTS[0]);
    for (const [size, e] of ENTRIES.entries()) {
      peaks = grown(sha256, size, peaks, unhex(e));
      expect(hex(rootOf(sha256, peaks)), `${size + 1}`).toBe(ROOTS[size + 1]);
    }
    const log = new Log(sha256);
    peaks = [];
    for (let n = 0; n < 300; n++) {
      const e = Uint8Array.of(n >> 8, n);
      log.add(e);
      peaks = grown(sha256, n, peaks, e);
      expect(hex(rootOf(sha256, peaks))).toBe(hex(log.head().root));
    }
  });

  const numbered = (n: number, from = 0) => Array.from({ length: n }, (_, i) => sha256(Uint8Array.of(from, i >> 8, i)));

  it('proves each entry under each head, and each head under each later one', () => {
    const entries = numbered(33);
    const log = new Log(sha256, entries);
    for (let size = 1; size <= 33; size++) {
      const head = log.head(size);
      for (let i = 0; i < size; i++)
        expect(isIncluded(sha256, entries[i]!, i, head, log.inclusion(i, size)), `${i} of ${size}`).toBe(true);
      for (let older = 0; older <= size; older++)
        expect(isConsistent(sha256, log.head(older), head, log.consistency(older, size)), `${older}, ${size}`).toBe(
          true,
        );
    }
  });

  it('lets no change under a head that somebody holds go unseen: 10,000 tries', () => {
    const random = seeded(1921);
    const below = (n: number) => Math.floor(random() * n);
    let tried = 0;
    const forge: ((all: Uint8Array[], held: number) => void)[] = [
      (all, held) => {
        const e = (all[below(held)] = all[below(held)]!.slice());
        e[below(32)]! ^= 1 << below(8);
      },
      (all, held) => void all.splice(below(held), 1),
      (all, held) => void all.splice(below(held), 0, sha256(Uint8Array.of(7))),
      (all, held) => {
        const [a, b] = [below(held), below(held)];
        [all[a], all[b]] = [all[b]!, all[a]!];
      },
      (all, held) => void (all[below(held)] = sha256(Uint8Array.of(below(256), below(256)))),
    ];
    let unseen = 0;
    while (tried < 10_000) {
      const size = 1 + below(13);
      const held = 1 + below(size);
      const entries = numbered(size, below(200));
      const head = new Log(sha256, entries).head(held);
      const forged = [...entries];
      forge[below(forge.length)]!(forged, held);
      if (forged.length < held || forged.slice(0, held).every((e, i) => hex(e) === hex(entries[i]!))) continue;
      tried++;
      const other = new Log(sha256, forged);
      // Its owner gives the best proof that there is, or one of the true log, or any hashes at all.
      const proofs = [
        other.consistency(held),
        new Log(sha256, [...entries, ...numbered(4, 250)].slice(0, forged.length)).consistency(held, forged.length),
        Array.from({ length: below(6) }, () => sha256(Uint8Array.of(below(256)))),
      ];
      const seen = proofs.every((p) => !isConsistent(sha256, head, other.head(), p));
      const changed = forged.findIndex((e, i) => i < held && hex(e) !== hex(entries[i]!));
      const out = !isIncluded(sha256, forged[changed]!, changed, head, other.inclusion(changed, held));
      if (!seen || !out) unseen++;
    }
    expect(unseen).toBe(0);
  });

  it('takes no proof that is too long, too short, of another place or of a later head', () => {
    const entries = numbered(13);
    const log = new Log(sha256, entries);
    const head = log.head();
    const proof = log.inclusion(5);
    const is = (index: number, of: Head, p: readonly Uint8Array[]) => isIncluded(sha256, entries[5]!, index, of, p);
    expect(is(5, head, proof)).toBe(true);
    expect([is(5, head, proof.slice(1)), is(5, head, [...proof, head.root]), is(4, head, proof)]).toEqual([
      false,
      false,
      false,
    ]);
    expect([is(5, log.head(12), proof), is(13, head, proof), is(5, { ...head, size: 40 }, proof)]).toEqual([
      false,
      false,
      false,
    ]);
    const older = log.head(6);
    const c = log.consistency(6);
    const holds = (a: Head, b: Head, p: readonly Uint8Array[]) => isConsistent(sha256, a, b, p);
    expect(holds(older, head, c)).toBe(true);
    expect([holds(older, head, c.slice(1)), holds(older, head, [...c, older.root]), holds(head, older, c)]).toEqual([
      false,
      false,
      false,
    ]);
    expect([
      holds({ ...older, size: 3 }, head, c),
      holds(older, { ...head, size: 40 }, c),
      holds(older, head, []),
    ]).toEqual([false, false, false]);
  });
});
