import { Outside } from '../units/index.ts';
import type { ArborClass } from '../movement/index.ts';

export const HOLE_VERDICTS = ['sound', 'tight', 'marginal', 'bush', 'renew'] as const;
export type HoleVerdict = (typeof HOLE_VERDICTS)[number];
/** What a person may say of a hole: it may also not have been reached. */
export const HOLE_WORDS = [...HOLE_VERDICTS, 'not reached'] as const;
export type HoleWord = (typeof HOLE_WORDS)[number];

/** Whether a hole can get this verdict: a jewel is never eased or bushed, and only a jewel is renewed. Practice. */
export const verdictFits = (verdict: HoleWord, jewel: boolean): boolean =>
  jewel ? verdict !== 'tight' && verdict !== 'bush' : verdict !== 'renew';

/** Largest diametral clearance as a share of the pivot. House rule (practice): a tenth, the fast end tighter. */
export const CLEARANCE_SHARE: Record<ArborClass, number> = {
  barrel: 0.1,
  train: 0.1,
  'late train': 0.1,
  pallet: 0.08,
  escape: 0.08,
  fly: 0.08,
  lever: 0.08,
  balance: 0.08,
};

/** And never more than this, however thick the pivot, mm. House rule (practice). */
export const MOST_CLEARANCE_MM: Record<ArborClass, number> = {
  barrel: 0.3,
  train: 0.15,
  'late train': 0.15,
  pallet: 0.08,
  escape: 0.08,
  fly: 0.15,
  lever: 0.08,
  balance: 0.08,
};

/** Play of a pivot in a jewel, mm: about a hundredth is right. From memory of practice. */
export const JEWEL_CLEARANCE_MM = [0.005, 0.02] as const;

/** Least diametral clearance in mm: below it the pivot is held. House rule (practice). */
export const LEAST_CLEARANCE_MM = 0.02;
/** Between the limit and this many times it, a hole is marginal. House rule. */
const MARGINAL_TO = 1.5;

export interface HoleMeasure {
  pivotMm: number;
  holeLongMm: number;
  holeShortMm: number;
}

export interface HoleJudgement {
  verdict: HoleVerdict;
  /** Hole at its longest less pivot. */
  clearanceMm: number;
  ovalityMm: number;
  limitMm: number;
  why: string;
}

/** Sizes that a pivot or its hole can have here, mm: from a fine balance pivot to a turret clock's barrel. */
export const HOLE_RANGE_MM = [0.05, 15] as const;

/** What is wrong with the measurements, naming the field, or null. Domain: each 0.05 to 15 mm, pivot ≤ short ≤ long. */
export function measureProblem(m: HoleMeasure): { field: keyof HoleMeasure; message: string } | null {
  const [least, most] = HOLE_RANGE_MM;
  for (const field of ['pivotMm', 'holeLongMm', 'holeShortMm'] as const)
    if (!(m[field] >= least && m[field] <= most)) return { field, message: `must be between ${least} and ${most} mm` };
  if (m.holeShortMm > m.holeLongMm)
    return { field: 'holeShortMm', message: 'the short way cannot be more than the long way' };
  if (m.holeShortMm < m.pivotMm)
    return { field: 'holeShortMm', message: 'a hole smaller than its pivot was measured at the wrong place' };
  return null;
}

/**
 * Verdict on a worn hole, all lengths in mm. Worst of two looks: clearance the long way, and ovality against
 * half that limit (an oval hole wanders although its clearance passes).
 * @param jewel the hole is in a jewel: never eased or bushed, but renewed
 * @throws Outside beyond the domain of `measureProblem`
 */
export function judgeHole(m: HoleMeasure, arbor: ArborClass, jewel = false): HoleJudgement {
  const problem = measureProblem(m);
  if (problem) throw new Outside(problem.field, problem.message);
  const clearanceMm = m.holeLongMm - m.pivotMm;
  const ovalityMm = m.holeLongMm - m.holeShortMm;
  const limitMm = jewel
    ? JEWEL_CLEARANCE_MM[1]
    : Math.min(MOST_CLEARANCE_MM[arbor], Math.max(CLEARANCE_SHARE[arbor] * m.pivotMm, 1.5 * LEAST_CLEARANCE_MM));
  const result = (verdict: HoleVerdict, why: string): HoleJudgement => ({
    verdict,
    clearanceMm,
    ovalityMm,
    limitMm,
    why,
  });
  const mm = (x: number) => `${x.toFixed(2)} mm`;

  const slack = 1e-9; // calipers give hundredths: a value on the limit is inside it
  if (jewel && clearanceMm < JEWEL_CLEARANCE_MM[0] - slack)
    return result('renew', `${clearanceMm.toFixed(3)} mm of play holds the pivot. A jewel is not eased: renew it.`);
  if (!jewel && clearanceMm < LEAST_CLEARANCE_MM - slack)
    return result('tight', `${mm(clearanceMm)} of play holds the pivot: ease it to ${mm(LEAST_CLEARANCE_MM)}.`);
  const [loose, oval] = [clearanceMm / limitMm, ovalityMm / (limitMm / 2)];
  const worn = Math.max(loose, oval);
  const reason = loose >= oval ? `Play ${mm(clearanceMm)}, limit ${mm(limitMm)}.` : `Oval by ${mm(ovalityMm)}.`;
  if (worn > MARGINAL_TO + slack)
    return jewel ? result('renew', `${reason} A jewel is not bushed: renew it.`) : result('bush', reason);
  if (jewel) return result(worn > 1 + slack ? 'marginal' : 'sound', reason);
  if (worn > 1 + slack) return result('marginal', `${reason} Bush it while it is apart, unless the house says leave.`);
  return result('sound', reason);
}

/** Diametral clearance to give a new bush: about 4 % of the pivot, never under the least. House rule (practice). */
export const freshClearanceMm = (pivotMm: number): number => Math.max(LEAST_CLEARANCE_MM, 0.04 * pivotMm);
