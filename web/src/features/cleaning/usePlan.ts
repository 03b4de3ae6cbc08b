import { api } from '../../data/api.ts';
import {
  basketOpens,
  halfOf,
  isWhole,
  keptDry,
  mayWarm,
  likelyMaterials,
  planRun,
  planSequence,
  ownSteps,
  planWipe,
  sequenceFound,
  sequencesFor,
  stepsOf,
  usualParts,
  type BasketPart,
  type Bath,
  type Half,
  type RunStep,
} from '@eclat/core/cleaning';
import type { Traits } from '@eclat/core/movement';
import { bathMinutes, held, type Choices, type SchoolId } from '@eclat/core/rules';
import { useState } from 'react';
import { useOwnSequences } from '../../data/queries.ts';
import { useCommand } from '../../data/useCommand.ts';
import { useKept } from '../../data/useDraft.ts';
import { say } from '../../data/app-state.ts';
import { onToTheNext } from '../../ui/finger.ts';
import { useHeldUp } from '../power-down/useHeldUp.ts';
import { useThisVisit } from '../visit/useThisVisit.ts';
import { useTubs } from './useTubs.ts';

/** The bath of the house rule, as the tables call it. */
export const RULE_BATHS: Record<SchoolId<'bath'>, Bath> = {
  ammoniated: 'ammoniated water',
  detergent: 'detergent',
  solvent: 'petroleum solvent',
};

/** The sequence that is offered first: the light one, in place where the rule is to dip, or one with the ruled bath. */
export function firstSequence(sequences: ReturnType<typeof sequencesFor>, light: boolean, choices: Choices): string {
  if (light) return 'light';
  if (held('strip', choices).id === 'dip' && sequences.some((s) => s.id === 'in-place')) return 'in-place';
  const ruled = RULE_BATHS[held('bath', choices).id];
  return (sequences.find((s) => s.baths.includes(ruled) && s.id !== 'light') ?? sequences[0]!).id;
}

/** What a person chooses and types for a run. */
export function usePlanned(light: boolean) {
  const visit = useThisVisit();
  const { traits } = visit.movement;
  const sequences = sequencesFor(traits);
  const own = (useOwnSequences().data ?? []).filter((o) => !o.retired);
  const ruled = RULE_BATHS[held('bath', visit.rules.held).id];
  const bathFor = (id: string): Bath | null => {
    const baths = sequenceFound(id)?.baths ?? [];
    return baths.includes(ruled) ? ruled : (baths[0] ?? null);
  };
  const [wished, setSequence] = useState(() => firstSequence(sequences, light, visit.rules.held));
  const [bathWished, setBath] = useState<Bath | null>(() => bathFor(wished));
  // A bath is being warmed: what is put together now goes into that one.
  const warming = visit.baths.find((b) => b.stoppedAt === null && b.parts.length === 0 && mayWarm(b.steps));
  const [sequence, bath] = warming ? [warming.sequence, warming.bath] : [wished, bathWished];
  const [offered, setOffered] = useState(() => offeredParts(traits, visit.strip.steps));
  const draft = `clean.${visit.id}${light ? '.light' : ''}`;
  const [chosen, setChosen] = useKept<string[]>(`${draft}.parts`, []);
  const [minutes, setMinutes] = useState('');
  const [before, setBefore] = useKept(`${draft}.before`, '');
  const [fillId, setFillId] = useState<string | null | undefined>(undefined);
  const [reason, setReason] = useKept(`${draft}.reason`, '');
  // One half was in: the other one is next.
  const [half, setHalf] = useState<Half>(() => (halfIsLeft(visit.baths) ? 'second half' : 'all of it'));
  const toggle = (name: string) => setChosen((c) => (c.includes(name) ? c.filter((x) => x !== name) : [...c, name]));
  return {
    sequences: [...sequences, ...own],
    warming,
    own: own.find((o) => o.id === sequence),
    bathFor,
    sequence,
    setSequence,
    bath,
    setBath,
    offered,
    setOffered,
    chosen,
    setChosen,
    toggle,
    half,
    setHalf,
    minutes,
    setMinutes,
    before,
    setBefore,
    fillId,
    setFillId,
    reason,
    setReason,
  };
}

