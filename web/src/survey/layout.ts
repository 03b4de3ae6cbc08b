import { holesOf, type ArborClass, type Hole, type Plate, type Traits } from '@eclat/core/movement';

export const PLATE = { width: 300, height: 380 } as const;

/** Radius of the wheel behind an arbor, as drawn: a sketch of the train, not to scale. */
export const WHEEL_RADIUS: Record<ArborClass, number> = { barrel: 46, train: 33, 'late train': 25, escape: 21, pallet: 12, fly: 13, lever: 11, balance: 28 };

export interface PlacedHole extends Hole { x: number; y: number }

/**
 * Where each hole stands on a drawn plate: barrels at the foot, the fast end at the top, one column a train, the arbors
 * stepping from side to side. The back plate is the front one mirrored, as the plates really are.
 */
export function placeHoles(traits: Traits, plate: Plate): PlacedHole[] {
  const columns = traits.trains.length;
  return holesOf(traits).filter((h) => h.plate === plate).map((hole) => {
    const column = traits.trains.findIndex((t) => t.train === hole.train);
    const { arbors } = traits.trains[column]!;
    const row = arbors.findIndex((a) => a.id === hole.arbor.id);
    const share = PLATE.width / columns;
    // Going on the right of the front plate, the strike on its left.
    const middle = PLATE.width - share * (column + 0.5);
    const step = Math.min(24, share / 5) * (row % 2 === 0 ? -1 : 1) * (row === 0 ? 0 : 1);
    const x = middle + step;
    const y = PLATE.height - 48 - (row * (PLATE.height - 84)) / Math.max(1, arbors.length - 1);
    return { ...hole, x: plate === 'front' ? x : PLATE.width - x, y };
  });
}
