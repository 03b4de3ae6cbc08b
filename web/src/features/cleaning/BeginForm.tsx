import { mayWarm } from '@eclat/core/cleaning';
import { Fragment } from 'react';
import { usePlan } from './usePlan.ts';
import { BigAction } from '../../ui/BigAction.tsx';
import { Button } from '../../ui/Button.tsx';
import { SelectField, TextField } from '../../ui/Field.tsx';

const FORM = 'cleaning-run';

/** What it looks like, why it goes against the plan, and the press that begins it. */
export function BeginForm({ run }: { run: ReturnType<typeof usePlan> }) {
  const { visit, warming, fillBasket, before, setBefore, reason, setReason, start, picks, parts } = run;
  const { held, whole, stopped } = run;
  // Nobody knows yet what goes in: the bath is warmed meanwhile.
  const warms = !warming && parts.length === 0 && mayWarm(run.steps);
  // Beside a run that is on its way this one is not what is in hand.
  const beside = !warming && visit.baths.some((b) => b.stoppedAt === null);
  const Place = beside ? Fragment : BigAction;
  return (
    <form
      id={FORM}
      className="flex flex-wrap items-start gap-3"
      onSubmit={(e) => {
        e.preventDefault();
        send(run);
      }}
    >
      {!warming && (
        <TextField
          className="min-w-56 flex-1"
          label="What it looks like before"
          placeholder="brown, black oil in the sinks"
          value={before}
          onChange={(e) => setBefore(e.target.value)}
        />
      )}
      {stopped && parts.length > 0 && (
        <TextField
          className="min-w-64 flex-1 basis-full"
          label="Override, with a reason that is kept"
          value={reason}
          onChange={(e) => setReason(e.target.value)}
        />
      )}
      <Place>
        <Button
          type="submit"
          form={FORM}
          variant={stopped && reason.trim() ? 'danger' : 'main'}
          className={beside ? 'mt-7' : 'whitespace-nowrap'}
          disabled={held || (picks && parts.length === 0 && !warms) || !whole || (stopped && reason.trim() === '')}
          busy={start.isPending || fillBasket.isPending}
        >
          {wordOf(warming !== undefined, warms)}
        </Button>
      </Place>
    </form>
  );
}

export function MinutesField({
  run: { minutes, setMinutes, wanted, whole, plan },
}: {
  run: ReturnType<typeof usePlan>;
}) {
  const tooLong = plan.tooLong ? `At most ${plan.limitMin}.` : undefined;
  return (
    <TextField
      className="w-28"
      label="Minutes"
      form={FORM}
      inputMode="numeric"
      value={minutes}
      placeholder={String(wanted)}
      onChange={(e) => setMinutes(e.target.value)}
      error={whole ? tooLong : 'A whole number of minutes, up to a day.'}
    />
  );
}

/** The kind of bath, and which tank of the bath book holds it. */
export function WhichBath({ run: { tubs, tub, setBath, setFillId, past } }: { run: ReturnType<typeof usePlan> }) {
  return (
    <SelectField
      className="min-w-44 flex-1"
      label="Bath"
      value={tub?.key}
      onChange={(e) => {
        const to = tubs.find((t) => t.key === e.target.value)!;
        if (to.bath) setBath(to.bath);
        setFillId(to.fill?.id ?? null);
      }}
      hint={past ? <b className="text-brass">Past its rule: {past}</b> : undefined}
    >
      {tubs.map((t) => (
        <option key={t.key} value={t.key}>
          {t.name}
        </option>
      ))}
    </SelectField>
  );
}

function send(run: ReturnType<typeof usePlan>): void {
  const { visit, warming, fillBasket, start, sequence, bath, parts, picks, stopped, reason, wanted, fill, before } =
    run;
  const basket = picks ? parts.map((p) => ({ name: p.name, materials: [...p.materials] })) : [];
  const overrideReason = stopped ? reason : '';
  if (warming) {
    const params = { visitId: visit.id, bathId: warming.id };
    fillBasket.mutate({ params, body: { parts: basket, overrideReason, version: warming.version } });
    return;
  }
  const minutes = run.own ? 1 : wanted; // its own steps have theirs
  start.mutate({
    params: { visitId: visit.id },
    body: { sequence, bath, parts: basket, minutes, overrideReason, fillId: fill?.id ?? null, before },
  });
}

function wordOf(isWarm: boolean, warms: boolean): string {
  if (isWarm) return 'Into the basket';
  return warms ? 'Warm the bath' : 'Begin the run';
}
