import { api } from '../api/doors.ts';
import { diagnose, LEVELS, symptomsFor, SYMPTOMS, unobservable, type RankedCause, type SymptomId } from '@eclat/core/faults';
import { Minus, Plus, Wrench } from 'lucide-react';
import { useMemo, useState } from 'react';
import { useCommand } from '../api/useCommand.ts';
import { Answer, Empty, Panel } from '../ui/Answer.tsx';
import { Button } from '../ui/Button.tsx';
import { Choice } from '../ui/Choice.tsx';
import { TextField } from '../ui/Field.tsx';
import { StageFoot } from '../visit/StageFoot.tsx';
import { useThisVisit } from '../visit/thisVisit.ts';

const SHOWN = 6;

/** From the symptom to the cause: what is likely, why, and where to look. */
export function Component() {
  const visit = useThisVisit();
  const { traits } = visit.movement;
  const observe = useCommand(api.diagnosis.observe, { what: 'Symptom' });
  const ranked = useMemo(() => diagnose(traits, visit.observations), [traits, visit.observations]);
  const [all, setAll] = useState(false);
  const present = Object.values(visit.observations).filter((s) => s === 'present').length;
  const hidden = unobservable(visit.observations);
  const first = ranked[0]!;
  const set = (symptom: SymptomId, state: 'present' | 'absent' | null) => observe.mutate({ params: { visitId: visit.id, symptom }, body: { state } });
  return (
    <>
      {present === 0
        ? <Answer tone="info" title="What does it do, and what not?">Press <b>yes</b> for what is there and <b>no</b> for what was looked for and is not. What was not asked counts for nothing.</Answer>
        : <Answer tone="info" title={`Likeliest: ${first.cause.name.toLowerCase()}, ${percent(first.probability)}`}>Look first: {first.cause.look.what} <span className="text-soft">({first.cause.look.minutes} min, {LEVELS[first.cause.look.level]})</span></Answer>}
      <div className="grid items-start gap-5 xl:grid-cols-[26rem_minmax(0,1fr)]">
        <Panel title="Symptoms">
          <ul className="divide-y divide-line">
            {symptomsFor(traits).map((s) => (
              <li key={s} className="flex min-h-14 items-center justify-between gap-3 py-1">
                <span className={hidden.includes(s) ? 'text-soft' : 'font-semibold'}>{SYMPTOMS[s]}{hidden.includes(s) && <span className="block text-sm font-normal">cannot be seen while it is dead</span>}</span>
                {!hidden.includes(s) && (
                  <div className="shrink-0"><Choice hideLabel label={SYMPTOMS[s]} value={visit.observations[s] ?? ''} disabled={visit.closedAt !== null} onChange={(v) => set(s, v)} onClear={() => set(s, null)}
                    options={[['present', 'Yes'], ['absent', 'No']] as const} /></div>
                )}
              </li>
            ))}
          </ul>
        </Panel>
        <Panel title="Causes, likeliest first" aside={<span className="text-sm text-soft">Several may be true at once: they do not add up to 100 %.</span>}>
          {present === 0 ? <Empty>The ranked causes stand here, each with its reasons, as soon as one symptom is picked.</Empty> : (
            <>
              <ol className="flex flex-col divide-y divide-line">{ranked.slice(0, all ? undefined : SHOWN).map((r) => <Ranked key={r.cause.id} ranked={r} />)}</ol>
              <Button look="plain" className="mt-2" onClick={() => setAll(!all)}>{all ? 'Only the likeliest' : `All ${ranked.length} causes`}</Button>
            </>
          )}
        </Panel>
      </div>
      <Settle key={visit.cause} suggestion={present > 0 ? first.cause.name : ''} />
      <StageFoot stage="diagnose" />
    </>
  );
}

const percent = (p: number) => (p < 0.01 ? 'under 1 %' : `${Math.round(p * 100)} %`);

function Ranked({ ranked: { cause, probability, reasons } }: { ranked: RankedCause }) {
  return (
    <li className="grid grid-cols-[5.5rem_minmax(0,1fr)] gap-4 py-3">
      <div>
        <span className="text-2xl font-bold">{percent(probability)}</span>
        <span className="mt-1 block h-2 overflow-hidden rounded-full bg-sunk" aria-hidden><span className="block h-full bg-steel" style={{ width: `${probability * 100}%` }} /></span>
      </div>
      <div>
        <p className="text-lg font-bold">{cause.name}</p>
        {reasons.map((r) => (
          <p key={r.text} className="flex items-start gap-2">
            {r.speaks === 'for' ? <Plus className="mt-1 size-4 shrink-0 text-good" aria-label="for" /> : <Minus className="mt-1 size-4 shrink-0 text-danger" aria-label="against" />}{r.text}
          </p>
        ))}
        <p className="mt-1">Look: {cause.look.what} <span className="text-soft">({cause.look.minutes} min, {LEVELS[cause.look.level]})</span></p>
        <p className="flex items-start gap-2 text-soft"><Wrench className="mt-1 size-4 shrink-0" aria-label="Remedy" />{cause.remedy}</p>
      </div>
    </li>
  );
}

function Settle({ suggestion }: { suggestion: string }) {
  const visit = useThisVisit();
  const [cause, setCause] = useState(visit.cause);
  const settle = useCommand(api.diagnosis.settle, { what: 'Cause' });
  return (
    <Panel title="The cause, in the words of the record">
      <form className="flex flex-wrap items-end gap-3" onSubmit={(e) => { e.preventDefault(); settle.mutate({ params: { visitId: visit.id }, body: { cause } }); }}>
        <TextField className="min-w-72 flex-1" label="Cause" value={cause} readOnly={visit.closedAt !== null} placeholder={suggestion} onChange={(e) => setCause(e.target.value)} />
        {!visit.closedAt && <>
          {suggestion && cause === '' && <Button onClick={() => setCause(suggestion)}>Take “{suggestion.toLowerCase()}”</Button>}
          <Button type="submit" look="main" disabled={cause === visit.cause} busy={settle.isPending}>Keep</Button>
        </>}
      </form>
    </Panel>
  );
}
