/**
 * A log that only grows: a tree of hashes over entries in their order. Whoever holds an older head can prove that what
 * stands now begins with what stood then, and that an entry is in it. Source: RFC 9162, 2.1 (as RFC 6962).
 */

/** SHA-256 of bytes: given, for it is another in a browser than on a server. 32 bytes. */
export type Hash = (bytes: Uint8Array) => Uint8Array;

/**
 * How many entries the log holds, and the root over them, 32 bytes. That they belong together says the signature of
 * the head: a proof fits sizes of the same shape too.
 */
export interface Head {
  size: number;
  root: Uint8Array;
}

const LEAF = 0,
  NODE = 1;

function joined(kind: number, ...parts: readonly Uint8Array[]): Uint8Array {
  const all = new Uint8Array(1 + parts.reduce((n, p) => n + p.length, 0));
  all[0] = kind;
  let at = 1;
  for (const p of parts) {
    all.set(p, at);
    at += p.length;
  }
  return all;
}
const leafHash = (hash: Hash, entry: Uint8Array) => hash(joined(LEAF, entry));
const nodeHash = (hash: Hash, left: Uint8Array, right: Uint8Array) => hash(joined(NODE, left, right));

/** The largest power of two below n. @param n two or more */
function splitOf(n: number): number {
  let k = 1;
  while (2 * k < n) k *= 2;
  return k;
}

/** The tree over leaves, each part of it hashed once. */
class Tree {
  private readonly known = new Map<string, Uint8Array>();
  constructor(
    private readonly hash: Hash,
    private readonly leaves: readonly Uint8Array[],
  ) {}

  /** Root over leaves from–to, to not included. */
  root(from: number, to: number): Uint8Array {
    if (to === from) return this.hash(new Uint8Array(0));
    const key = `${from} ${to}`;
    let root = this.known.get(key);
    if (!root) {
      const k = to - from === 1 ? 0 : splitOf(to - from);
      root = k === 0 ? this.leaves[from]! : nodeHash(this.hash, this.root(from, from + k), this.root(from + k, to));
      this.known.set(key, root);
    }
    return root;
  }

  /** From the leaf up: the root beside each step. */
  path(index: number, from: number, to: number): Uint8Array[] {
    if (to - from <= 1) return [];
    const k = splitOf(to - from);
    return index < k
      ? [...this.path(index, from, from + k), this.root(from + k, to)]
      : [...this.path(index - k, from + k, to), this.root(from, from + k)];
  }

  /** RFC 9162, 2.1.4.1: SUBPROOF(m, D, b). */
  between(m: number, from: number, to: number, whole: boolean): Uint8Array[] {
    const n = to - from;
    if (m === n) return whole ? [] : [this.root(from, to)];
    const k = splitOf(n);
    return m <= k
      ? [...this.between(m, from, from + k, whole), this.root(from + k, to)]
      : [...this.between(m - k, from + k, to, false), this.root(from, from + k)];
  }
}

/** A log as its owner holds it. Entries are bytes: their order is what the head stands for. */
export class Log {
  private readonly leaves: Uint8Array[] = [];
  private tree: Tree;
  constructor(
    private readonly hash: Hash,
    entries: readonly Uint8Array[] = [],
  ) {
    this.tree = new Tree(hash, this.leaves);
    for (const e of entries) this.add(e);
  }

  get size(): number {
    return this.leaves.length;
  }
  add(entry: Uint8Array): void {
    this.leaves.push(leafHash(this.hash, entry));
  }
  /** @param size of the head that is asked for: all of it, or an older one */
  head(size = this.size): Head {
    return { size, root: this.tree.root(0, size) };
  }
  /** That the entry of this number is under the head of that size. */
  inclusion(index: number, size = this.size): Uint8Array[] {
    return this.tree.path(index, 0, size);
  }
  /** That the log of that older size is the beginning of the one of this size. Empty for the same, or for none. */
  consistency(older: number, size = this.size): Uint8Array[] {
    return older === 0 || older === size ? [] : this.tree.between(older, 0, size, true);
  }
}

/**
 * Roots of the whole subtrees of a log, the largest first: enough to add to it and to say its root, however long it is.
 * There are as many as the size has ones in binary.
 */
export type Peaks = readonly Uint8Array[];

/** @param size of the log before the entry */
export function grown(hash: Hash, size: number, peaks: Peaks, entry: Uint8Array): Uint8Array[] {
  const next = [...peaks];
  let last = leafHash(hash, entry);
  for (let n = size; n % 2 === 1; n = half(n)) last = nodeHash(hash, next.pop()!, last);
  return [...next, last];
}

export function rootOf(hash: Hash, peaks: Peaks): Uint8Array {
  const [last, ...before] = [...peaks].reverse();
  if (!last) return hash(new Uint8Array(0));
  return before.reduce((root, peak) => nodeHash(hash, peak, root), last);
}

const same = (a: Uint8Array, b: Uint8Array): boolean => a.length === b.length && a.every((x, i) => x === b[i]);

/** Whether the entry is the one of this number under the head. Source: RFC 9162, 2.1.3.2. */
export function isIncluded(hash: Hash, entry: Uint8Array, index: number, head: Head, proof: readonly Uint8Array[]) {
  if (index >= head.size) return false;
  let [fn, sn, root] = [index, head.size - 1, leafHash(hash, entry)];
  for (const p of proof) {
    if (sn === 0) return false;
    if (fn % 2 === 1 || fn === sn) {
      root = nodeHash(hash, p, root);
      while (fn % 2 === 0 && fn !== 0) [fn, sn] = [half(fn), half(sn)];
    } else root = nodeHash(hash, root, p);
    [fn, sn] = [half(fn), half(sn)];
  }
  return sn === 0 && same(root, head.root);
}

/** Whether the log of the newer head begins with all that the older head stands for. Source: RFC 9162, 2.1.4.2. */
export function isConsistent(hash: Hash, older: Head, newer: Head, proof: readonly Uint8Array[]): boolean {
  if (older.size > newer.size) return false;
  if (older.size === newer.size) return proof.length === 0 && same(older.root, newer.root);
  if (older.size === 0) return proof.length === 0 && same(older.root, hash(new Uint8Array(0)));
  const path = isPowerOfTwo(older.size) ? [older.root, ...proof] : [...proof];
  const [first, ...rest] = path;
  if (!first) return false;
  let [fn, sn] = [older.size - 1, newer.size - 1];
  while (fn % 2 === 1) [fn, sn] = [half(fn), half(sn)];
  let [fr, sr] = [first, first];
  for (const c of rest) {
    if (sn === 0) return false;
    if (fn % 2 === 1 || fn === sn) {
      [fr, sr] = [nodeHash(hash, c, fr), nodeHash(hash, c, sr)];
      while (fn % 2 === 0 && fn !== 0) [fn, sn] = [half(fn), half(sn)];
    } else sr = nodeHash(hash, sr, c);
    [fn, sn] = [half(fn), half(sn)];
  }
  return sn === 0 && same(fr, older.root) && same(sr, newer.root);
}
/** Sizes may outgrow 32 bits. */
const half = (n: number): number => Math.floor(n / 2);
const isPowerOfTwo = (n: number): boolean => Number.isInteger(Math.log2(n));
