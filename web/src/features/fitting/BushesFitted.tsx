import { Fold } from '../../ui/Fold.tsx';
import type { Visit } from '@eclat/contract';
import { Pencil, Trash2 } from 'lucide-react';
import { useRef, useState } from 'react';
import { api } from '../../data/api.ts';
import { useTakeOut } from '../../data/useTakeOut.ts';
import { CorrectBush } from './CorrectBush.tsx';

type Bush = Visit['bushes'][number];
const HEADS = ['Hole', 'Pivot', 'Bore', 'Outside', 'Height', 'After', 'By'];

/** Every bush that was fitted, with what was tried after it. Only the last try of a hole can be taken out. */
export function BushesFitted({ visit, name }: { visit: Visit; name: (hole: string) => string }) {
  const remove = useTakeOut(api.fitting.removeBush, 'Bush');
  const params = { visitId: visit.id };
  const [correcting, setCorrecting] = useState<string | null>(null);
  const opener = useRef<HTMLElement | null>(null);
  const close = () => {
    setCorrecting(null);
    // Once the sheet is gone: the next key goes on where the bush stands.
    setTimeout(() => opener.current?.focus());
  };
  const wrong = visit.bushes.find((b) => b.id === correcting);
  const takeOut = ({ id }: Bush) => remove({ params: { ...params, bushId: id } });
  if (visit.bushes.length === 0) return null;
  return (
    <Fold title="Bushes fitted" says={visit.bushes.length}>
      <div className="relative overflow-x-auto" tabIndex={0} role="region" aria-label="Bushes fitted">
        <table className="w-full min-w-[36rem] text-left text-lg">
          <thead className="text-base text-soft">
            <tr>
              {HEADS.map((h) => (
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
                <td className="pr-4 text-base">{after(b)}</td>
                <td className="text-base text-soft">{b.by}</td>
                <td className="whitespace-nowrap">
                  {!visit.closedAt && (
                    <button
                      type="button"
                      aria-label={`Correct: bush ${name(b.hole)}`}
                      className="inline-grid size-11 place-items-center rounded-lg hover:bg-steel-wash"
                      onClick={(e) => {
                        opener.current = e.currentTarget;
                        setCorrecting(b.id);
                      }}
                    >
                      <Pencil className="size-5" />
                    </button>
                  )}
                  {!visit.closedAt && visit.bushes.findLast((x) => x.hole === b.hole) === b && (
                    <button
                      type="button"
                      aria-label={`Take out: bush ${name(b.hole)}`}
                      className="inline-grid size-11 place-items-center rounded-lg hover:bg-danger-wash"
                      onClick={() => takeOut(b)}
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
      {wrong && <CorrectBush key={wrong.id} bush={wrong} name={name(wrong.hole)} onClose={close} />}
    </Fold>
  );
}

function after({ spins, endShakeMm }: Bush): string {
  const said: string[] = [];
  if (spins !== null) said.push(spins ? 'spins freely' : 'drags');
  if (endShakeMm !== null) said.push(`end shake ${endShakeMm} mm`);
  return said.join(', ');
}
