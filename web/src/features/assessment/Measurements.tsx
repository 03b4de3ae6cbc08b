import { measurablesFor, type Measurable } from '@eclat/core/assess';
import { Check, CircleHelp, Trash2, TriangleAlert } from 'lucide-react';
import { memo, useRef, useState } from 'react';
import { api } from '../../data/api.ts';
import { useCommand } from '../../data/useCommand.ts';
import { useTakeOut } from '../../data/useTakeOut.ts';
import { Panel } from '../../ui/Answer.tsx';
import { dayTime } from '../../ui/dates.ts';
import { SelectField, TextField } from '../../ui/Field.tsx';
import { useThisVisit } from '../visit/useThisVisit.ts';

const SIGNS = {
  true: [Check, 'text-good', 'good'],
  false: [TriangleAlert, 'text-danger', 'not good'],
  null: [CircleHelp, 'text-soft', 'cannot be said'],
} as const;

/** Figures of the assessment, each with how it was got. A field takes what a meter types, and Enter keeps it. */
export const Measurements = memo(function Measurements() {
  const visit = useThisVisit();
  const list = measurablesFor(visit.movement.traits);
  const measurement = useTakeOut(api.assessment.removeMeasurement, 'Measurement');
  return (
    <Panel title="Measured">
      {!visit.closedAt && (
        <div className="grid gap-x-6 gap-y-3 lg:grid-cols-2">
          {list.map((m) => (
            <Entry key={m.id} measurable={m} />
          ))}
        </div>
      )}
      {visit.measurements.length > 0 && (
        <ul className="mt-3 divide-y divide-line">
          {visit.measurements.map((m) => {
            const [Icon, tone, verdict] = SIGNS[String(m.good) as keyof typeof SIGNS];
            const of = list.find((x) => x.id === m.kind);
            return (
              <li key={m.id} className="flex items-center gap-3 py-2">
                <Icon className={`size-6 shrink-0 ${tone}`} aria-label={verdict} />
                <span className="min-w-0 flex-1">
                  <span className="text-lg">
                    <b className="tabular-nums">
                      {m.value} ± {Number(m.within.toPrecision(2))} {of?.unit}
                    </b>{' '}
                    {of?.name.toLowerCase()}
                  </span>
                  <span className="block">{m.says}</span>
                  <span className="block text-sm text-soft">
                    {m.how}, {m.by}, {dayTime(m.at)}
                  </span>
                </span>
                {!visit.closedAt && (
                  <button
                    type="button"
                    aria-label={`Take back: ${of?.name ?? m.kind} ${m.value}`}
                    className="grid size-11 place-items-center rounded-lg hover:bg-danger-wash"
                    onClick={() => measurement({ params: { visitId: visit.id, measurementId: m.id } })}
                  >
                    <Trash2 className="size-5" />
                  </button>
                )}
              </li>
            );
          })}
        </ul>
      )}
    </Panel>
  );
});

function Entry({ measurable: m }: { measurable: Measurable }) {
  const visit = useThisVisit();
  const [text, setText] = useState('');
  const [how, setHow] = useState(m.means[0]!.how);
  const [error, setError] = useState<string>();
  const taken = useRef('');
  const add = useCommand(api.assessment.addMeasurement, {
    what: m.name,
    onSent: () => setText(''),
    onFields: (f) => setError(f[0]?.message),
  });
  const send = (field: HTMLInputElement) => {
    const value = Number(text.replace(',', '.').replace(/[^\d.+-]/g, ''));
    if (text.trim() === '' || text === taken.current) return;
    if (!Number.isFinite(value) || value < m.from || value > m.to)
      return setError(`Between ${m.from} and ${m.to} ${m.unit}.`);
    // Enter moves on, and the field that is left would send it once more.
    taken.current = text;
    add.mutate({ params: { visitId: visit.id }, body: { kind: m.id, value, how } });
    // On to the next measurement, as a caliper or a meter goes.
    const all = [...(field.closest('section')?.querySelectorAll<HTMLInputElement>('input[data-measure]') ?? [])];
    all[all.indexOf(field) + 1]?.focus();
  };
  return (
    <div className="grid grid-cols-[minmax(0,1fr)_minmax(0,1fr)] items-start gap-2">
      <TextField
        label={`${m.name}, ${m.unit}`}
        data-measure
        inputMode="decimal"
        error={error}
        value={text}
        onChange={(e) => {
          taken.current = '';
          setText(e.target.value);
          setError(undefined);
        }}
        onKeyDown={(e) => {
          if (e.key === 'Enter') {
            e.preventDefault();
            send(e.currentTarget);
          }
        }}
        onBlur={(e) => {
          if (text.trim() !== '') send(e.currentTarget);
        }}
      />
      <SelectField
        label="Got"
        aria-label={`How ${m.name.toLowerCase()} was got`}
        value={how}
        onChange={(e) => setHow(e.target.value)}
      >
        {m.means.map((x) => (
          <option key={x.how} value={x.how}>
            {x.how}, ± {x.share ? `${x.within * 100} %` : x.within}
          </option>
        ))}
      </SelectField>
    </div>
  );
}
