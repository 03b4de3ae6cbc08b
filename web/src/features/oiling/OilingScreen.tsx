import { Fold } from '../../ui/Fold.tsx';
import { Differs } from './Differs.tsx';
import { OnThePlates } from './OnThePlates.tsx';
import { OilPointRow } from './OilPointRow.tsx';
import { type Hand, EMPTY, lastUsed, InHandPanel } from './InHandPanel.tsx';
import { holesOf, type Hole } from '@eclat/core/movement';
import { oilChart, pointOfPivot, type OilPoint } from '@eclat/core/oiling';
import { useState } from 'react';
import { api } from '../../data/api.ts';
import { useCommand } from '../../data/useCommand.ts';
import { Answer } from '../../ui/Answer.tsx';
import { GoneHere } from '../visit/GoneHere.tsx';
import { StageFoot } from '../visit/StageFoot.tsx';
import { useThisVisit } from '../visit/useThisVisit.ts';

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
  const remove = useCommand(api.oiling.removePoint, { what: 'Oil' });
  const left = chart.filter((p) => !ticked.has(p.id));
  const dry = chart.filter((p) => p.grade === 'none').length;
  const grades = [...new Set(chart.map((p) => p.grade))].filter((g) => g !== 'none');
  const params = (point: string) => ({ visitId: visit.id, point });
  const used = (p: OilPoint) => (p.grade === 'none' ? EMPTY : (hand[p.grade] ?? EMPTY));
  const press = (p: OilPoint) =>
    ticked.has(p.id)
      ? remove.mutate({ params: params(p.id) })
      : tick.mutate({ params: params(p.id), body: { ...used(p), dry: false, differs: '' } });
  const holes = new Map<string, Hole>(holesOf(traits).map((h) => [h.key, h]));
  const pointAt = (key: string) => {
    const { arbor, train } = holes.get(key)!;
    return pointOfPivot(chart, arbor.class, train.purpose);
  };
  const shown = chosen ? pointAt(chosen) : null;
  const row = (p: OilPoint) => (
    <OilPointRow
      key={p.id}
      point={p}
      on={ticked.get(p.id)}
      chosen={p === shown}
      onPress={() => press(p)}
      onDiffers={() => setDiffering(p)}
    />
  );
  return (
    <>
      <Answer
        tone={left.length === 0 ? 'good' : 'info'}
        title={
          left.length === 0 ? 'Every point is oiled or left dry' : `${left.length} of ${chart.length} points to go`
        }
      >
        A drop too much creeps away and takes the rest with it. {dry} points stay dry, and are ticked too.
      </Answer>
      {!visit.closedAt && grades.length > 0 && <InHandPanel grades={grades} hand={hand} onChange={setHand} />}
      {left.length > 0 && <ul className="grid items-start gap-2 lg:grid-cols-2">{left.map(row)}</ul>}
      {ticked.size > 0 && (
        <Fold name="done" title={`${chart.length - left.length} done`}>
          <ul className="grid items-start gap-2 lg:grid-cols-2">{chart.filter((p) => ticked.has(p.id)).map(row)}</ul>
        </Fold>
      )}
      <OnThePlates shown={shown} ticked={ticked} chosen={chosen} setChosen={setChosen} pointAt={pointAt} />
      {differing && (
        <Differs
          key={differing.id}
          point={differing}
          on={ticked.get(differing.id)}
          onClose={() => setDiffering(null)}
          onKeep={(differs, dry) => {
            const on = ticked.get(differing.id);
            const withWhat = on ? { product: on.product, batch: on.batch, stockId: on.stockId } : used(differing);
            tick.mutate({ params: params(differing.id), body: { ...(dry ? EMPTY : withWhat), dry, differs } });
            setDiffering(null);
          }}
        />
      )}
      <GoneHere stage="oil" />
      <StageFoot stage="oil" />
    </>
  );
}
