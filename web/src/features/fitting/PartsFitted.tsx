import type { Part, Visit } from '@eclat/contract';
import { sizeWords } from '@eclat/core/stores';
import { Pencil, Trash2 } from 'lucide-react';
import { useRef, useState } from 'react';
import { Link } from 'react-router';
import { api } from '../../data/api.ts';
import { useTakeOut } from '../../data/useTakeOut.ts';
import { Empty } from '../../ui/Answer.tsx';
import { CorrectPart } from './CorrectPart.tsx';

/** Every part that was fitted, with what became of the old one. */
export function PartsFitted({ visit }: { visit: Visit }) {
  const remove = useTakeOut(api.fitting.removePart, 'Part');
  const params = { visitId: visit.id };
  const takeOut = (p: Part) => remove({ params: { ...params, partId: p.id } });
  const [correcting, setCorrecting] = useState<string | null>(null);
  const opener = useRef<HTMLElement | null>(null);
  const wrong = visit.parts.find((p) => p.id === correcting);
  const close = () => {
    setCorrecting(null);
    // Once the sheet is gone: the next key goes on where the part stands.
    setTimeout(() => opener.current?.focus());
  };
  if (visit.parts.length === 0)
    return (
      <Empty>Springs, suspension, lines, pins and screws are listed here, each with what became of the old part.</Empty>
    );
  return (
    <>
      <ul className="divide-y divide-line">
        {visit.parts.map((p) => (
          <li key={p.id} className="flex items-start gap-3 py-2">
            <div className="min-w-0 flex-1">
              <PartWords part={p} />
              <p className="text-soft">
                Old part: {p.oldPart}
                {p.why && <>. {p.why}</>}. {p.by}
              </p>
            </div>
            {!visit.closedAt && (
              <button
                type="button"
                aria-label={`Correct: ${p.what}`}
                className="grid size-11 place-items-center rounded-lg hover:bg-steel-wash"
                onClick={(e) => {
                  opener.current = e.currentTarget;
                  setCorrecting(p.id);
                }}
              >
                <Pencil className="size-5" />
              </button>
            )}
            {!visit.closedAt && (
              <button
                type="button"
                aria-label={`Take out: ${p.what}`}
                className="grid size-11 place-items-center rounded-lg hover:bg-danger-wash"
                onClick={() => takeOut(p)}
              >
                <Trash2 className="size-5" />
              </button>
            )}
          </li>
        ))}
      </ul>
      {wrong && <CorrectPart key={wrong.id} part={wrong} onClose={close} />}
    </>
  );
}

function PartWords({ part: p }: { part: Part }) {
  return (
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
  );
}
