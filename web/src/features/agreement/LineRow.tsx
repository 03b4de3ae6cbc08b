import type { Line } from '@eclat/contract';
import { causeUncured } from '@eclat/core/assess';
import { DECISIONS, inRoute, routeName } from '@eclat/core/estimate';
import clsx from 'clsx';
import { Check, Clock3, Pencil, Trash2, X } from 'lucide-react';
import { api } from '../../data/api.ts';
import { useCommand } from '../../data/useCommand.ts';
import { useTakeOut } from '../../data/useTakeOut.ts';
import { Choice } from '../../ui/Choice.tsx';
import { dayTime } from '../../ui/dates.ts';
import { useThisVisit } from '../visit/useThisVisit.ts';
import type { Given } from './AgreementScreen.tsx';

const SHAPES = { accepted: Check, declined: X, 'ask later': Clock3 };

export function LineRow({
  line,
  amount,
  given,
  onEdit,
}: {
  line: Line;
  amount: string;
  given: Given;
  onEdit: () => void;
}) {
  const visit = useThisVisit();
  const params = { visitId: visit.id, lineId: line.id };
  const decide = useCommand(api.agreement.decide, { what: 'The owner’s word' });
  const last = line.decisions.at(-1);
  const uncured = causeUncured(line.findingId, visit.findings, visit.agreement.lines);
  const aside = !inRoute(line, visit.agreement.chosen?.route ?? null);
  const signs = [
    line.optional && 'optional',
    line.noGuarantee && 'without guarantee',
    line.addition && 'found during the work',
    ...line.routes.map(routeName),
  ].filter(Boolean);
  return (
    <li className={clsx('grid grid-cols-[minmax(0,1fr)_auto] gap-x-4 gap-y-2 py-3', aside && 'opacity-60')}>
      <div className="min-w-0">
        <p className={clsx('text-lg font-bold', line.state === 'declined' && 'line-through decoration-2')}>
          {line.what}
        </p>
        <p className="text-sm text-soft">
          {amountWords(line)}
          {signs.length > 0 && ` · ${signs.join(' · ')}`}
          {aside && ' · not in the chosen alternative'}
        </p>
      </div>
      <p className="text-right text-xl font-bold tabular-nums">{amount}</p>
      {uncured && line.state !== 'declined' && (
        <p className="col-span-2 font-semibold text-brass">
          It follows from {uncured.place}: {uncured.seen} Nothing is agreed against that: cured alone, it comes back.
        </p>
      )}
      <div className="col-span-2 flex flex-wrap items-center gap-x-4 gap-y-2">
        <Choice
          hideLabel
          label={`The owner’s word: ${line.what}`}
          value={line.state ?? ''}
          disabled={visit.closedAt !== null || given.who.trim() === ''}
          onChange={(state) => decide.mutate({ params, body: { state, version: line.version, ...given } })}
          options={DECISIONS.map((d) => {
            const Icon = SHAPES[d];
            return [
              d,
              <span key={d} className="flex items-center gap-2 first-letter:uppercase">
                <Icon className="size-5" aria-hidden />
                {d}
              </span>,
            ] as const;
          })}
        />
        {last ? (
          <span className="text-sm text-soft">
            {last.state}, {last.how}, by {last.who}, {dayTime(last.at)}
            {line.decisions.length > 1 &&
              `; before that ${line.decisions
                .slice(0, -1)
                .map((d) => d.state)
                .join(', ')}`}
          </span>
        ) : (
          !visit.closedAt && <RowTools line={line} onEdit={onEdit} />
        )}
      </div>
    </li>
  );
}

function amountWords(line: Line) {
  if (line.kind === 'labour') return `${line.quantity} h at ${line.price}`;
  if (Number(line.quantity) === 1) return line.kind;
  return `${line.kind}, ${line.quantity} at ${line.price}`;
}

function RowTools({ line, onEdit }: { line: Line; onEdit: () => void }) {
  const visit = useThisVisit();
  const params = { visitId: visit.id, lineId: line.id };
  const out = useTakeOut(api.agreement.removeLine, 'Line');
  return (
    <span className="ml-auto flex">
      <button
        type="button"
        aria-label={`Correct: ${line.what}`}
        className="grid size-12 place-items-center rounded-lg hover:bg-steel-wash"
        onClick={onEdit}
      >
        <Pencil className="size-5" />
      </button>
      <button
        type="button"
        aria-label={`Take back: ${line.what}`}
        className="grid size-12 place-items-center rounded-lg hover:bg-danger-wash"
        onClick={() => out({ params })}
      >
        <Trash2 className="size-5" />
      </button>
    </span>
  );
}
