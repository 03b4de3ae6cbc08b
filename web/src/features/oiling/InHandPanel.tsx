import { Fold } from '../../ui/Fold.tsx';
import type { StockItem, Visit } from '@eclat/contract';
import type { Grade, OilPoint } from '@eclat/core/oiling';
import { useStores } from '../../data/queries.ts';
import { SelectField, TextField } from '../../ui/Field.tsx';
import { GRADE_NAMES, GradeMark } from './GradeMark.tsx';

export interface InHand {
  stockId: string | null;
  product: string;
  batch: string;
}

export type Hand = Partial<Record<Grade, InHand>>;

export const EMPTY: InHand = { stockId: null, product: '', batch: '' };

/** What was used last for each grade in this visit. */
export const lastUsed = (visit: Visit, chart: readonly OilPoint[]): Hand =>
  Object.fromEntries(
    visit.oiled.flatMap((o) => {
      const p = chart.find((c) => c.id === o.point);
      return p && o.product ? [[p.grade, { stockId: o.stockId, product: o.product, batch: o.batch }]] : [];
    }),
  );

/** Out of the stores, with its batch: so that all that had it can be found later. */
export function InHandPanel({
  grades,
  hand,
  onChange,
}: {
  grades: readonly Grade[];
  hand: Hand;
  onChange: (h: Hand) => void;
}) {
  const { data = [] } = useStores();
  const products = data.filter((i: StockItem) => i.kind === 'product' && i.kept);
  const said = [...new Set(grades.map((g) => hand[g]?.product).filter(Boolean))].join(', ');
  return (
    <Fold title="In hand" says={said} open={grades.some((g) => !hand[g]?.product)}>
      <div className="grid gap-x-6 gap-y-3 xl:grid-cols-2">
        {grades.map((g) => {
          const h = hand[g] ?? EMPTY;
          const set = (part: Partial<InHand>) => onChange({ ...hand, [g]: { ...h, ...part } });
          const stocked = h.stockId !== null || h.product === '';
          return (
            <div key={g} className="flex items-end gap-2">
              <GradeMark grade={g} />
              <SelectField
                className="min-w-0 flex-1"
                label={GRADE_NAMES[g]}
                value={h.stockId ?? (h.product ? 'other' : '')}
                onChange={(e) => {
                  const item = products.find((i) => i.id === e.target.value);
                  set(
                    item
                      ? { stockId: item.id, product: item.name, batch: item.batch }
                      : { stockId: null, product: e.target.value === 'other' ? 'from elsewhere' : '' },
                  );
                }}
              >
                <option value="">not said</option>
                {products.map((i) => (
                  <option key={i.id} value={i.id}>
                    {i.name}
                  </option>
                ))}
                <option value="other">not from the stores</option>
              </SelectField>
              {!stocked && (
                <TextField
                  className="w-36"
                  label="Product"
                  value={h.product}
                  maxLength={80}
                  onChange={(e) => set({ product: e.target.value || ' ' })}
                />
              )}
              <TextField
                className="w-28"
                label="Batch"
                value={h.batch}
                maxLength={40}
                onChange={(e) => set({ batch: e.target.value })}
              />
            </div>
          );
        })}
      </div>
    </Fold>
  );
}
