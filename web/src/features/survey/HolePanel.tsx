import type { SurveyedHole } from '@eclat/contract';
import { api } from '../../data/api.ts';
import type { Hole } from '@eclat/core/movement';
import {
  HOLE_VERDICTS,
  judgeHole,
  leftAs,
  measureProblem,
  turnedDownMm,
  WAYS,
  wornSince,
  type HoleVerdict,
  type Way,
} from '@eclat/core/pivots';
import { bushedVerdicts, schoolOf } from '@eclat/core/rules';
import { useMemo, useRef, useState } from 'react';
import { useCommand } from '../../data/useCommand.ts';
import { say } from '../../data/app-state.ts';
import { Panel } from '../../ui/Answer.tsx';
import { Button } from '../../ui/Button.tsx';
import { Choice } from '../../ui/Choice.tsx';
import { day } from '../../ui/dates.ts';
import { SelectField, TextField } from '../../ui/Field.tsx';
import { LengthField } from '../../ui/LengthField.tsx';
import { useKeys } from '../../ui/useKeys.ts';
import { useThisVisit } from '../visit/thisVisit.ts';
import { PivotLook } from './PivotLook.tsx';
import { endShakeMm, HoleExtras, type Extras } from './HoleExtras.tsx';
import { kindsFor, PLAY_FIELDS, readPlay, typedOf, type Looking } from './play.ts';

const KEYS: Record<string, HoleVerdict> = { s: 'sound', t: 'tight', a: 'marginal', u: 'bush' };
const LABELS: Record<string, string> = { pivotMm: 'Pivot', holeLongMm: 'Long way', holeShortMm: 'Short way' };
interface Props {
  hole: Hole;
  measured: SurveyedHole | undefined;
  looking: Looking;
  onLooking: (looking: Looking) => void;
  carried: Record<string, string>;
  onNext: (typed: Record<string, string>) => void;
}

