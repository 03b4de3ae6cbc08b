import { usePlan } from './usePlan.ts';
import { Button } from '../../ui/Button.tsx';
import { SelectField, TextField } from '../../ui/Field.tsx';

export function BeginForm({ run }: { run: ReturnType<typeof usePlan> }) {
  const {
    visit,
    sequence,
    bath,
    before,
    setBefore,
    reason,
    setReason,
    start,
    dips,
    picks,
    parts,
    held,
    wanted,
    whole,
    stopped,
    fills,
    fill,
  } = run;
  return (
    <form
      className="flex flex-wrap items-start gap-3"
      onSubmit={(e) => {
        e.preventDefault();
        start.mutate({
          params: { visitId: visit.id },
          body: {
            sequence,
            bath,
            parts: picks ? parts.map((p) => ({ name: p.name, materials: [...p.materials] })) : [],
            minutes: run.own ? 1 : wanted, // its own steps have theirs
            overrideReason: stopped ? reason : '',
            fillId: fill?.id ?? null,
            before,
          },
        });
      }}
    >
      {dips && !run.own && <MinutesField run={run} />}
      {fills.length > 0 && <WhichBath run={run} />}
      <TextField
        className="min-w-56 flex-1"
        label="What it looks like before"
        placeholder="brown, black oil in the sinks"
        value={before}
        onChange={(e) => setBefore(e.target.value)}
      />
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
        disabled={held || (picks && parts.length === 0) || !whole || (stopped && reason.trim() === '')}
        busy={start.isPending}
      >
        Begin the run
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
