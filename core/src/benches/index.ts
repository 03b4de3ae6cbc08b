import type { Traits } from '../movement/index.ts';
import { electricWords, type ElectricTest } from '../electric/index.ts';
import { torsionWords, type TorsionTest } from '../torsion/index.ts';
import { kindOfEntry, TABLE_KINDS, type TableBenchId } from './kinds.data.ts';
import { tableWords, typedIn, type TableTest } from './table.ts';

export { kindOfEntry, kindsFor, TABLE_KINDS, type Field, type Kind, type TableBenchId } from './kinds.data.ts';
export * from './alarm.ts';
export * from './balance.ts';
export * from './heard.ts';
export * from './mains.ts';
export * from './outputs.ts';
export * from './recorder.ts';
export * from './strike.ts';
export * from './table.ts';
export * from './weights.ts';

/** What is measured and tried at a bench of its own: a kind belongs to one bench. */
export type BenchTest = ElectricTest | TorsionTest | TableTest;

const TABLE = new Set<string>(TABLE_KINDS);
const TORSION = new Set<string>(['torsion strip', 'torsion beats', 'torsion heights', 'torsion escapement']);
export const isTableTest = (t: BenchTest): t is TableTest => TABLE.has(t.kind);
export const isTorsionTest = (t: BenchTest): t is TorsionTest => TORSION.has(t.kind);
export const isElectricTest = (t: BenchTest): t is ElectricTest => !isTableTest(t) && !isTorsionTest(t);
/** Of one of the benches whose kinds stand in the table. */
export const isOf =
  (bench: TableBenchId) =>
  (t: BenchTest): t is TableTest =>
    isTableTest(t) && kindOfEntry(t.kind).bench === bench;

/** Words that a person typed into an entry. */
export function typedAtBench(t: BenchTest): string[] {
  if (isTableTest(t)) return typedIn(t);
  return ['what' in t ? t.what : '', 'note' in t ? t.note : '', 'value' in t ? t.value : ''];
}

/** Whose entry it is: of this visit, of an earlier one of the movement, of another movement of its type. */
export const ENTRY_OF = ['visit', 'movement', 'type'] as const;

/** One entry in words, for the bench and for the book. */
export function benchWords(t: BenchTest, traits: Traits): string {
  if (isTableTest(t)) return tableWords(t, traits);
  return isTorsionTest(t) ? torsionWords(t) : electricWords(t);
}
