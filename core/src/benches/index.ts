import { electricWords, type ElectricTest } from '../electric/index.ts';
import { torsionWords, type TorsionTest } from '../torsion/index.ts';

/** What is measured and tried at a bench of its own: a kind belongs to one bench. */
export type BenchTest = ElectricTest | TorsionTest;

const TORSION = new Set<string>(['torsion strip', 'torsion beats', 'torsion heights', 'torsion escapement']);
export const isTorsionTest = (t: BenchTest): t is TorsionTest => TORSION.has(t.kind);
export const isElectricTest = (t: BenchTest): t is ElectricTest => !isTorsionTest(t);

/** Whose entry it is: of this visit, of an earlier one of the movement, of another movement of its type. */
export const ENTRY_OF = ['visit', 'movement', 'type'] as const;

/** One entry in words, for the bench and for the book. */
export const benchWords = (t: BenchTest): string => (isTorsionTest(t) ? torsionWords(t) : electricWords(t));
