import { holesOf, type Hole } from '@eclat/core/movement';
import { bushedHoles, pairsTouched } from '@eclat/core/pivots';
import { sizeWords } from '@eclat/core/stores';
import { Trash2 } from 'lucide-react';
import { Link } from 'react-router';
import { api } from '../../data/api.ts';
import { useRemove } from '../../data/useRemove.ts';
import { Answer, Empty, Panel } from '../../ui/Answer.tsx';
import { Cautions } from '../visit/Cautions.tsx';
import { PartRow } from '../survey/PartsLooked.tsx';
import { StageFoot } from '../visit/StageFoot.tsx';
import { useThisVisit } from '../visit/thisVisit.ts';
import { BushSheet } from './BushSheet.tsx';
import { Expected } from './Expected.tsx';
import { PartForm } from './PartForm.tsx';

/** Each worn hole back to its true centre and size; every part that was replaced accounted for. */
export function FittingScreen() {
  const visit = useThisVisit();
  const holes = new Map<string, Hole>(holesOf(visit.movement.traits).map((h) => [h.key, h]));
  const fitted = bushedHoles(visit.bushes);
  const touched = pairsTouched(visit.movement.traits, fitted);
  const undepthed = touched.filter((p) => !visit.partLooks.some((l) => l.key === p.key));
  const wanted = visit.holes.filter((h) => h.verdict === 'bush' && !fitted.has(h.key));
  const bush = useRemove(api.fitting.removeBush, api.fitting.addBush, 'Bush');
  const part = useRemove(api.fitting.removePart, api.fitting.addPart, 'Part');
  const params = { visitId: visit.id };
  const name = (key: string) => {
    const h = holes.get(key);
    return h ? `${h.arbor.id} ${h.arbor.name}, ${h.plate}` : key;
  };
  return (
    <>
      {wanted.length > 0 ? (
        <Answer tone="due" title={`${wanted.length} ${wanted.length === 1 ? 'bush' : 'bushes'} still to fit`}>
          {fitted.size} fitted so far.
        </Answer>
      ) : (
        <Answer
          tone="good"
          title={
            visit.bushes.length === 0
              ? 'The survey asks for no bush'
              : fitted.size === 1
                ? 'The bush is in'
                : `All ${fitted.size} bushes are in`
          }
        >
          {undepthed.length > 0 && 'Feel the depth of the pairs that were touched. '}Enter each part that was fitted,
          and what became of the old one.
        </Answer>
      )}
      {wanted.length > 0 && <Cautions stage="fit" />}
      {wanted.length > 0 && !visit.closedAt && (
        <Panel title="Bushes to fit">
          <BushSheet wanted={wanted} name={name} />
        </Panel>
      )}
      {visit.bushes.length > 0 && (
        <Panel title="Bushes fitted">
          <div className="relative overflow-x-auto" tabIndex={0} role="region" aria-label="Bushes fitted">
            <table className="w-full min-w-[36rem] text-left text-lg">
              <thead className="text-base text-soft">
                <tr>
                  {['Hole', 'Pivot', 'Bore', 'Outside', 'Height', 'After', 'By'].map((h) => (
                    <th key={h} className="py-1 pr-4 font-semibold">
                      {h}
                    </th>
                  ))}
                  <td />
                </tr>
              </thead>
              <tbody>
                {visit.bushes.map((b) => (
                  <tr key={b.id} className="border-t border-line">
                    <td className="py-2 pr-4 font-semibold">
                      {name(b.hole)}
                      {b.off && <b className="block text-base text-brass">went off centre: plugged, and again</b>}
                      {b.located && <span className="block text-base font-normal text-soft">{b.located}</span>}
                    </td>
                    {[b.pivotMm, b.boreMm, b.outsideMm, b.heightMm].map((x, i) => (
                      <td key={i} className="pr-4">
                        {x.toFixed(2)}
                      </td>
                    ))}
                    <td className="pr-4 text-base">
                      {[
                        b.spins === null ? '' : b.spins ? 'spins freely' : 'drags',
                        b.endShakeMm !== null && `end shake ${b.endShakeMm} mm`,
                      ]
                        .filter(Boolean)
                        .join(', ')}
                    </td>
                    <td className="text-base text-soft">{b.by}</td>
                    <td>
                      {!visit.closedAt && visit.bushes.findLast((x) => x.hole === b.hole) === b && (
                        <button
                          type="button"
                          aria-label={`Take out: bush ${name(b.hole)}`}
                          className="grid size-11 place-items-center rounded-lg hover:bg-danger-wash"
                          onClick={() =>
                            bush(
                              { params: { ...params, bushId: b.id } },
                              {
                                params,
                                body: {
                                  hole: b.hole,
                                  pivotMm: b.pivotMm,
                                  boreMm: b.boreMm,
                                  outsideMm: b.outsideMm,
                                  heightMm: b.heightMm,
                                  note: b.note,
                                  located: b.located,
                                  off: b.off,
                                  endShakeMm: b.endShakeMm,
                                  spins: b.spins,
                                  stockId: b.stockId,
                                },
                              },
                            )
                          }
                        >
                          <Trash2 className="size-5" />
                        </button>
                      )}
                    </td>
                  </tr>
                ))}
              </tbody>
            </table>
          </div>
        </Panel>
      )}
      {touched.length > 0 && (
        <Panel
          title={
            undepthed.length > 0
              ? `Depth to feel: ${undepthed.length} ${undepthed.length === 1 ? 'pair' : 'pairs'}`
              : 'Depth of the pairs that were touched'
          }
        >
          <ul className="divide-y divide-line">
            {touched.map((p) => (
              <PartRow key={p.key} part={p} look={visit.partLooks.find((l) => l.key === p.key)} />
            ))}
          </ul>
        </Panel>
      )}
      <Expected visitId={visit.id} />
      <Panel title="Parts fitted">
        {visit.parts.length === 0 ? (
          <Empty>Springs, suspension, lines, pins and screws stand here, each with what became of the old part.</Empty>
        ) : (
          <ul className="divide-y divide-line">
            {visit.parts.map((p) => (
              <li key={p.id} className="flex items-start gap-3 py-2">
                <div className="min-w-0 flex-1">
                  <p className="text-lg">
                    <span className="font-bold">
                      {p.quantity > 1 && `${p.quantity} × `}
                      {p.what}
                    </span>
                    {[sizeWords(p.kind, p.sizes), p.size].filter(Boolean).map((s) => (
                      <span key={s}>, {s}</span>
                    ))}
                    , {p.source}
                    {p.donorCode && p.donorId && (
                      <>
                        {' '}
                        <Link className="font-semibold text-steel underline" to={`/movements/${p.donorId}`}>
                          {p.donorCode}
                        </Link>
                      </>
                    )}
                    {p.cost && <span className="text-soft">, {p.quantity > 1 ? `${p.cost} each` : p.cost}</span>}
                  </p>
                  <p className="text-soft">
                    Old part: {p.oldPart}
                    {p.why && <>. {p.why}</>}. {p.by}
                  </p>
                </div>
                {!visit.closedAt && (
                  <button
                    type="button"
                    aria-label={`Take out: ${p.what}`}
                    className="grid size-11 place-items-center rounded-lg hover:bg-danger-wash"
                    onClick={() =>
                      part(
                        { params: { ...params, partId: p.id } },
                        {
                          params,
                          body: {
                            what: p.what,
                            kind: p.kind,
                            sizes: p.sizes,
                            why: p.why,
                            source: p.source,
                            size: p.size,
                            oldPart: p.oldPart,
                            quantity: p.quantity,
                            cost: p.cost,
                            stockId: p.stockId,
                            donorId: p.donorId,
                          },
                        },
                      )
                    }
                  >
                    <Trash2 className="size-5" />
                  </button>
                )}
              </li>
            ))}
          </ul>
        )}
        {!visit.closedAt && <PartForm />}
      </Panel>
      {!visit.closedAt && !visit.replacement.out && (
        <p className="no-print">
          <Link
            className="inline-flex min-h-11 items-center font-semibold text-steel underline"
            to={`/visits/${visit.id}/replace`}
          >
            Another movement goes into this case
          </Link>
        </p>
      )}
      <StageFoot stage="fit" ready={wanted.length === 0} why="Holes still want their bushes." />
    </>
  );
}
