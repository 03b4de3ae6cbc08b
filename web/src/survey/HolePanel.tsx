import type { SurveyedHole } from '@eclat/contract';
import { api } from '../api/doors.ts';
import type { Hole } from '@eclat/core/movement';
import { HOLE_VERDICTS, judgeHole, measureProblem, type HoleVerdict } from '@eclat/core/pivots';
import { bushedVerdicts } from '@eclat/core/rules';
import { useMemo, useRef, useState } from 'react';
import { useCommand } from '../api/useCommand.ts';
import { say } from '../store.ts';
import { Panel } from '../ui/Answer.tsx';
import { Button } from '../ui/Button.tsx';
import { Choice } from '../ui/Choice.tsx';
import { LengthField, lengthMm } from '../ui/LengthField.tsx';
import { useKeys } from '../ui/useKeys.ts';
import { useThisVisit } from '../visit/thisVisit.ts';

const KEYS: Record<string, HoleVerdict> = { s: 'sound', t: 'tight', a: 'marginal', u: 'bush' };
const FIELDS = ['pivotMm', 'holeLongMm', 'holeShortMm'] as const;
type Field = (typeof FIELDS)[number];
const LABELS: Record<Field, string> = { pivotMm: 'Pivot', holeLongMm: 'Long way', holeShortMm: 'Short way' };

const text = (mm: number | undefined) => (mm === undefined ? '' : String(Number(mm.toFixed(3))));

/** Measure, see the verdict, say your own. The caliper types, Enter moves on. */
export function HolePanel({ hole, measured, onNext }: { hole: Hole; measured: SurveyedHole | undefined; onNext: () => void }) {
  const visit = useThisVisit();
  const [typed, setTyped] = useState<Record<Field, string>>({ pivotMm: text(measured?.pivotMm), holeLongMm: text(measured?.holeLongMm), holeShortMm: text(measured?.holeShortMm) });
  const [own, setOwn] = useState<HoleVerdict | null>(measured && measured.verdict !== measured.computed ? measured.verdict : null);
  const refs = { pivotMm: useRef<HTMLInputElement>(null), holeLongMm: useRef<HTMLInputElement>(null), holeShortMm: useRef<HTMLInputElement>(null) };
  const set = useCommand(api.survey.set, {
    what: `${hole.arbor.id} ${hole.plate}`, labels: { ...LABELS, verdict: 'Verdict', note: 'Note' },
    onDone: (h) => { say(`${hole.arbor.id} ${hole.plate}: ${h.verdict}.`); onNext(); },
  });
  useKeys(useMemo(() => Object.fromEntries(Object.entries(KEYS).map(([key, v]) => [key, () => setOwn(v)])), []));

  const values = Object.fromEntries(FIELDS.map((f) => [f, lengthMm(typed[f])])) as Record<Field, number | null>;
  const complete = FIELDS.every((f) => values[f] !== null) ? (values as Record<Field, number>) : null;
  const problem = complete && measureProblem(complete);
  const judged = complete && !problem ? judgeHole(complete, hole.arbor.class) : null;
  // A marginal hole is bushed or left by house rule; the person's own word goes before it.
  const byRule = judged && judged.verdict !== 'bush' && bushedVerdicts(visit.rules.held).includes(judged.verdict) ? 'bush' : judged?.verdict;
  const verdict = own ?? byRule ?? null;
  const save = () => { if (complete && verdict && !problem) set.mutate({ params: { visitId: visit.id, hole: hole.key }, body: { ...complete, verdict, note: measured?.note ?? '', version: measured?.version ?? 0 } }); };
  const closed = visit.closedAt !== null;
  return (
    <Panel title={`${hole.arbor.id} ${hole.arbor.name}, ${hole.plate}`}>
      <div className="flex flex-col gap-4">
        <div className="grid grid-cols-3 gap-2">
        {FIELDS.map((f, i) => (
          <LengthField key={f} name={f} ref={refs[f]} label={LABELS[f]} value={typed[f]} onChange={(v) => setTyped((t) => ({ ...t, [f]: v }))}
            onEnter={() => (i < 2 ? refs[FIELDS[i + 1]!].current?.focus() : save())} />
        ))}
        </div>
        <div aria-live="polite" className="min-h-16 rounded-lg bg-sunk px-4 py-2">
          {problem ? <p className="font-semibold text-danger">{LABELS[problem.field]}: {problem.message}</p>
            : judged ? <><p className="text-2xl font-bold capitalize">{judged.verdict}</p><p>{judged.why}{byRule === 'bush' && judged.verdict !== 'bush' && ' By house rule it is bushed.'}</p></>
              : <p className="text-soft">The verdict stands here as soon as all three are measured.</p>}
        </div>
        <Choice label="Your own verdict" value={verdict ?? ''} disabled={closed} onChange={setOwn} onClear={() => setOwn(null)} options={HOLE_VERDICTS.map((v) => [v, v] as const)} />
        {own && judged && own !== judged.verdict && <p className="text-sm font-semibold text-brass">You say {own}, the measurements say {judged.verdict}: both are kept.</p>}
        {!closed && <Button look="main" disabled={!complete || Boolean(problem) || !verdict} busy={set.isPending} onClick={save}>Keep, and to the next hole</Button>}
      </div>
    </Panel>
  );
}
