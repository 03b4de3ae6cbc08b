import type { StockItem, Visit } from '@eclat/contract';
import { holesOf, PLATES, type Arbor } from '@eclat/core/movement';
import { oilChart, pointOfPivot, type Grade, type OilPoint } from '@eclat/core/oiling';
import clsx from 'clsx';
import { Check, PenLine } from 'lucide-react';
import { useState } from 'react';
import { api } from '../../data/api.ts';
import { useStores } from '../../data/queries.ts';
import { useCommand } from '../../data/useCommand.ts';
import { PlateFigure } from '../survey/PlateFigure.tsx';
import { Answer, Panel } from '../../ui/Answer.tsx';
import { Button } from '../../ui/Button.tsx';
import { SelectField, TextField } from '../../ui/Field.tsx';
import { Sheet } from '../../ui/Sheet.tsx';
import { StageFoot } from '../visit/StageFoot.tsx';
import { useThisVisit } from '../visit/useThisVisit.ts';
import { GRADE_NAMES, GradeMark, GradeShape } from './GradeMark.tsx';

interface InHand {
  stockId: string | null;
  product: string;
  batch: string;
}
type Hand = Partial<Record<Grade, InHand>>;
const EMPTY: InHand = { stockId: null, product: '', batch: '' };

/** What was used last for each grade in this visit. */
const lastUsed = (visit: Visit, chart: readonly OilPoint[]): Hand =>
  Object.fromEntries(
    visit.oiled.flatMap((o) => {
      const p = chart.find((c) => c.id === o.point);
      return p && o.product ? [[p.grade, { stockId: o.stockId, product: o.product, batch: o.batch }]] : [];
    }),
  );

/** The right thing at the right points, little of it, and nothing where it must stay dry. */
export function OilingScreen() {
  const visit = useThisVisit();
  const { traits } = visit.movement;
  const chart = oilChart(traits, visit.rules.held);
  const [hand, setHand] = useState<Hand>(() => lastUsed(visit, chart));
  const [chosen, setChosen] = useState<string | null>(null);
  const [differing, setDiffering] = useState<OilPoint | null>(null);
  const ticked = new Map(visit.oiled.map((o) => [o.point, o]));
  const tick = useCommand(api.oiling.setPoint, { what: 'Oil' });
  const untick = useCommand(api.oiling.removePoint, { what: 'Oil' });
  const left = chart.filter((p) => !ticked.has(p.id));
  const dry = chart.filter((p) => p.grade === 'none').length;
  const grades = [...new Set(chart.map((p) => p.grade))].filter((g) => g !== 'none');
  const params = (point: string) => ({ visitId: visit.id, point });
  const used = (p: OilPoint) => (p.grade === 'none' ? EMPTY : (hand[p.grade] ?? EMPTY));
  const press = (p: OilPoint) =>
    ticked.has(p.id)
      ? untick.mutate({ params: params(p.id) })
      : tick.mutate({ params: params(p.id), body: { ...used(p), differs: '' } });
  const arbors = new Map<string, Arbor>(holesOf(traits).map((h) => [h.key, h.arbor]));
  const pointAt = (key: string) => pointOfPivot(chart, arbors.get(key)!.class);
  const shown = chosen ? pointAt(chosen) : null;
  return (
    <>
      <Answer
        tone={left.length === 0 ? 'good' : 'info'}
        title={
          left.length === 0 ? 'Every point is oiled or left dry' : `${left.length} of ${chart.length} points to go`
        }
      >
        Too much is the commoner fault. {dry} points stay dry, and are ticked too.
      </Answer>
      {!visit.closedAt && grades.length > 0 && <InHandPanel grades={grades} hand={hand} onChange={setHand} />}
      <div className="grid items-start gap-5 2xl:grid-cols-[minmax(0,1fr)_34rem]">
        <ul className="grid gap-2 xl:grid-cols-2 2xl:grid-cols-1">
          {chart.map((p) => (
            <OilPointRow
              key={p.id}
              point={p}
              on={ticked.get(p.id)}
              chosen={p === shown}
              onPress={() => press(p)}
              onDiffers={() => setDiffering(p)}
            />
          ))}
        </ul>
        <OnThePlates shown={shown} ticked={ticked} chosen={chosen} setChosen={setChosen} pointAt={pointAt} />
      </div>
      {differing && (
        <Differs
          key={differing.id}
          point={differing}
          value={ticked.get(differing.id)?.differs ?? ''}
          onClose={() => setDiffering(null)}
          onKeep={(differs) => {
            const on = ticked.get(differing.id);
            tick.mutate({
              params: params(differing.id),
              body: {
                ...(on ? { product: on.product, batch: on.batch, stockId: on.stockId } : used(differing)),
                differs,
              },
            });
            setDiffering(null);
          }}
        />
      )}
      <StageFoot
        stage="oil"
        ready={left.length === 0}
        why={`${left.length} ${left.length === 1 ? 'point is' : 'points are'} not ticked.`}
      />
    </>
  );
}

