import { mayWarm } from '@eclat/core/cleaning';
import { usePlan } from './usePlan.ts';
import { Button } from '../../ui/Button.tsx';
import { SelectField, TextField } from '../../ui/Field.tsx';

export function BeginForm({ run }: { run: ReturnType<typeof usePlan> }) {
  const { warming, fillBasket, before, setBefore, reason, setReason, start, dips, picks, parts } = run;
  const { held, whole, stopped, fills } = run;
  // Nobody knows yet what goes in: the bath is warmed meanwhile.
  const warms = !warming && parts.length === 0 && mayWarm(run.steps);
  return (
    <form
      className="flex flex-wrap items-start gap-3"
      onSubmit={(e) => {
        e.preventDefault();
        send(run);
      }}
    >
      {dips && !run.own && !warming && <MinutesField run={run} />}
      {fills.length > 0 && !warming && <WhichBath run={run} />}
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
      <Button
        type="submit"
        variant={stopped && reason.trim() ? 'danger' : 'main'}
        className="mt-7 px-8 text-lg"
        disabled={held || (picks && parts.length === 0 && !warms) || !whole || (stopped && reason.trim() === '')}
        busy={start.isPending || fillBasket.isPending}
      >
        {wordOf(warming !== undefined, warms)}
      </Button>
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
      className="w-36"
      label="Minutes"
      inputMode="numeric"
      value={minutes}
      placeholder={String(wanted)}
      onChange={(e) => setMinutes(e.target.value)}
      error={whole ? tooLong : 'A whole number of minutes, up to a day.'}
    />
  );
}

export function WhichBath({ run: { fills, fill, setFillId, past } }: { run: ReturnType<typeof usePlan> }) {
  return (
    <SelectField
      className="w-72"
      label="Which bath"
      value={fill?.id ?? ''}
      onChange={(e) => setFillId(e.target.value || null)}
      hint={past ? <b className="text-brass">Past its rule: {past}</b> : undefined}
    >
      {fills.map((f) => (
        <option key={f.id} value={f.id}>
          {f.name}, {f.bath}
        </option>
      ))}
      <option value="">not in the book</option>
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
