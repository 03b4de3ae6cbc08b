import type { SurveyedHole, Visit } from '@eclat/contract';
import type { Hole } from '@eclat/core/movement';
import {
  byHouseRule,
  judgeHole,
  keptVerdict,
  leftAs,
  measureProblem,
  turnedDownMm,
  wornSince,
  type HoleVerdict,
} from '@eclat/core/pivots';
import { useState } from 'react';
import { endShakeMm, type Extras } from './HoleExtras.tsx';
import { readPlay, type Looking } from './play.ts';
import type { HoleBody, Typed } from './useSurvey.ts';

interface Given {
  visit: Visit;
  hole: Hole;
  measured: SurveyedHole | undefined;
  looking: Looking;
  typedBefore: Typed;
  onKeep: (body: HoleBody, typed: Typed) => void;
}

/** One hole as it is being measured: what is typed, what that says, and the person's own word. */
export function useHoleMeasurement({ visit, hole, measured, looking, typedBefore, onKeep }: Given) {
  const { way, kind } = looking;
  const [typed, setTyped] = useState<Typed>(typedBefore);
  const [extras, setExtras] = useState<Extras>(() => extrasOf(measured));
  const [own, setOwn] = useState<HoleVerdict | null>(
    measured && measured.verdict !== measured.computed ? measured.verdict : null,
  );
  const choices = visit.rules.held;
  const read = readPlay(kind, typed);
  const problem = read && measureProblem(read.measure);
  const judged = read && !problem ? judgeHole(read.measure, hole.arbor.class) : null;
  const turnedMm = turnedDownMm(visit.partConditions, hole.key);
  const verdict = judged ? keptVerdict({ computed: judged.verdict, own, turnedMm, choices }) : own;
  const last = visit.lastSurvey?.holes.find((h) => h.key === hole.key);
  const worn =
    last && read && !problem
      ? wornSince({ ...leftAs(last), at: visit.lastSurvey!.at }, { ...read.measure, at: visit.openedAt })
      : null;
  const ready = read !== null && !problem && verdict !== null;
  return {
    typed,
    type: (name: string, value: string) => setTyped((t) => ({ ...t, [name]: value })),
    extras,
    setExtras,
    own,
    setOwn,
    judged,
    problem,
    verdict,
    /** It is bushed by house rule though the measurements alone do not ask for it. */
    ruled: judged !== null && judged.verdict !== 'bush' && byHouseRule(judged.verdict, choices) === 'bush',
    turnedMm,
    last: last && { ...last, at: visit.lastSurvey!.at, worn },
    ready,
    keep: () => {
      if (!ready) return;
      const { wearDeg, spins, polished, past, endShake } = extras;
      const body: HoleBody = {
        pivotMm: read.measure.pivotMm,
        size: read.size,
        way,
        wearDeg,
        endShakeMm: endShakeMm(endShake),
        spins,
        polished,
        past,
        verdict,
        note: measured?.note ?? '',
        version: measured?.version ?? 0,
      };
      onKeep(body, typed);
    },
  };
}
export type HoleMeasurement = ReturnType<typeof useHoleMeasurement>;

const extrasOf = (measured: SurveyedHole | undefined): Extras => ({
  wearDeg: measured?.wearDeg ?? null,
  endShake: measured?.endShakeMm === null || measured === undefined ? '' : String(measured.endShakeMm),
  spins: measured?.spins ?? null,
  polished: measured?.polished ?? false,
  past: measured?.past ?? 'original',
});
