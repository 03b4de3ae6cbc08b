import type { SurveyedHole, Visit } from '@eclat/contract';
import type { Hole } from '@eclat/core/movement';
import {
  byHouseRule,
  isJewel,
  judgeHole,
  keptVerdict,
  leftAs,
  measureProblem,
  turnedDownMm,
  verdictFits,
  wornSince,
  type HoleWord,
} from '@eclat/core/pivots';
import { useState } from 'react';
import { endShakeMm, type Extras } from './HoleExtras.tsx';
import { readPlay, type Looking } from './play.ts';
import type { HoleBody, Typed } from './useSurvey.ts';

const FELT = { pivotMm: null, size: { kind: 'felt' } } as const;
const PIVOT_AND_HOLE = ['pivotMm', 'holeLongMm', 'holeShortMm'];
/** The plate and the gap are carried on from the hole before: they are no sign that this one was measured. */
const PIVOT_AND_PLAY = ['pivotMm', 'leanDeg', 'playMm'];

interface Given {
  visit: Visit;
  hole: Hole;
  measured: SurveyedHole | undefined;
  looking: Looking;
  typedBefore: Typed;
  onKeep: (body: HoleBody, typed: Typed, byFeel: boolean) => void;
}

/** One hole as it is being measured: what is typed, what that says, and the person's own word. */
export function useHoleMeasurement({ visit, hole, measured, looking, typedBefore, onKeep }: Given) {
  const { way, kind } = looking;
  const [typed, setTyped] = useState<Typed>(typedBefore);
  const [extras, setExtras] = useState<Extras>(() => extrasOf(measured));
  const [said, setOwn] = useState<HoleWord | null>(
    measured && measured.verdict !== measured.computed ? measured.verdict : null,
  );
  // A word that such a hole cannot get is not carried over when it turns out to be a jewel.
  const own = said !== null && verdictFits(said, isJewel(extras.past)) ? said : null;
  const choices = visit.rules.held;
  const read = readPlay(kind, typed);
  const problem = read && measureProblem(read.measure);
  const judged = read && !problem ? judgeHole(read.measure, hole.arbor.class, isJewel(extras.past)) : null;
  const turnedMm = turnedDownMm(visit.partConditions, hole.key);
  const verdict = judged ? keptVerdict({ computed: judged.verdict, own, turnedMm, past: extras.past, choices }) : own;
  const last = visit.lastSurvey?.holes.find((h) => h.key === hole.key);
  const left = last ? leftAs(last) : null;
  const worn =
    left && read && !problem && kind === 'hole'
      ? wornSince({ ...left, at: visit.lastSurvey!.at }, { ...read.measure, at: visit.openedAt })
      : null;
  // Nothing measured: the person's word alone, by feel. Half measured is neither.
  const felt = looking.kind !== 'hole' ? PIVOT_AND_PLAY : PIVOT_AND_HOLE;
  const untouched = felt.every((name) => !typed[name]?.trim());
  const measuredWhole = read !== null && !problem && verdict !== 'not reached';
  const ready = verdict !== null && (measuredWhole || (untouched && own !== null));
  const send = (word: HoleWord, figures: typeof FELT | Pick<HoleBody, 'pivotMm' | 'size'>): void => {
    const { wearDeg, spins, past, endShake } = extras;
    const more = { wearDeg, endShakeMm: endShakeMm(endShake), spins, past };
    const body = {
      ...figures,
      way,
      ...more,
      verdict: word,
      note: measured?.note ?? '',
      version: measured?.version ?? 0,
    };
    onKeep(body, typed, figures === FELT);
  };
  return {
    typed,
    type: (name: string, value: string) => setTyped((t) => ({ ...t, [name]: value })),
    extras,
    setExtras,
    own,
    /** With nothing measured a word is the whole answer: it is kept, and the next hole is in hand. */
    say: (word: HoleWord | null) => (word !== null && untouched ? send(word, FELT) : setOwn(word)),
    judged,
    problem,
    verdict,
    /** It is bushed by house rule though the measurements alone do not ask for it. */
    ruled: judged !== null && judged.verdict !== 'bush' && byHouseRule(judged.verdict, extras.past, choices) === 'bush',
    turnedMm,
    last: last && { ...last, at: visit.lastSurvey!.at, worn },
    ready,
    felt: untouched,
    keep: () => {
      if (!ready) return;
      send(verdict, measuredWhole && read ? { pivotMm: read.measure.pivotMm, size: read.size } : FELT);
    },
  };
}
export type HoleMeasurement = ReturnType<typeof useHoleMeasurement>;

const extrasOf = (measured: SurveyedHole | undefined): Extras => ({
  wearDeg: measured?.wearDeg ?? null,
  endShake: measured?.endShakeMm === null || measured === undefined ? '' : String(measured.endShakeMm),
  spins: measured?.spins ?? null,
  past: measured?.past ?? 'original',
});
