import {
  AS_USUAL,
  holesOf,
  pairsOf,
  trainsFromRight,
  type ArborClass,
  type Arrangement,
  type Hole,
  type Plate,
  type Train,
  type Traits,
  trainName,
} from '@eclat/core/movement';

export const PLATE = { width: 300, height: 380 } as const;
const FOOT = PLATE.height - 48;
const TALL = PLATE.height - 84;

/** Radius of the wheel behind an arbor, as drawn: a sketch of the train, not to scale. */
export const WHEEL_RADIUS: Record<ArborClass, number> = {
  barrel: 46,
  train: 33,
  'late train': 25,
  escape: 21,
  pallet: 12,
  fly: 13,
  lever: 11,
  balance: 28,
};

export interface PlacedHole extends Hole {
  x: number;
  y: number;
}
export interface PlacedPlate {
  holes: PlacedHole[];
  /** Units of the drawing for a millimetre, where a whole train is measured. */
  unitsAMm: number | null;
  /** What the trains are called that are drawn to that scale. */
  toScale: string[];
}

const measured = (train: Train, { centresMm }: Arrangement): number[] | null => {
  const all = pairsOf(train).map((p) => centresMm[p.key]);
  return all.length > 0 && all.every((mm) => mm !== undefined) ? all : null;
};

/**
 * Where each hole stands on a drawn plate: barrels at the foot, the fast end at the top, one column a train, the arbors
 * stepping from side to side. A train whose centre distances are all measured is drawn to scale; the others are a
 * sketch. The back plate is the front one mirrored, as the plates really are.
 */
export function placeHoles(traits: Traits, plate: Plate, arrangement: Arrangement = AS_USUAL): PlacedPlate {
  const trains = trainsFromRight(traits, arrangement);
  const share = PLATE.width / trains.length;
  const sums = trains.flatMap((t) => {
    const all = measured(t, arrangement);
    return all ? [all.reduce((a, b) => a + b, 0)] : [];
  });
  // The longest train fills the height.
  const unitsAMm = sums.length > 0 ? TALL / Math.max(...sums) : null;
  const holes = trains.flatMap((train, column) => {
    // Going on the right of the front plate, the strike on its left, unless these are said to lie otherwise.
    const middle = PLATE.width - share * (column + 0.5);
    const sideways = Math.min(24, share / 5);
    const known = measured(train, arrangement);
    let y = FOOT;
    let x = middle;
    return train.arbors.flatMap((arbor, row) => {
      if (row > 0) {
        const next = middle + sideways * (row % 2 === 0 ? -1 : 1);
        if (known && unitsAMm) {
          const far = known[row - 1]! * unitsAMm;
          const across = Math.max(-0.8 * far, Math.min(0.8 * far, next - x));
          x += across;
          y -= Math.sqrt(far ** 2 - across ** 2);
        } else {
          x = next;
          y = FOOT - (row * TALL) / Math.max(1, train.arbors.length - 1);
        }
      }
      return holesOf(traits)
        .filter((h) => h.plate === plate && h.arbor.id === arbor.id)
        .map((hole) => ({ ...hole, x: plate === 'front' ? x : PLATE.width - x, y }));
    });
  });
  return { holes, unitsAMm, toScale: trains.filter((t) => measured(t, arrangement)).map(trainName) };
}

const WAYS: Readonly<Record<string, readonly [number, number]>> = {
  ArrowRight: [1, 0],
  ArrowLeft: [-1, 0],
  ArrowDown: [0, 1],
  ArrowUp: [0, -1],
};

/**
 * The hole that an arrow key leads to: the nearest one within a right angle around its direction.
 * @returns null where there is none that way, or for another key
 */
export function nextHole(
  holes: readonly { key: string; x: number; y: number }[],
  from: string,
  arrow: string,
): string | null {
  const at = holes.find((h) => h.key === from);
  const [dx, dy] = WAYS[arrow] ?? [0, 0];
  if (!at) return null;
  const ahead = holes
    .map((h) => {
      const [x, y] = [h.x - at.x, h.y - at.y];
      return { key: h.key, along: x * dx + y * dy, across: Math.abs(x * dy) + Math.abs(y * dx) };
    })
    .filter((h) => h.along > 0 && h.across <= h.along)
    .toSorted((a, b) => a.along + a.across - (b.along + b.across));
  return ahead[0]?.key ?? null;
}