/** It begins, or goes into the bath that was warmed; what was chosen for it is chosen no more. */
function useBegun(planned: ReturnType<typeof usePlanned>) {
  const start = useCommand(api.cleaning.start, {
    what: 'Run',
    onSent: () => {
      planned.setHalf(planned.half === 'first half' ? 'second half' : 'all of it');
      planned.setChosen([]);
      planned.setReason('');
      planned.setBefore('');
    },
    onDone: ({ parts, steps }) => {
      say(parts.length === 0 && mayWarm(steps) ? 'The bath is warming.' : 'The run has begun.');
      onToTheNext();
    },
  });
  const fillBasket = useCommand(api.cleaning.setBasket, {
    what: 'Basket',
    labels: { parts: 'In the basket' },
    onSent: () => planned.setChosen([]),
    onDone: () => {
      say('It is in the basket.');
      onToTheNext();
    },
  });
  return { start, fillBasket };
}

/** What was chosen, and what follows from it: steps, limits, what must come out, which tank. */
export function usePlan(light: boolean) {
  const visit = useThisVisit();
  const planned = usePlanned(light);
  const { sequence, own, warming, bath, offered, chosen, half, fillId } = planned;
  const minutes = warming ? String(warming.minutes) : planned.minutes;
  const begun = useBegun(planned);
  const found = sequenceFound(sequence);
  const { baths: may, usual, wipes = false } = found ?? { baths: [] };
  const dips = own ? own.steps.some((s) => s.bath !== null) : may.length > 0;
  const parts = offered.filter((p) => chosen.includes(p.name)).map((p) => (isWhole(p.name) ? halfOf(p, half) : p));
  const ruledMinutes = usual ?? bathMinutes(visit.rules.held);
  const limit = bath === null ? null : planRun(parts, bath).limitMin;
  const wanted = minutes.trim() === '' ? Math.min(ruledMinutes, limit ?? ruledMinutes) : Number(minutes);
  const whole = Number.isInteger(wanted) && wanted >= 1 && wanted <= 1440;
  const opens = basketOpens(parts, visit.strip.steps);
  const held = useHeldUp(dips ? opens : 'hands and dial').length > 0;
  const stepsFor = (basket: readonly BasketPart[]): RunStep[] => {
    if (own) return ownSteps(own.steps, basket);
    const given = { bath, minutes: whole ? wanted : 1, parts: basket, choices: visit.rules.held };
    return found ? stepsOf(found.id, given) : [];
  };
  const planFor = (basket: readonly BasketPart[]) => {
    const plan = planSequence(stepsFor(basket), basket);
    if (wipes) plan.forbidden.push(...planWipe(basket));
    return plan;
  };
  const [steps, plan] = [stepsFor(parts), planFor(parts)];
  const dry = keptDry(
    parts,
    steps.flatMap((s) => (s.bath ? [s.bath] : [])),
    visit.rules.held,
  );
  const stopped = plan.forbidden.length > 0 || plan.tooLong !== null;
  const tubs = useTubs({ own: own !== undefined, may, steps, bath, fillId });
  return {
    ...planned,
    visit,
    ...begun,
    may,
    dips,
    wipes,
    /** It may not go into one of its baths, or be wiped. */
    bars: (part: BasketPart) => planFor([part]).forbidden.length > 0,
    /** It is said what of the movement it is done to. */
    picks: dips || wipes,
    parts,
    opens,
    held,
    wanted,
    whole,
    steps,
    plan,
    dry,
    stopped,
    ...tubs,
  };
}

/** The usual parts of such a movement, and what the strip log says is off and can be read for its material. */
export function offeredParts(traits: Traits, log: readonly { what: string; fate: string }[]): BasketPart[] {
  const usual = usualParts(traits);
  const named = log
    .filter((s) => s.fate === 'apart' && !usual.some((p) => p.name === s.what))
    .flatMap((s) => {
      const materials = likelyMaterials(s.what, traits);
      return materials ? [{ name: s.what, materials }] : [];
    });
  return [...usual, ...named.filter((p, i) => named.findIndex((q) => q.name === p.name) === i)];
}

const halfIsLeft = (runs: readonly { parts: readonly BasketPart[] }[]): boolean => {
  const last = runs.findLast((r) => r.parts.some((p) => isWhole(p.name)));
  return last?.parts.some((p) => p.name.endsWith('first half')) ?? false;
};
