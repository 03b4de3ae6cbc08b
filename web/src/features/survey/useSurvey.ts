import type { BodyOf, SurveyedHole, Visit } from '@eclat/contract';
import { holesOf, parseHoleKey, type Hole, type Plate } from '@eclat/core/movement';
import { bushedHoles } from '@eclat/core/pivots';
import { held } from '@eclat/core/rules';
import { counted } from '@eclat/core/units';
import { useCallback, useMemo, useState } from 'react';
import { say, useAppState } from '../../data/app-state.ts';
import { api } from '../../data/api.ts';
import { useCommand } from '../../data/useCommand.ts';
import { useTakeOut } from '../../data/useTakeOut.ts';
import { holeNames } from './hole-names.ts';
import { typedOf, type Looking } from './play.ts';

export type Typed = Readonly<Record<string, string>>;
export type HoleBody = BodyOf<typeof api.survey.setHole>;

/** What is the same for the next hole: the plate and the gap. */
const carriedOn = (typed: Typed): Typed =>
  Object.fromEntries(['plateMm', 'gapMm', 'atMm'].flatMap((k) => (typed[k] ? [[k, typed[k]]] : [])));

export const LABELS: Record<string, string> = {
  pivotMm: 'Pivot',
  size: 'Size',
  verdict: 'Verdict',
  note: 'Note',
  endShakeMm: 'End shake',
  past: 'The hole',
};

/**
 * Where the survey stands, and the way from hole to hole. A hole is sent and the next one is open in the same moment,
 * so that a caliper never waits; what was typed for a hole is kept until the server has taken it.
 */
export function useSurvey(visit: Visit) {
  const all = useMemo(() => holesOf(visit.movement.traits), [visit.movement.traits]);
  const measured = new Map(visit.holes.map((h) => [h.key, h]));
  const bushed = bushedHoles(visit.bushes);
  const firstOpen = all.find((h) => !measured.has(h.key)) ?? all[0];
  const [chosen, setChosen] = useState<string | null>(firstOpen?.key ?? null);
  const [sent, setSent] = useState<ReadonlyMap<string, Typed>>(new Map());
  const [carried, setCarried] = useState<Typed>({});
  const [looking, setLooking] = useState<Looking>({
    way: held('survey-method', visit.rules.held).id,
    kind: 'hole',
  });
  // The field of the next hole takes the focus after a hole was kept, not when one is merely looked at.
  const [follow, setFollow] = useState(false);
  const choose = useCallback((key: string) => {
    setFollow(false);
    setChosen(key);
  }, []);
  const taken = (key: string) => setSent((s) => new Map([...s].filter(([k]) => k !== key)));
  const set = useCommand(api.survey.setHole, {
    what: 'Hole',
    labels: LABELS,
    onDone: (h, _sent, undo) => {
      taken(h.key);
      say(`${h.key.replace('.', ' ')}: ${h.verdict}.`, 'good', undo);
    },
  });

  const remove = useTakeOut(api.survey.removeHole, 'Verdict');
  const clear = ({ key }: Pick<SurveyedHole, 'key'>) => remove({ params: { visitId: visit.id, hole: key } });
  const rest = useRest(visit.id);
  useUndone(setChosen);
  const isOpen = (key: string) => !measured.has(key) && !sent.has(key);
  const restSound = (holes: string[]) => {
    setFollow(false);
    setChosen((now) => all.find((h) => isOpen(h.key) && !holes.includes(h.key))?.key ?? now);
    rest(holes, looking.way);
  };
  return {
    all,
    measured,
    nameOf: holeNames(all),
    isOpen,
    /** Each of these, by feel, in one press. */
    restSound,
    left: all.length - measured.size,
    toBush: (plate: Plate) =>
      visit.holes.filter((h) => h.verdict === 'bush' && parseHoleKey(h.key)?.plate === plate).length,
    stateOf: (key: string) =>
      bushed.has(key) ? ('bushed' as const) : (measured.get(key)?.verdict ?? ('not looked at' as const)),
    chosen,
    choose,
    follow,
    looking,
    setLooking,
    /** What stands in a hole's fields: what was sent and not taken, or was measured; else what is carried on. */
    typedBefore: (key: string): Typed => sent.get(key) ?? { ...carried, ...typedOf(measured.get(key)) },
    clear,
    /** The field of the next hole takes the focus, unless nothing is measured: then its word is one key. */
    keep: (key: string, body: HoleBody, typed: Typed, byFeel: boolean) => {
      setSent((s) => new Map(s).set(key, typed));
      setCarried(carriedOn(typed));
      setFollow(!byFeel);
      setChosen(after(all, key, isOpen));
      set.mutate({ params: { visitId: visit.id, hole: key }, body });
    },
  };
}
export type Survey = ReturnType<typeof useSurvey>;

/** The next hole in working order that has no verdict, from the first again behind the last. */
function after(all: readonly Hole[], key: string, isOpen: (key: string) => boolean): string {
  const at = all.findIndex((h) => h.key === key);
  const rest = [...all.slice(at + 1), ...all.slice(0, at)];
  return (rest.find((h) => isOpen(h.key)) ?? all[at + 1] ?? all[0])!.key;
}

/** A slip of the finger was taken back: its hole is in hand again. */
function useUndone(choose: (key: string) => void): void {
  const undone = useAppState((s) => s.undone);
  const [seen, setSeen] = useState(undone);
  if (undone === seen) return;
  setSeen(undone);
  const [first] = (undone?.body?.['holes'] ?? []) as string[];
  const key = undone?.params['hole'] ?? first;
  if (key !== undefined && undone?.route.startsWith('survey.')) choose(key);
}

/** The rest of a train by feel, in one press. */
function useRest(visitId: string) {
  const params = { visitId };
  const set = useCommand(api.survey.setRestSound, {
    what: 'Verdicts',
    onDone: ({ holes }, _sent, undo) => say(`${counted(holes.length, 'hole')} sound.`, 'good', undo),
  });
  return (holes: string[], way: Looking['way']) => set.mutate({ params, body: { holes, way } });
}
