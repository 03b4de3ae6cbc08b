import { type Kind, PART_KINDS, type PartKind } from './parts.data.ts';
import {
  has,
  holesOf,
  isSpring,
  isWeight,
  pairsOf,
  sourceName,
  sourceOf,
  trainName,
  trainsOf,
  type ArborClass,
  type PowerSource,
  type Pair,
  type Traits,
  parseHoleKey,
} from '../movement/index.ts';
import { held, type Choices } from '../rules/index.ts';

export interface SurveyedPart {
  /** `pivot.T2.front`, `click.going`, `pallets`: stable within the movement. */
  key: string;
  kind: PartKind;
  name: string;
}

const PIVOT = 'pivot.';
/** The key of the pivot that turns in a hole. */
export const pivotKey = (hole: string): string => PIVOT + hole;
/** The key of that pivot's polish, which comes before its size and play are judged. */
export const polishKey = (hole: string): string => `polish.${hole}`;
/** The key of an arbor's end shake, as it was felt. */
export const shakeKey = (arborId: string): string => `shake.${arborId}`;
/** The hole that the pivot of this key turns in; null for another part. */
export const holeOfPivot = (part: string): string | null => (part.startsWith(PIVOT) ? part.slice(PIVOT.length) : null);

/** Pairs of which a hole was bushed: their depth is felt again. Pallets and beyond mesh with no leaves. */
export function pairsTouched(traits: Traits, bushed: ReadonlySet<string>): SurveyedPart[] {
  const arbors = new Set([...bushed].flatMap((hole) => parseHoleKey(hole)?.arborId ?? []));
  return traits.trains.flatMap((t) =>
    pairsOf(t)
      .filter((p) => MESHES(p.to.class) && (arbors.has(p.from.id) || arbors.has(p.to.id)))
      .map(depthOf),
  );
}
const MESHES = (to: ArborClass): boolean => to !== 'pallet' && to !== 'lever' && to !== 'balance';
const depthOf = (p: Pair): SurveyedPart => ({
  key: `depth.${p.key}`,
  kind: 'depth',
  name: `${p.from.id} ${p.from.name} with ${p.to.id} ${p.to.name}`,
});

const ofSource = (traits: Traits, source: PowerSource): SurveyedPart[] => {
  const of = (kind: PartKind): SurveyedPart => ({
    key: `${kind}.${source.id}`,
    kind,
    name: `${sourceName(traits, source)} ${PART_KINDS[kind].name}`,
  });
  const { kind } = source;
  const pulls = isWeight(kind) || (kind === 'fusee spring' && has(traits, 'fusee chain'));
  return [
    ...(isSpring(kind) || isWeight(kind) ? [of('click'), of('clickspring')] : []),
    ...(pulls ? [of('chain')] : []),
  ];
};

/**
 * Everything to be looked at beside the holes, in the order of work: each pivot, its polish, the end shake of each
 * arbor, then train by train, then the escapement.
 */
export function partsToSurvey(traits: Traits): SurveyedPart[] {
  const pivots = holesOf(traits).map((h): SurveyedPart => ({
    key: pivotKey(h.key),
    kind: 'pivot',
    name: `${h.arbor.id} ${h.arbor.name}, ${h.plate} pivot`,
  }));
  const polish = holesOf(traits).map((h): SurveyedPart => ({
    key: polishKey(h.key),
    kind: 'polish',
    name: `${h.arbor.id} ${h.arbor.name}, ${h.plate} pivot, polish`,
  }));
  const shakes = [...new Map(holesOf(traits).map((h) => [h.arbor.id, h.arbor])).values()].map((a): SurveyedPart => ({
    key: shakeKey(a.id),
    kind: 'shake',
    name: `${a.id} ${a.name}, end shake`,
  }));
  const depths = traits.trains.flatMap((t) =>
    pairsOf(t)
      .filter((p) => MESHES(p.to.class))
      .map(depthOf),
  );
  return [
    ...pivots,
    ...polish,
    ...shakes,
    ...depths,
    ...traits.trains.flatMap((t) => {
      const of = (kind: PartKind): SurveyedPart => ({
        key: `${kind}.${t.id}`,
        kind,
        name: `${trainName(t)} ${PART_KINDS[kind].name}`,
      });
      const strikes = t.purpose === 'strike' || t.purpose === 'chime' || t.purpose === 'music';
      // A source that drives several trains is looked at with the first of them.
      const source = sourceOf(traits, t);
      const first = source !== undefined && trainsOf(traits, source)[0] === t;
      return [
        t.arbors.length > 1 && of('teeth'),
        t.arbors.length > 1 && has(traits, 'lantern pinions') && of('trundles'),
        ...(first ? ofSource(traits, source) : []),
        strikes && of('pins'),
        strikes && of('levers'),
        t.arbors.some((a) => a.class === 'fly') && of('fly'),
      ].filter((x): x is SurveyedPart => x !== false);
    }),
    ...(
      [
        !['none', 'cylinder'].includes(traits.escapement) && 'pallets',
        traits.escapement === 'cylinder' && 'cylinder',
        has(traits, 'crutch') && 'crutch',
        has(traits, 'suspension spring') && 'suspension',
        traits.oscillator === 'balance' && 'balance',
      ] as const
    )
      .filter((k): k is 'pallets' => k !== false)
      .map((kind): SurveyedPart => ({ key: kind, kind, name: PART_KINDS[kind].name })),
  ];
}

/** What is felt at the holes and between them has its place there, not among the other parts. */
export const isBesideHoles = ({ kind }: SurveyedPart): boolean => !['pivot', 'polish', 'shake', 'depth'].includes(kind);

/** May it be found so? */
export const partCanBe = (kind: PartKind, state: string): boolean => PART_KINDS[kind].states.some(([s]) => s === state);
/** The work that a state asks for; empty: none. Half-worn pins and trundles stay where the house rule leaves them. */
export function partAsks(kind: PartKind, state: string, choices: Choices = {}): string {
  const left =
    held('worn-pins', choices).id === 'leave' &&
    ((kind === 'trundles' && state === 'grooved') || (kind === 'pins' && state === 'worn'));
  return left ? '' : ((PART_KINDS[kind].states as Kind['states']).find(([s]) => s === state)?.[1] ?? '');
}

/** A pivot that was turned down needs its bush: the one forces the other. The size it has now, or null. */
export const turnedDownMm = (parts: readonly { key: string; toMm: number | null }[], hole: string): number | null =>
  parts.find((p) => p.key === pivotKey(hole))?.toMm ?? null;

/** What is wrong with a turning down: larger than it was, or thinned by more than a third. House rule, from memory. */
export function turningProblem(fromMm: number | null, toMm: number): string | null {
  if (fromMm === null) return null;
  if (toMm >= fromMm) return `It was ${fromMm} mm: turned down it is less.`;
  return toMm < fromMm * (2 / 3) ? `From ${fromMm} mm that is more than a third off: repivot instead.` : null;
}