type Oiled = Visit['oiled'][number];
const onOf = (on: Oiled | undefined) => (on ? 'border-line bg-sunk' : 'border-line bg-enamel hover:border-steel');

interface OilPointProps {
  point: OilPoint;
  on: Oiled | undefined;
  chosen: boolean;
  onPress: () => void;
  onDiffers: () => void;
}
function OilPointRow({ point: p, on, chosen, onPress, onDiffers }: OilPointProps) {
  const visit = useThisVisit();
  return (
    <li className={clsx('flex items-stretch rounded-xl border-2', chosen ? 'border-steel bg-steel-wash' : onOf(on))}>
      <button
        type="button"
        role="checkbox"
        aria-checked={Boolean(on)}
        disabled={visit.closedAt !== null}
        onClick={onPress}
        className="flex min-h-16 min-w-0 flex-1 items-center gap-4 px-4 py-2 text-left"
      >
        <GradeMark grade={p.grade} />
        <span className="min-w-0 flex-1">
          <span className="block text-lg leading-tight font-semibold">{p.where}</span>
          <span className="block text-soft">
            <b className={p.grade === 'none' ? 'text-danger' : 'text-steel'}>{GRADE_NAMES[p.grade]}</b>, {p.amount}
            {on && (
              <>
                . {on.by}
                {on.product && `, ${on.product}`}
                {on.batch && `, batch ${on.batch}`}
              </>
            )}
          </span>
          {on?.differs && <span className="block font-semibold text-brass">Otherwise here: {on.differs}</span>}
        </span>
        <span
          className={`grid size-9 shrink-0 place-items-center rounded-lg border-2 ${on ? 'border-steel bg-steel text-steel-ink' : 'border-line'}`}
        >
          {on && <Check className="size-6" aria-hidden />}
        </span>
      </button>
      {!visit.closedAt && (
        <button
          type="button"
          aria-label={`Otherwise than the chart: ${p.where}`}
          title="Otherwise than the chart"
          className="grid w-12 place-items-center rounded-r-xl border-l border-line text-soft hover:bg-steel-wash"
          onClick={onDiffers}
        >
          <PenLine className="size-5" aria-hidden />
        </button>
      )}
    </li>
  );
}

function OnThePlates({
  shown,
  ticked,
  chosen,
  setChosen,
  pointAt,
}: {
  shown: OilPoint | null;
  ticked: Map<
    string,
    { product: string; batch: string; stockId: string | null; differs: string; by: string; at: string; point: string }
  >;
  chosen: string | null;
  setChosen: (next: string | null) => void;
  pointAt: (key: string) => OilPoint | null;
}) {
  const visit = useThisVisit();
  const { traits, plates } = visit.movement;
  return (
    <Panel title="On the plates">
      <p className="mb-3 min-h-14" aria-live="polite">
        {shown ? (
          <>
            <b>{shown.where}:</b> {GRADE_NAMES[shown.grade].toLowerCase()}, {shown.amount}
            {ticked.has(shown.id) ? '; ticked' : ''}.
          </>
        ) : (
          'Press a hole to see its point. A filled ring is ticked.'
        )}
      </p>
      <div className="grid gap-4 sm:grid-cols-2">
        {PLATES.map((plate) => (
          <PlateFigure
            key={plate}
            traits={traits}
            plate={plate}
            arrangement={plates}
            stateOf={() => 'not looked at'}
            chosen={chosen}
            onChoose={setChosen}
            markOf={(key) => {
              const p = pointAt(key);
              return p
                ? {
                    mark: <GradeShape grade={p.grade} done={ticked.has(p.id)} />,
                    says: `${GRADE_NAMES[p.grade].toLowerCase()}, ${ticked.has(p.id) ? 'ticked' : 'to do'}`,
                  }
                : { mark: null, says: 'no point' };
            }}
          />
        ))}
      </div>
    </Panel>
  );
}

/** Out of the stores, with its batch: so that all that had it can be found later. */
function InHandPanel({
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
  return (
    <Panel title="In hand">
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
    </Panel>
  );
}

function Differs({
  point,
  value,
  onClose,
  onKeep,
}: {
  point: OilPoint;
  value: string;
  onClose: () => void;
  onKeep: (differs: string) => void;
}) {
  const [differs, setDiffers] = useState(value);
  return (
    <Sheet
      open
      onClose={onClose}
      title={`Otherwise than the chart: ${point.where}`}
      description={`The house rule says ${GRADE_NAMES[point.grade].toLowerCase()}, ${point.amount}. What was done instead, and why, is kept with the point.`}
    >
      <form
        className="flex flex-col gap-4"
        onSubmit={(e) => {
          e.preventDefault();
          onKeep(differs.trim());
        }}
      >
        <TextField
          label="What, and why"
          autoFocus
          value={differs}
          maxLength={200}
          onChange={(e) => setDiffers(e.target.value)}
        />
        <div className="flex gap-3">
          <Button type="submit" variant="main" disabled={differs.trim() === '' && value === ''}>
            Keep and tick it
          </Button>
          <Button onClick={onClose}>Close</Button>
        </div>
      </form>
    </Sheet>
  );
}
