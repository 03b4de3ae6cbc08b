import type { SurveyedHole } from '@eclat/contract';
import { playFits, waysOf, type HoleMeasure, type HoleSize, type PlayReading, type Way } from '@eclat/core/pivots';
import { lengthMm, PIVOT_RANGE } from '../../ui/LengthField.tsx';

/** How play is being looked at; stays from hole to hole. */
export interface Looking {
  way: Way;
  kind: 'hole' | PlayReading['kind'];
}
export interface PlayField {
  name: string;
  label: string;
  range: readonly [number, number];
  degrees?: boolean;
  optional?: boolean;
}

const PIVOT: PlayField = { name: 'pivotMm', label: 'Pivot', range: PIVOT_RANGE };
export const PLAY_FIELDS: Record<Looking['kind'], readonly PlayField[]> = {
  hole: [
    PIVOT,
    { name: 'holeLongMm', label: 'Long way', range: PIVOT_RANGE },
    { name: 'holeShortMm', label: 'Short way', range: PIVOT_RANGE },
  ],
  lean: [
    PIVOT,
    { name: 'plateMm', label: 'Plate less sinks', range: [0.3, 12] },
    { name: 'leanDeg', label: 'Lean, °', range: [0, 30], degrees: true },
  ],
  play: [
    PIVOT,
    { name: 'gapMm', label: 'Between the plates', range: [3, 300] },
    { name: 'atMm', label: 'Read at, from the far pivot', range: [1, 300] },
    { name: 'playMm', label: 'Sideways play', range: [0, 10] },
    { name: 'farMm', label: 'Far pivot’s clearance', range: [0, 10], optional: true },
  ],
};
export const KINDS = [
  ['hole', 'the hole’s two ways'],
  ['lean', 'lean'],
  ['play', 'sideways play'],
] as const;
export const kindsFor = (way: Way) => KINDS.filter(([k]) => k === 'hole' || playFits(k, way));

const numberOf = (f: PlayField, text: string): number | null => {
  if (!f.degrees) return lengthMm(text, f.range);
  const n = Number(text.replace(',', '.'));
  return text.trim() !== '' && n >= f.range[0] && n <= f.range[1] ? n : null;
};

/** What is typed, as it was told and as the hole that it stands for; null while something is missing. */
export function readPlay(
  kind: Looking['kind'],
  typed: Readonly<Record<string, string>>,
): { measure: HoleMeasure; size: HoleSize } | null {
  const fields = PLAY_FIELDS[kind];
  const n = Object.fromEntries(fields.map((f) => [f.name, numberOf(f, typed[f.name] ?? '')]));
  if (fields.some((f) => n[f.name] === null && !(f.optional && !typed[f.name]?.trim()))) return null;
  const at = (name: string) => n[name]!;
  if (kind === 'play' && at('atMm') > at('gapMm')) return null;
  const sizes: Record<Looking['kind'], () => HoleSize> = {
    hole: () => ({ kind: 'measured', holeLongMm: at('holeLongMm'), holeShortMm: at('holeShortMm') }),
    lean: () => ({ kind: 'lean', leanDeg: at('leanDeg'), plateMm: at('plateMm') }),
    play: () => ({
      kind: 'play',
      playMm: at('playMm'),
      atMm: at('atMm'),
      gapMm: at('gapMm'),
      farMm: n['farMm'] ?? null,
    }),
  };
  const size = sizes[kind]();
  return { measure: { pivotMm: at('pivotMm'), ...waysOf(at('pivotMm'), size) }, size };
}

const text = (n: number | null | undefined) => (n === null || n === undefined ? '' : String(Number(n.toFixed(3))));
/** What stands in the fields when a hole is opened again. */
export const typedOf = (h: SurveyedHole | undefined): Record<string, string> =>
  h
    ? {
        pivotMm: text(h.pivotMm),
        holeLongMm: text(h.holeLongMm),
        holeShortMm: text(h.holeShortMm),
        ...Object.fromEntries(
          Object.entries(h.size).map(([k, v]: [string, string | number | null | undefined]) => [
            k,
            typeof v === 'string' ? v : text(v),
          ]),
        ),
      }
    : {};
