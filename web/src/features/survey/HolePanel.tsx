import { BigAction } from '../../ui/BigAction.tsx';
import type { SurveyedHole, Visit } from '@eclat/contract';
import type { Hole } from '@eclat/core/movement';
import {
  HOLE_WORDS,
  isJewel,
  pivotKey,
  polishKey,
  verdictFits,
  WAYS,
  type HoleWord,
  type Way,
} from '@eclat/core/pivots';
import { schoolOf } from '@eclat/core/rules';
import { useEffect, useRef } from 'react';
import { Panel } from '../../ui/Answer.tsx';
import { Button } from '../../ui/Button.tsx';
import { Fold } from '../../ui/Fold.tsx';
import { Choice } from '../../ui/Choice.tsx';
import { day } from '../../ui/dates.ts';
import { SelectField, TextField } from '../../ui/Field.tsx';
import { Help } from '../../ui/help/Help.tsx';
import { LengthField } from '../../ui/LengthField.tsx';
import { useKeys } from '../../ui/useKeys.ts';
import { useThisVisit } from '../visit/useThisVisit.ts';
import { EndShake } from './EndShake.tsx';
import { HoleExtras } from './HoleExtras.tsx';
import { PivotCondition } from './PivotCondition.tsx';
import { kindsFor, PLAY_FIELDS, type Looking, type PlayField } from './play.ts';
import { TrainAtOnce } from './TrainAtOnce.tsx';
import { useHoleMeasurement, type HoleMeasurement } from './useHoleMeasurement.ts';
import { LABELS, type Survey } from './useSurvey.ts';

const KEYS: Record<string, HoleWord> = {
  s: 'sound',
  t: 'tight',
  a: 'marginal',
  u: 'bush',
  r: 'renew',
  n: 'not reached',
};

/** Measure, see the verdict, say your own. The caliper types, Enter moves on to the next hole. */
export function HolePanel({
  hole,
  measured,
  survey,
}: {
  hole: Hole;
  measured: SurveyedHole | undefined;
  survey: Survey;
}) {
  const visit = useThisVisit();
  const { looking } = survey;
  const m = useHoleMeasurement({
    visit,
    hole,
    measured,
    looking,
    typedBefore: survey.typedBefore(hole.key),
    onKeep: (body, typed, byFeel) => survey.keep(hole.key, body, typed, byFeel),
  });
  useKeys(Object.fromEntries(Object.entries(KEYS).map(([key, v]) => [key, () => m.say(v)])));
  const closed = visit.closedAt !== null;
  return (
    <Panel
      bare
      className="lg:sticky lg:top-18"
      title={`${hole.arbor.id} ${hole.arbor.name}, ${hole.plate}`}
      aside={<Help about="hole" className="-my-2" />}
    >
      <div className="flex flex-col gap-2 md:gap-3">
        <Choice
          dense
          label={m.felt ? 'Verdict by feel' : 'Your own verdict'}
          value={m.verdict ?? ''}
          disabled={closed || m.turnedMm !== null}
          onChange={m.say}
          onClear={() => m.say(null)}
          options={HOLE_WORDS.filter((v) => verdictFits(v, isJewel(m.extras.past))).map((v) => [v, v] as const)}
        />
        <EndShake hole={hole} />
        <MeasureFields m={m} fields={PLAY_FIELDS[looking.kind]} follow={survey.follow} />
        <div aria-live="polite" className="min-h-16 rounded-lg bg-sunk px-3 py-1.5">
          <Says m={m} needs={PLAY_FIELDS[looking.kind].length} />
          {m.last && <LastTime last={m.last} />}
        </div>
        {m.own && m.judged && m.own !== m.judged.verdict && (
          <p className="text-sm font-semibold text-brass">
            You say {m.own}, the measurements say {m.judged.verdict}: both are kept.
          </p>
        )}
        {!closed && (
          <BigAction>
            <Button
              variant="main"
              aria-label="Save, and to the next hole"
              className="whitespace-nowrap"
              disabled={!m.ready}
              onClick={m.keep}
            >
              <span>
                Save<span className="max-lg:hidden">, and to the next hole</span>
              </span>
            </Button>
          </BigAction>
        )}
        {!closed && measured && (
          <Button variant="plain" className="self-start" onClick={() => survey.clear(measured)}>
            Clear the verdict
          </Button>
        )}
        <TrainAtOnce hole={hole} survey={survey} />
        <Seldom hole={hole} survey={survey} m={m} />
      </div>
    </Panel>
  );
}

