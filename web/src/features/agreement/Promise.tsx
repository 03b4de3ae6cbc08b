import type { ReplyOf } from '@eclat/contract';
import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { api } from '../../data/api.ts';
import { fetched } from '../../data/fetched.ts';
import { useCommand } from '../../data/useCommand.ts';
import { Panel } from '../../ui/Answer.tsx';
import { Button } from '../../ui/Button.tsx';
import { day } from '../../ui/dates.ts';
import { TextField } from '../../ui/Field.tsx';
import { Help } from '../../ui/help/Help.tsx';
import { useThisVisit } from '../visit/useThisVisit.ts';

const odds = (p: number) => {
  if (p < 0.01) return 'hardly ever';
  return p > 0.99 ? 'almost surely' : `${Math.round(10 * p)} times in ten`;
};

/** An honest date, with its reasons; the shop may promise another, and sees the odds. */
export function Promise() {
  const visit = useThisVisit();
  const params = { visitId: visit.id };
  const { data, error } = useQuery({
    ...fetched(api.agreement.promise, { params }),
    placeholderData: (before) => before,
  });
  const change = useCommand(api.visit.change, { what: 'Promised for', labels: { promisedFor: 'Promised for' } });
  const [other, setOther] = useState(visit.promisedFor ?? '');
  const set = (promisedFor: string | null) => {
    setOther(promisedFor ?? '');
    change.mutate({ params, body: { promisedFor, version: visit.version } });
  };
  return (
    <Panel title="Ready by" aside={<Help about="promise" className="-my-2" />}>
      <PromiseWords error={error} data={data} />
      {!visit.closedAt && (
        <form
          className="mt-3 flex flex-wrap items-end gap-2"
          onSubmit={(e) => {
            e.preventDefault();
            set(other || null);
          }}
        >
          {data && visit.promisedFor !== data.nineInTen && (
            <Button variant="main" className="w-full" onClick={() => set(data.nineInTen)}>
              Promise {day(data.nineInTen)}
            </Button>
          )}
          <TextField
            className="min-w-40 flex-1"
            label="Another date"
            type="date"
            value={other}
            onChange={(e) => setOther(e.target.value)}
          />
          <Button type="submit" disabled={other === (visit.promisedFor ?? '')}>
            Promise it
          </Button>
        </form>
      )}
    </Panel>
  );
}

function PromiseWords({
  error,
  data,
}: {
  error: Error | null;
  data: ReplyOf<typeof api.agreement.promise> | undefined;
}) {
  const visit = useThisVisit();
  if (error && !data) return <p className="text-soft">{error.message}</p>;
  // About as tall as its answer: what stands below is pressed meanwhile.
  if (!data) return <p className="min-h-72 text-soft">Calculating …</p>;
  return (
    <>
      <dl className="grid grid-cols-2 gap-2">
        <div className="rounded-lg bg-sunk p-3">
          <dt className="text-sm text-soft">nine times in ten by</dt>
          <dd className="text-xl font-bold whitespace-nowrap">{day(data.nineInTen)}</dd>
        </div>
        <div className="rounded-lg bg-sunk p-3">
          <dt className="text-sm text-soft">half of the time by</dt>
          <dd className="text-xl font-bold whitespace-nowrap">{day(data.half)}</dd>
        </div>
      </dl>
      <ul className="mt-3 list-disc pl-5 text-sm text-soft">
        {data.reasons.map((r) => (
          <li key={r}>{r}</li>
        ))}
      </ul>
      {visit.promisedFor && (
        <p className="mt-3 text-lg">
          Promised for <b>{day(visit.promisedFor)}</b>
          {data.odds !== null && (
            <>
              : kept <b>{odds(data.odds)}</b>
            </>
          )}
        </p>
      )}
    </>
  );
}
