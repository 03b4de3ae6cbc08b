import { CheckRow } from './CheckRow.tsx';
import type { Checked, Visit } from '@eclat/contract';
import { checksFor, checksLeft, type Check, type CheckPlace } from '@eclat/core/checks';
import clsx from 'clsx';
import { useState } from 'react';
import { api } from '../../data/api.ts';
import { useCommand } from '../../data/useCommand.ts';
import { useKept } from '../../data/useDraft.ts';
import { say } from '../../data/app-state.ts';
import { Fold } from '../../ui/Fold.tsx';
import { useFew } from '../../ui/Few.tsx';
import { Panel } from '../../ui/Answer.tsx';
import { Button } from '../../ui/Button.tsx';
import { TextField } from '../../ui/Field.tsx';
import { Choice } from '../../ui/Choice.tsx';
import { Sheet } from '../../ui/Sheet.tsx';
import { AS_USUAL, HowDeep, type Apart } from '../strip/HowDeep.tsx';
import { useThisVisit } from '../visit/useThisVisit.ts';

/** The check in hand, and a few after it. */
const AT_ONCE = 4;

export const leftOf = (visit: Visit, place: CheckPlace) =>
  checksLeft(checksFor(visit.movement.traits, place), visit.checks);

/**
 * The checks of a place, in the order of work: passed, failed, or not for this clock. What failed is set here, or takes
 * it apart again as a pass of its own.
 */
export function Checks({ place, title }: { place: CheckPlace; title: string }) {
  const visit = useThisVisit();
  const checks = checksFor(visit.movement.traits, place);
  const { open, failed } = checksLeft(checks, visit.checks);
  const [asking, setAsking] = useState<{ check: Check; result: 'failed' | 'not applicable' } | null>(null);
  const answer = useCommand(api.assembly.setCheck, {
    what: 'Check',
    onDone: (r, { body }) => {
      if (r.result === 'failed' && body?.apart) say('A new pass is open: what comes off now belongs to it.');
    },
  });
  const set = (
    check: Check,
    result: Checked['result'],
    note = '',
    detail: Checked['detail'] = null,
    apart: Apart | null = null,
  ) =>
    answer.mutate({
      params: { visitId: visit.id, check: check.id },
      body: { result, note, detail, ...(apart && { apart }) },
    });
  const said = new Map(visit.checks.map((c) => [c.check, c.result]));
  const isDone = (c: Check) => said.has(c.id) && !open.includes(c) && !failed.includes(c);
  const done = checks.filter(isDone);
  const todo = checks.filter((c) => !isDone(c));
  const [shown, rest] = useFew(todo, AT_ONCE, 'checks to come');
  const rows = (list: readonly Check[]) =>
    [...new Set(list.map((c) => c.group))].map((group) => (
      <div key={group} role="group" aria-label={group} className="mb-2">
        <h3 className="text-sm font-semibold text-soft">{group}</h3>
        <ul className="divide-y divide-line">
          {list
            .filter((c) => c.group === group)
            .map((c) => (
              <CheckRow key={c.id} open={open} check={c} set={set} setAsking={setAsking} />
            ))}
        </ul>
      </div>
    ));
  return (
    <Panel
      title={title}
      aside={
        <span className={clsx('font-semibold', failed.length > 0 ? 'text-danger' : 'text-soft')}>
          {failed.length > 0 ? `${failed.length} failed, ` : ''}
          {open.length === 0 ? 'all answered' : `${checks.length - open.length} of ${checks.length} answered`}
        </span>
      }
    >
      {rows(shown)}
      {rest}
      {done.length > 0 && (
        <Fold bare name={`answered ${place}`} title={`${done.length} answered`}>
          {rows(done)}
        </Fold>
      )}
      {asking && (
        <Words
          key={asking.check.id}
          {...asking}
          place={place}
          onClose={() => setAsking(null)}
          onSay={(note, apart) => {
            set(asking.check, asking.result, note, null, apart);
            setAsking(null);
          }}
        />
      )}
    </Panel>
  );
}

/** What is set under the dial is reached there; the rest wants the plates. */
const deepEnough = (check: Check) => (check.from === 'hands and dial' ? 'dial side' : check.from);

function Words({
  check,
  result,
  place,
  onClose,
  onSay,
}: {
  check: Check;
  result: 'failed' | 'not applicable';
  place: CheckPlace;
  onClose: () => void;
  onSay: (note: string, apart: Apart | null) => void;
}) {
  const visit = useThisVisit();
  const [note, setNote, forget] = useKept(`check.${visit.id}.${check.id}.${result}`, '');
  const [apart, setApart] = useState<Apart | null>(null);
  const failed = result === 'failed';
  return (
    <Sheet
      open
      onClose={onClose}
      title={failed ? `Failed: ${check.what}` : `Not for this clock: ${check.what}`}
      description={
        failed && place !== 'deliver'
          ? 'It counts as failed until it is set or taken apart, and checked again.'
          : 'It is kept with the check.'
      }
    >
      <form
        className="flex flex-col gap-4"
        onSubmit={(e) => {
          e.preventDefault();
          forget();
          onSay(note.trim(), apart);
        }}
      >
        <TextField
          label={failed ? 'What was wrong' : 'Why (may stay empty)'}
          autoFocus
          value={note}
          maxLength={300}
          onChange={(e) => setNote(e.target.value)}
        />
        {failed && place !== 'deliver' && (
          <Choice
            label="What now"
            value={apart ? 'apart' : 'here'}
            options={[
              ['here', 'Set it here'],
              ['apart', 'Apart again'],
            ]}
            onChange={(v) => setApart(v === 'apart' ? { ...AS_USUAL, depth: deepEnough(check) } : null)}
          />
        )}
        {apart && <HowDeep value={apart} onChange={setApart} />}
        <Button
          type="submit"
          variant={failed ? 'danger' : 'main'}
          className="self-start"
          disabled={failed && note.trim() === ''}
        >
          {failed ? 'It failed' : 'Save it'}
        </Button>
      </form>
    </Sheet>
  );
}
