import { ensure, Outside } from '../units/index.ts';
import type { Mesh } from './beats.ts';
import { moduleOfCentres, moduleOfPinion, moduleOfWheel } from './gear.ts';

export interface Search {
  /** What the unknown meshes must multiply to. */
  ratio: number;
  /** Largest departure allowed, as a share of the ratio. */
  tolerance: number;
  /** How many meshes are unknown. */
  unknown: 1 | 2;
  wheels: readonly [fewest: number, most: number];
  pinions: readonly [fewest: number, most: number];
  /** A count that is known in the first of them. */
  wheel?: number | undefined;
  pinion?: number | undefined;
  /** What can still be measured of the first of them, mm. */
  wheelMm?: number | undefined;
  pinionMm?: number | undefined;
  centresMm?: number | undefined;
}

export interface Found {
  meshes: Mesh[];
  /** Departure from the ratio as a share of it. */
  off: number;
  /** Lower is more usual. */
  strangeness: number;
  /**
   * How far the measured diameters disagree among themselves on the module, as a share; null when nothing can be
   * compared.
   */
  misfit: number | null;
}

/** More counts than this may not be searched: a person could not look them through, and a browser would stall. */
export const MOST_TEETH = 400;
const MOST_FOUND = 300;
/** Pairs of wheel and pinion that a search over two unknown meshes tries; their products are the square of it. */
const MOST_PAIRS = 4000;

/** How unusual a count is. From memory of clock trains: small even pinions, even wheels, ratios of six to ten. */
const PINION_STRANGENESS: Record<number, number> = { 6: 1, 7: 0.5, 8: 0, 9: 3, 10: 0.5, 12: 0.5, 14: 2, 16: 2 };
function strangenessOf({ wheel, pinion }: Mesh): number {
  const ratio = wheel / pinion;
  const strained = Math.max(5 - ratio, ratio - 12, 0);
  return (
    (PINION_STRANGENESS[pinion] ?? 3) +
    (wheel % 2 === 0 ? 0 : 1.5) +
    (wheel % 12 === 0 || wheel % 10 === 0 ? 0 : 0.5) +
    strained
  );
}

/** Disagreement of the modules that the measured sizes give for this mesh: largest over smallest, less one. */
function misfitOf({ wheel, pinion }: Mesh, s: Search): number | null {
  const modules = [
    s.wheelMm === undefined ? null : moduleOfWheel(s.wheelMm, wheel),
    s.pinionMm === undefined ? null : moduleOfPinion(s.pinionMm, pinion),
    s.centresMm === undefined ? null : moduleOfCentres(s.centresMm, wheel, pinion),
  ].filter((m) => m !== null);
  return modules.length < 2 ? null : Math.max(...modules) / Math.min(...modules) - 1;
}

const byFit = (a: Found, b: Found) => score(a) - score(b) || a.meshes[0]!.wheel - b.meshes[0]!.wheel;
/** Three per cent of misfit weigh as much as an odd wheel on an unusual pinion: makers rounded by about that. */
const score = (f: Found) => f.strangeness + 100 * (f.misfit ?? 0) + 2000 * Math.abs(f.off);

/**
 * Every set of whole counts that gives the ratio within the tolerance, best first, at most 300 of them.
 * Two unknown meshes are found by sorting all single ones and looking each partner up, and are named once (the larger
 * ratio first, as trains are).
 * @throws Outside for an empty or an endless search
 */
export function searchMeshes(s: Search): { found: Found[]; total: number } {
  ensure(s.ratio > 0 && Number.isFinite(s.ratio), 'ratio', 'The ratio must be more than nothing.');
  ensure(s.tolerance >= 0 && s.tolerance <= 0.05, 'tolerance', 'Between 0 and 5 %.');
  for (const [name, [low, high]] of [
    ['wheels', s.wheels],
    ['pinions', s.pinions],
  ] as const) {
    ensure(
      Number.isInteger(low) && Number.isInteger(high) && low >= 3 && high >= low,
      name,
      'From a smaller to a larger whole number, at least 3.',
    );
    if (high > MOST_TEETH) throw new Outside(name, `No search goes beyond ${MOST_TEETH} teeth.`);
  }
  const pairs = (s.wheels[1] - s.wheels[0] + 1) * (s.pinions[1] - s.pinions[0] + 1);
  ensure(
    s.unknown === 1 || pairs <= MOST_PAIRS,
    'wheelsTo',
    `Two unknown meshes: ${pairs} pairs of counts are more than the ${MOST_PAIRS} that a search may ` +
      'try. Narrow wheels or pinions.',
  );
  const singles = meshesIn(s.wheels, s.pinions);
  const first = singles.filter(
    (m) => (s.wheel === undefined || m.wheel === s.wheel) && (s.pinion === undefined || m.pinion === s.pinion),
  );
  const found: Found[] = [];
  const keep = (meshes: Mesh[], ratio: number) =>
    found.push({
      meshes,
      off: ratio / s.ratio - 1,
      strangeness: meshes.reduce((n, m) => n + strangenessOf(m), 0) + apart(meshes),
      misfit: misfitOf(meshes[0]!, s),
    });
  const [low, high] = [s.ratio * (1 - s.tolerance - 1e-12), s.ratio * (1 + s.tolerance + 1e-12)];
  if (s.unknown === 1) {
    for (const m of first) if (m.ratio >= low && m.ratio <= high) keep([m], m.ratio);
  } else {
    const bound =
      s.wheel !== undefined ||
      s.pinion !== undefined ||
      s.wheelMm !== undefined ||
      s.pinionMm !== undefined ||
      s.centresMm !== undefined;
    const rising = [...singles].sort((a, b) => a.ratio - b.ratio);
    for (const m of first)
      for (let i = firstAtLeast(rising, low / m.ratio); i < rising.length && rising[i]!.ratio * m.ratio <= high; i++) {
        const other = rising[i]!;
        if (bound || m.ratio > other.ratio || (m.ratio === other.ratio && m.wheel >= other.wheel))
          keep([m, other], m.ratio * other.ratio);
      }
  }
  return {
    found: found
      .sort(byFit)
      .slice(0, MOST_FOUND)
      .map((f) => ({ ...f, meshes: f.meshes.map(({ wheel, pinion }) => ({ wheel, pinion })) })),
    total: found.length,
  };
}

/** Two meshes of very different ratio are unusual beside each other. */
const apart = ([a, b]: Mesh[]) => (b ? 3 * Math.abs(Math.log((a!.wheel * b.pinion) / (a!.pinion * b.wheel))) : 0);

type Single = Mesh & { ratio: number };
function meshesIn([w0, w1]: readonly [number, number], [p0, p1]: readonly [number, number]): Single[] {
  const all: Single[] = [];
  for (let wheel = w0; wheel <= w1; wheel++)
    for (let pinion = p0; pinion <= p1; pinion++) all.push({ wheel, pinion, ratio: wheel / pinion });
  return all;
}

function firstAtLeast(rising: readonly Single[], ratio: number): number {
  let low = 0,
    high = rising.length;
  while (low < high) {
    const mid = (low + high) >> 1;
    if (rising[mid]!.ratio < ratio) low = mid + 1;
    else high = mid;
  }
  return low;
}