/** What is asked of few holes, folded. */
function Seldom({ hole, survey, m }: { hole: Hole; survey: Survey; m: HoleMeasurement }) {
  const visit = useThisVisit();
  const { looking } = survey;
  return (
    <div>
      <Fold bare title="Wear, spin, past, end shake measured" name="hole">
        <HoleExtras hole={hole} value={m.extras} onChange={m.setExtras} />
      </Fold>
      <Fold bare title="The pivot" name="pivot" says={pivotState(visit, hole)}>
        <PivotCondition key={m.turnedMm} hole={hole} />
      </Fold>
      <Fold bare title="Way of looking" name="looking" says={schoolOf('survey-method', looking.way).name}>
        <HowLooked looking={looking} onChange={survey.setLooking} />
      </Fold>
    </div>
  );
}

function pivotState(visit: Visit, hole: Hole): string | undefined {
  const looked = visit.partConditions.filter((l) => [pivotKey(hole.key), polishKey(hole.key)].includes(l.key));
  return looked.length > 0 ? looked.map((l) => l.state).join(', ') : undefined;
}

/** The figures of one hole: Enter goes to the next field, and from the last one to the next hole. */
function MeasureFields({ m, fields, follow }: { m: HoleMeasurement; fields: readonly PlayField[]; follow: boolean }) {
  const form = useRef<HTMLDivElement>(null);
  useEffect(() => {
    if (!follow) return;
    const first = form.current?.querySelector('input');
    first?.focus();
    first?.select(); // a figure takes the place of one that stands there
  }, [follow]);
  return (
    <div ref={form} className={fields.length === 3 ? 'grid grid-cols-3 gap-2' : 'grid grid-cols-2 gap-2'}>
      {fields.map((f, i) =>
        f.degrees ? (
          <TextField
            key={f.name}
            name={f.name}
            label={f.label}
            inputMode="decimal"
            hint="to each side"
            value={m.typed[f.name] ?? ''}
            onChange={(e) => m.type(f.name, e.target.value)}
            onKeyDown={(e) => {
              if (e.key !== 'Enter' || i < fields.length - 1) return;
              e.preventDefault();
              m.keep();
            }}
          />
        ) : (
          <LengthField
            key={f.name}
            name={f.name}
            label={f.label}
            plausible={f.range}
            value={m.typed[f.name] ?? ''}
            onChange={(v) => m.type(f.name, v)}
            {...(i === fields.length - 1 && { onEnter: m.keep })}
          />
        ),
      )}
    </div>
  );
}

function Says({ m, needs }: { m: HoleMeasurement; needs: number }) {
  if (m.problem)
    return (
      <p className="font-semibold text-danger">
        {LABELS[m.problem.field]}: {m.problem.message}
      </p>
    );
  if (!m.judged)
    return (
      <p className="text-soft">
        The verdict shows as soon as {needs === 3 ? 'all three are' : 'everything is'} measured. Felt only? Choose
        above.
      </p>
    );
  return (
    <>
      <p className="text-2xl font-bold capitalize">{m.judged.verdict}</p>
      <p>
        {m.judged.why}
        {m.ruled && ' By house rule it is bushed.'}
      </p>
    </>
  );
}

function sizeThen({ pivotMm, holeLongMm, holeShortMm }: NonNullable<HoleMeasurement['last']>) {
  if (pivotMm === null || holeLongMm === null || holeShortMm === null) return 'by feel';
  return `pivot ${pivotMm.toFixed(2)} in ${holeLongMm.toFixed(2)} × ${holeShortMm.toFixed(2)}`;
}

function LastTime({ last }: { last: NonNullable<HoleMeasurement['last']> }) {
  const { worn, bushed } = last;
  return (
    <p className="mt-1 border-t border-line pt-1 text-sm">
      Last time, {day(last.at)}: {sizeThen(last)}, {last.verdict}
      {bushed && <b>, bushed then to {bushed.boreMm.toFixed(2)}</b>}.
      {worn && worn.mm > 0.005 && (
        <b>
          {' '}
          {worn.mm.toFixed(2)} mm more play since
          {worn.mmAYear !== null && `, ${worn.mmAYear.toFixed(3)} a year`}.
        </b>
      )}
    </p>
  );
}

/** The school of looking at play, and what is measured by it. */
function HowLooked({ looking, onChange }: { looking: Looking; onChange: (looking: Looking) => void }) {
  const { way, kind } = looking;
  const chooseWay = (w: Way) => onChange({ way: w, kind: kindsFor(w).some(([k]) => k === kind) ? kind : 'hole' });
  return (
    <div className="flex flex-col gap-2">
      <SelectField label="Looked at" value={way} onChange={(e) => chooseWay(e.target.value as Way)}>
        {WAYS.map((w) => (
          <option key={w} value={w}>
            {schoolOf('survey-method', w).name}
          </option>
        ))}
      </SelectField>
      <SelectField label="By" value={kind} onChange={(e) => onChange({ way, kind: e.target.value as Looking['kind'] })}>
        {kindsFor(way).map(([k, name]) => (
          <option key={k} value={k}>
            {name}
          </option>
        ))}
      </SelectField>
    </div>
  );
}
