import type { Fill } from '@eclat/contract';
import { fillPast, type Bath, type RunStep } from '@eclat/core/cleaning';
import { useBaths } from '../../data/queries.ts';
import { useNow } from '../../ui/useNow.ts';

/** A tank or jar of the bath book, or a kind of bath that is in none. */
interface Tub {
  key: string;
  name: string;
  /** Null: the shop's own sequence says it. */
  bath: Bath | null;
  fill: Fill | null;
}

interface Asked {
  /** A sequence of the shop's own, which names its baths. */
  own: boolean;
  /** The baths it may begin in. */
  may: readonly Bath[];
  steps: readonly RunStep[];
  /** What was chosen of them. */
  bath: Bath | null;
  /** The tank that was chosen; null: none of the book; undefined: nobody said. */
  fillId: string | null | undefined;
}

/** What it may go into, and what it goes into unless somebody says otherwise: the tank that holds the main bath. */
export function useTubs({ own, may, steps, bath, fillId }: Asked) {
  const now = useNow(60_000);
  const inUse = useBaths().data?.filter((f) => f.changedAt === null) ?? [];
  const fills = inUse.filter((f) => steps.some((s) => s.bath === f.bath));
  const main = steps.find((s) => s.bath !== null)?.bath;
  const fill = fillId === undefined ? fills.find((f) => f.bath === main) : fills.find((f) => f.id === fillId);
  const tubs = own ? ownTubs(fills) : may.flatMap((b) => tubsOf(b, inUse));
  return {
    tubs,
    tub: tubs.find((t) => t.fill?.id === fill?.id && (t.bath === null || t.bath === bath)),
    fill,
    past: fill ? fillPast(fill, now) : null,
  };
}

const tubOf = (fill: Fill, bath: Bath | null): Tub => ({
  key: fill.id,
  name: `${fill.name}, ${fill.bath}`,
  bath,
  fill,
});

const ownTubs = (fills: readonly Fill[]): Tub[] =>
  fills.length === 0
    ? []
    : [...fills.map((f) => tubOf(f, null)), { key: '', name: 'not in the book', bath: null, fill: null }];

function tubsOf(bath: Bath, inUse: readonly Fill[]): Tub[] {
  const fills = inUse.filter((f) => f.bath === bath);
  const none = { key: bath, name: fills.length > 0 ? `${bath}, not in the book` : bath, bath, fill: null };
  return [...fills.map((f) => tubOf(f, bath)), none];
}
