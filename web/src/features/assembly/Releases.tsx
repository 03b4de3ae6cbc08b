import { Fold } from '../../ui/Fold.tsx';
import type { ReleaseRead } from '@eclat/contract';
import { judgeRelease } from '@eclat/core/strike';
import { has } from '@eclat/core/movement';
import { Trash2 } from 'lucide-react';
import { useState } from 'react';
import { api } from '../../data/api.ts';
import { useCommand } from '../../data/useCommand.ts';
import { useTakeOut } from '../../data/useTakeOut.ts';
import { Button } from '../../ui/Button.tsx';
import { Choice } from '../../ui/Choice.tsx';
import { TextField } from '../../ui/Field.tsx';
import { useThisVisit } from '../visit/useThisVisit.ts';

const WANTED = [
  ['0', 'the hour'],
  ['15', 'quarter past'],
  ['30', 'half past'],
  ['45', 'quarter to'],
] as const;

/** At which minute it lets off, over several hours: what of it is setting, and what is wear. */
export function Releases() {
  const visit = useThisVisit();
  const [wanted, setWanted] = useState<'0' | '15' | '30' | '45'>('0');
  const [minute, setMinute] = useState('');
  const [wrong, setWrong] = useState('');
  const add = useCommand(api.strike.addRelease, {
    what: 'Minute of release',
    onSent: () => setMinute(''),
    onFields: ([f]) => setWrong(f!.message),
  });
  const params = { visitId: visit.id };
  const n = Number(minute.replace(',', '.'));
  const bad = minute.trim() !== '' && !(n >= 0 && n < 60);
  const kinds = WANTED.filter(([w]) => w === '0' || w === '30' || has(visit.movement.traits, 'chime drum'));
  return (
    <Fold title="Minute of each release" says={visit.releases.length > 0 && visit.releases.length}>
      {kinds.map(([w, name]) => {
        const read = visit.releases.filter((r) => r.wanted === Number(w));
        if (read.length === 0) return null;
        return <ReadMinutes key={w} read={read} wanted={w} name={name} />;
      })}
      {visit.closedAt ? (
        visit.releases.length === 0 && <p className="text-soft">None were read.</p>
      ) : (
        <form
          className="flex flex-col gap-3"
          onSubmit={(e) => {
            e.preventDefault();
            if (minute.trim() !== '' && !bad) add.mutate({ params, body: { wanted: Number(wanted) as 0, minute: n } });
          }}
        >
          <Choice hideLabel label="Which release" value={wanted} onChange={setWanted} options={kinds} />
          <div className="flex flex-wrap items-end gap-3">
            <TextField
              className="w-64"
              label="Minute on the dial as it let off"
              hint="59.5 is half a minute early."
              inputMode="decimal"
              value={minute}
              error={bad ? 'From 0 to under 60.' : wrong || undefined}
              onChange={(e) => {
                setMinute(e.target.value);
                setWrong('');
              }}
            />
            <Button type="submit" disabled={minute.trim() === '' || bad} className="mb-6">
              Note it
            </Button>
          </div>
        </form>
      )}
    </Fold>
  );
}

function ReadMinutes({
  read,
  wanted: w,
  name,
}: {
  read: ReleaseRead[];
  wanted: '0' | '15' | '30' | '45';
  name: 'the hour' | 'quarter past' | 'half past' | 'quarter to';
}) {
  const visit = useThisVisit();
  const params = { visitId: visit.id };
  const takeOut = useTakeOut(api.strike.removeRelease, 'Minute of release');
  const judged = judgeRelease(
    read.map((r) => r.minute),
    Number(w),
  );
  return (
    <div className="mb-3 border-b border-line pb-3">
      <p className="text-lg font-semibold">
        At {name}: {judged.words}
        {read.length < 3 && ' Read some more hours.'}
      </p>
      <p className="flex flex-wrap items-center gap-2">
        {read.map((r) => (
          <span
            key={r.id}
            className="inline-flex min-h-11 items-center gap-1 rounded-lg border border-line pl-3 tabular-nums"
          >
            {r.minute}
            {!visit.closedAt && (
              <button
                type="button"
                aria-label={`Take back minute ${r.minute}`}
                className="grid size-11 place-items-center rounded-lg hover:bg-danger-wash"
                onClick={() => takeOut({ params: { ...params, releaseId: r.id } })}
              >
                <Trash2 className="size-4" />
              </button>
            )}
          </span>
        ))}
      </p>
    </div>
  );
}
