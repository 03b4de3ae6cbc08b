import { kindOf, largest, SIZES, type KindId, type SizeId, type Sizes } from './kinds.ts';

/** One row of the stores. */
export interface Item {
  kind: KindId;
  name: string;
  sizes: Sizes;
  /** Reorder below this. */
  minimum: number;
  /** Decimal text in the shop's currency; empty: not known. */
  price: string;
  supplier: string;
  /** What the supplier calls it. */
  supplierNo: string;
  shelf: string;
  /** Of a product: so that all that had it can be found later. */
  batch: string;
  note: string;
}

/** Two rows with the same are one thing: its kind, its name and its sizes. */
export const identityOf = ({ kind, name, sizes }: Pick<Item, 'kind' | 'name' | 'sizes'>): string =>
  [
    kind,
    name.trim().toLowerCase().replace(/\s+/g, ' '),
    ...kindOf(kind).sizes.map((s) => `${s}=${sizes[s] ?? ''}`),
  ].join('|');

/** What is wrong with the sizes of a thing, by size. */
export function sizeProblems(kind: KindId, sizes: Sizes): { size: SizeId; message: string }[] {
  const wrong = (Object.entries(sizes) as [SizeId, number][]).flatMap(([size, value]) => {
    if (!kindOf(kind).sizes.includes(size))
      return [{ size, message: `${kindOf(kind).name}: ${SIZES[size].toLowerCase()} is not measured of it.` }];
    return value > 0 && value <= largest(size)
      ? []
      : [{ size, message: `${SIZES[size]}: more than 0, at most ${largest(size)}.` }];
  });
  const { bore_mm: bore, outside_mm: outside } = sizes;
  if (kind === 'bush' && wrong.length === 0 && bore !== undefined && outside !== undefined && outside <= bore)
    wrong.push({ size: 'outside_mm', message: 'The outside must be more than the bore.' });
  return wrong;
}

/** Bushes that lie there, as the choice of a bush asks for them: each with the row it is taken from. */
export const bushesIn = (
  items: readonly { id: string; kind: KindId; sizes: Sizes; onHand: number; kept: boolean; shelf: string }[],
): { stockId: string; boreMm: number; outsideMm: number; heightMm: number; onHand: number; shelf: string }[] =>
  items.flatMap(({ id, kind, kept, onHand, shelf, sizes: { bore_mm, outside_mm, height_mm } }) =>
    kind === 'bush' && kept && onHand > 0 && bore_mm && outside_mm && height_mm
      ? [{ stockId: id, boreMm: bore_mm, outsideMm: outside_mm, heightMm: height_mm, onHand, shelf }]
      : [],
  );

/** How many lie there: what came in less what was used. Below nothing, the count was wrong before. */
export const onHand = (moves: readonly { change: number }[]): number => moves.reduce((sum, m) => sum + m.change, 0);
/** It wants ordering: below its minimum, and what is on its way does not lift it there. */
export const isLow = (item: { minimum: number; onHand: number; onOrder: number }): boolean =>
  item.onHand + item.onOrder < item.minimum;
