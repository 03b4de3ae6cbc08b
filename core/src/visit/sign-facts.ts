import { frayedUnsaid, isOf, jumpersIn, onBorrowed, type TableBenchId } from '../benches/index.ts';
import { sourceName } from '../movement/index.ts';
import { CHECK_PLACES, checksFor, checksLeft } from '../checks/index.ts';
import { privateWordsIn, type Typed, type VisitSource } from '../history/index.ts';
import type { ReadyFacts, SignFacts } from '../workflow/index.ts';
import { visitFacts, type FactSource } from './facts.ts';

/** As much of a visit as its signature depends on. */
export interface SignSource
  extends Omit<FactSource, keyof VisitSource>, Omit<VisitSource, 'casework' | 'strip' | 'agreement' | 'oiled'> {
  casework: readonly (FactSource['casework'][number] & VisitSource['casework'][number])[];
  strip: VisitSource['strip'] & Pick<FactSource['strip'], 'begun' | 'passes'>;
  oiled: readonly (FactSource['oiled'][number] & VisitSource['oiled'][number])[];
  /** Words of the owner that the signer keeps: they mean something else. */
  keptWords: readonly { word: string }[];
  replacement: { out: unknown };
  agreement: {
    lines: readonly (FactSource['agreement']['lines'][number] & VisitSource['agreement']['lines'][number])[];
    chosen: FactSource['agreement']['chosen'];
  };
}

/** As much of a visit as the end of a stage depends on. */
export type ReadySource = FactSource & Pick<VisitSource, 'checks'>;

/** What the end of each stage depends on. */
export const readyFacts = (visit: ReadySource, now: number): ReadyFacts => ({
  ...visitFacts(visit, now),
  failed: CHECK_PLACES.flatMap((at) =>
    checksLeft(checksFor(visit.movement.traits, at), visit.checks).failed.map(({ what }) => ({ what, at })),
  ),
});

/**
 * What stands between a visit and its signature.
 * @param typed words that a person typed and that would be signed
 */
export function signFacts(visit: SignSource, now: Date, typed: readonly Typed[], waiver?: string): SignFacts {
  const { traits } = visit.movement;
  const stillSo = (kind: 'put in' | 'not final') =>
    visit.strip.temporary.filter((t) => t.kind === kind && t.ended === null).length;
  const atBench = (bench: TableBenchId) =>
    ownTests(visit)
      .map((e) => e.test)
      .filter(isOf(bench));
  const atWeights = (id: string, what: string) => {
    const source = traits.sources.find((s) => s.id === id);
    return { what: `${source ? sourceName(traits, source) : id}: ${what}`, at: 'weights' as const };
  };
  return {
    ...readyFacts(visit, now.getTime()),
    temporary: stillSo('put in'),
    notFinal: stillSo('not final'),
    stillIn: [
      ...onBorrowed(atBench('weights')).map((id) => atWeights(id, 'a borrowed line still hangs in it')),
      ...frayedUnsaid(atBench('weights')).map((id) =>
        atWeights(id, 'a frayed line is left in without the owner’s word'),
      ),
      ...jumpersIn(atBench('outputs')).map((of) => ({
        what: `The jumper ${of} is still in`,
        at: 'outputs' as const,
      })),
    ],
    nothingDone: visit.job.shape !== 'report' && nothingIn(visit),
    untested: checksLeft(checksFor(traits, 'run'), visit.checks).open.length,
    away: visit.strip.custody.filter((c) => c.backAt === null).length,
    notReturned: visit.job.ownStock ? 0 : visit.received.filter((r) => r.returnedAt === null).length,
    waiver,
    // The shop's own name is no secret.
    privateWords: visit.job.ownStock
      ? []
      : privateWordsIn(typed, visit.owner).filter(
          ({ word }) => !visit.keptWords.some((k) => k.word === word.toLowerCase()),
        ),
  };
}

const ownTests = (v: SignSource) => v.benchTests.filter((e) => e.of === 'visit');

/** Nothing was entered that was done to the clock, of whatever kind. */
const nothingIn = (v: SignSource): boolean =>
  [v.baths, v.bushes, v.parts, v.work, v.oiled, ownTests(v), v.casework, v.strip.steps, v.units].every(
    (done) => done.length === 0,
  ) &&
  v.testRun === null &&
  v.replacement.out === null;