/** Measure, see the verdict, say your own. The caliper types, Enter moves on. */
export function HolePanel({ hole, measured, looking, onLooking, carried, onNext }: Props) {
  const visit = useThisVisit();
  const { way, kind } = looking;
  const [typed, setTyped] = useState<Record<string, string>>(() => ({ ...carried, ...typedOf(measured) }));
  const [extras, setExtras] = useState<Extras>({
    wearDeg: measured?.wearDeg ?? null,
    endShake: measured?.endShakeMm === null || measured === undefined ? '' : String(measured.endShakeMm),
    spins: measured?.spins ?? null,
    polished: measured?.polished ?? false,
    past: measured?.past ?? 'original',
  });
  const [own, setOwn] = useState<HoleVerdict | null>(
    measured && measured.verdict !== measured.computed ? measured.verdict : null,
  );
  const form = useRef<HTMLDivElement>(null);
  const set = useCommand(api.survey.setHole, {
    what: `${hole.arbor.id} ${hole.plate}`,
    labels: { ...LABELS, verdict: 'Verdict', note: 'Note', endShakeMm: 'End shake', past: 'The hole' },
    onDone: (h) => {
      say(`${hole.arbor.id} ${hole.plate}: ${h.verdict}.`);
      onNext(typed);
    },
  });
  useKeys(useMemo(() => Object.fromEntries(Object.entries(KEYS).map(([key, v]) => [key, () => setOwn(v)])), []));

  const fields = PLAY_FIELDS[kind];
  const read = readPlay(kind, typed);
  const problem = read && measureProblem(read.measure);
  const judged = read && !problem ? judgeHole(read.measure, hole.arbor.class) : null;
  // A marginal hole is bushed or left by house rule; the person's own word goes before it.
  const byRule =
    judged && judged.verdict !== 'bush' && bushedVerdicts(visit.rules.held).includes(judged.verdict)
      ? 'bush'
      : judged?.verdict;
  const turned = turnedDownMm(visit.partLooks, hole.key);
  const verdict = turned !== null && judged ? 'bush' : (own ?? byRule ?? null);
  const last = visit.lastSurvey?.holes.find((h) => h.key === hole.key);
  const worn =
    last && read && !problem
      ? wornSince({ ...leftAs(last), at: visit.lastSurvey!.at }, { ...read.measure, at: visit.openedAt })
      : null;
  const save = () => {
    if (!read || !verdict || problem) return;
    const { wearDeg, spins, polished, past } = extras;
    set.mutate({
      params: { visitId: visit.id, hole: hole.key },
      body: {
        ...read.measure,
        seen: read.seen,
        way,
        wearDeg,
        endShakeMm: endShakeMm(extras.endShake),
        spins,
        polished,
        past,
        verdict,
        note: measured?.note ?? '',
        version: measured?.version ?? 0,
      },
    });
  };
  const onwards = (i: number) => () =>
    i < fields.length - 1
      ? form.current?.querySelector<HTMLInputElement>(`[name="${fields[i + 1]!.name}"]`)?.focus()
      : save();
  const closed = visit.closedAt !== null;
  const chooseWay = (w: Way) => onLooking({ way: w, kind: kindsFor(w).some(([k]) => k === kind) ? kind : 'hole' });
  return (
    <Panel title={`${hole.arbor.id} ${hole.arbor.name}, ${hole.plate}`}>
      <div className="flex flex-col gap-4">
        <div ref={form} className={fields.length === 3 ? 'grid grid-cols-3 gap-2' : 'grid grid-cols-2 gap-2'}>
          {fields.map((f, i) =>
            f.degrees ? (
              <TextField
                key={f.name}
                name={f.name}
                label={f.label}
                inputMode="decimal"
                hint="to each side"
                value={typed[f.name] ?? ''}
                onChange={(e) => setTyped((t) => ({ ...t, [f.name]: e.target.value }))}
                onKeyDown={(e) => {
                  if (e.key === 'Enter') {
                    e.preventDefault();
                    onwards(i)();
                  }
                }}
              />
            ) : (
              <LengthField
                key={f.name}
                name={f.name}
                label={f.label}
                plausible={f.range}
                value={typed[f.name] ?? ''}
                onChange={(v) => setTyped((t) => ({ ...t, [f.name]: v }))}
                onEnter={onwards(i)}
              />
            ),
          )}
        </div>
        <div aria-live="polite" className="min-h-16 rounded-lg bg-sunk px-4 py-2">
          {problem ? (
            <p className="font-semibold text-danger">
              {LABELS[problem.field]}: {problem.message}
            </p>
          ) : judged ? (
            <>
              <p className="text-2xl font-bold capitalize">{judged.verdict}</p>
              <p>
                {judged.why}
                {byRule === 'bush' && judged.verdict !== 'bush' && ' By house rule it is bushed.'}
              </p>
            </>
          ) : (
            <p className="text-soft">
              The verdict stands here as soon as {fields.length === 3 ? 'all three are' : 'everything is'} measured.
            </p>
          )}
          {last && (
            <p className="mt-1 border-t border-line pt-1 text-sm">
              Last time, {day(visit.lastSurvey!.at)}: pivot {last.pivotMm.toFixed(2)} in {last.holeLongMm.toFixed(2)} ×{' '}
              {last.holeShortMm.toFixed(2)}, {last.verdict}
              {last.bushed && <b>, bushed then to {last.bushed.boreMm.toFixed(2)}</b>}.
              {worn && worn.mm > 0.005 && (
                <b>
                  {' '}
                  {worn.mm.toFixed(2)} mm more play since
                  {worn.mmAYear !== null && `, ${worn.mmAYear.toFixed(3)} a year`}.
                </b>
              )}
            </p>
          )}
        </div>
        <Choice
          label="Your own verdict"
          value={verdict ?? ''}
          disabled={closed || turned !== null}
          onChange={setOwn}
          onClear={() => setOwn(null)}
          options={HOLE_VERDICTS.map((v) => [v, v] as const)}
        />
        {own && judged && own !== judged.verdict && (
          <p className="text-sm font-semibold text-brass">
            You say {own}, the measurements say {judged.verdict}: both are kept.
          </p>
        )}
        {!closed && (
          <Button look="main" disabled={!read || Boolean(problem) || !verdict} busy={set.isPending} onClick={save}>
            Keep, and to the next hole
          </Button>
        )}
        <HoleExtras hole={hole} value={extras} onChange={setExtras} />
        <PivotLook key={turned} hole={hole} />
        <div className="flex flex-col gap-2 border-t border-line pt-3">
          <SelectField label="Looked at" value={way} onChange={(e) => chooseWay(e.target.value as Way)}>
            {WAYS.map((w) => (
              <option key={w} value={w}>
                {schoolOf('survey-method', w).name}
              </option>
            ))}
          </SelectField>
          <SelectField
            label="By"
            value={kind}
            onChange={(e) => onLooking({ way, kind: e.target.value as Looking['kind'] })}
          >
            {kindsFor(way).map(([k, name]) => (
              <option key={k} value={k}>
                {name}
              </option>
            ))}
          </SelectField>
        </div>
      </div>
    </Panel>
  );
}
