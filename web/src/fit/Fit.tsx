import { holesOf } from '@eclat/core/movement';
import { Answer, Empty, Panel } from '../ui/Answer.tsx';
import { Cautions } from '../visit/Cautions.tsx';
import { StageFoot } from '../visit/StageFoot.tsx';
import { useThisVisit } from '../visit/thisVisit.ts';
import { BushSheet } from './BushSheet.tsx';
import { PartForm } from './PartForm.tsx';

/** Each worn hole back to its true centre and size; every part that was replaced accounted for. */
export function Component() {
  const visit = useThisVisit();
  const holes = new Map(holesOf(visit.movement.traits).map((h) => [h.key, h]));
  const fitted = new Set(visit.bushes.map((b) => b.hole));
  const wanted = visit.holes.filter((h) => h.verdict === 'bush' && !fitted.has(h.key));
  const name = (key: string) => { const h = holes.get(key); return h ? `${h.arbor.id} ${h.arbor.name}, ${h.plate}` : key; };
  return (
    <>
      {wanted.length > 0
        ? <Answer tone="due" title={`${wanted.length} ${wanted.length === 1 ? 'bush' : 'bushes'} still to fit`}>{visit.bushes.length} fitted so far.</Answer>
        : <Answer tone="good" title={visit.bushes.length === 0 ? 'The survey asks for no bush' : `All ${visit.bushes.length} bushes are in`}>Enter each part that was fitted, and what became of the old one.</Answer>}
      {wanted.length > 0 && <Cautions stage="fit" />}
      {wanted.length > 0 && !visit.closedAt && <Panel title="Bushes to fit"><BushSheet wanted={wanted} name={name} /></Panel>}
      {visit.bushes.length > 0 && (
        <Panel title="Bushes fitted">
          <div className="overflow-x-auto" tabIndex={0} role="region" aria-label="Bushes fitted">
            <table className="w-full min-w-[36rem] text-left text-lg">
              <thead className="text-base text-soft"><tr>{['Hole', 'Pivot', 'Bore', 'Outside', 'Height', 'By'].map((h) => <th key={h} className="py-1 pr-4 font-semibold">{h}</th>)}</tr></thead>
              <tbody>{visit.bushes.map((b) => (
                <tr key={b.id} className="border-t border-line"><td className="py-2 pr-4 font-semibold">{name(b.hole)}</td>{[b.pivotMm, b.boreMm, b.outsideMm, b.heightMm].map((x, i) => <td key={i} className="pr-4">{x.toFixed(2)}</td>)}<td className="text-base text-soft">{b.by}</td></tr>
              ))}</tbody>
            </table>
          </div>
        </Panel>
      )}
      <Panel title="Parts fitted">
        {visit.parts.length === 0 ? <Empty>Springs, suspension, lines, pins and screws stand here, each with what became of the old part.</Empty> : (
          <ul className="divide-y divide-line">
            {visit.parts.map((p) => (
              <li key={p.id} className="py-2">
                <p className="text-lg"><span className="font-bold">{p.what}</span>{p.size && <>, {p.size}</>}, {p.source}</p>
                <p className="text-soft">Old part: {p.oldPart}{p.why && <>. {p.why}</>}. {p.by}</p>
              </li>
            ))}
          </ul>
        )}
        {!visit.closedAt && <PartForm />}
      </Panel>
      <StageFoot stage="fit" ready={wanted.length === 0} why="Holes still want their bushes." />
    </>
  );
}
