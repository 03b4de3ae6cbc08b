import {
  isOf,
  isTableTest,
  kindsFor,
  wrongIn,
  type Field,
  type Kind,
  type TableBenchId,
  type TableTest,
} from '@eclat/core/benches';
import { sourceName } from '@eclat/core/movement';
import type { ReactNode } from 'react';
import { Button } from '../../ui/Button.tsx';
import { Choice } from '../../ui/Choice.tsx';
import { TextField } from '../../ui/Field.tsx';
import { unlessByFinger } from '../../ui/finger.ts';
import { Fold } from '../../ui/Fold.tsx';
import { Warned } from '../../ui/Warned.tsx';
import { useThisVisit } from '../visit/useThisVisit.ts';
import { Entries } from './Entries.tsx';
import { HearIt } from './HearIt.tsx';
import { HoldTime } from './HoldTime.tsx';
import { NumberField, numberOf } from './NumberField.tsx';
import { useBenchForm, type Correcting } from './useBenchForm.ts';

/** All that this movement has for a bench, fold by fold, in the order of the work; the first that is empty is open. */
export function TableBench({ bench, name, figure }: { bench: TableBenchId; name: string; figure?: Figure }) {
  const visit = useThisVisit();
  const own = visit.benchTests.filter((e) => e.of === 'visit' && isOf(bench)(e.test));
  const kinds = kindsFor(bench, visit.movement.traits);
  const of = (k: Kind) => own.filter((e) => e.test.kind === k.id);
  const next = kinds.find((k) => of(k).length === 0);
  return kinds.map((k) => (
    <Fold key={k.id} name={k.id} title={k.name} says={of(k).length > 0 && of(k).length} open={k === next}>
      <Entries
        entries={of(k)}
        what={k.name}
        form={(c) => <KindForm kind={k} name={name} figure={figure} correcting={c} />}
      />
      {!visit.closedAt && <KindForm kind={k} name={name} figure={figure} />}
    </Fold>
  ));
}

/** What is drawn over a form, as it is filled; null for a kind that nothing is drawn for. */
export type Figure = (kind: Kind, typed: Readonly<Record<string, string>>) => ReactNode;

interface FormProps {
  kind: Kind;
  name: string;
  figure?: Figure | undefined;
  /** What the button says, where another keeps something else beside it. */
  keep?: string;
  /** The entry that is corrected; else one is added. */
  correcting?: Correcting;
}

/** The form of one kind, as its fields say. */
export function KindForm({ kind, name, figure, keep = 'Save', correcting }: FormProps) {
  const visit = useThisVisit();
  const sources = visit.movement.traits.sources;
  const startOf = (f: Field) => (f.type === 'source' && sources.length === 1 ? sources[0]!.id : '');
  const stood = correcting && isTableTest(correcting.entry.test) ? correcting.entry.test.values : null;
  const start = Object.fromEntries(kind.fields.map((f) => [f.id, stood ? String(stood[f.id] ?? '') : startOf(f)]));
  const { typed, on, busy, send, drop } = useBenchForm(kind.id, start, name, correcting);
  const values = Object.fromEntries(kind.fields.map((f) => [f.id, valueOf(f, typed[f.id] ?? '')]));
  const test = { kind: kind.id, values } as TableTest;
  const ready = Object.values(values).every((v) => v !== undefined) && wrongIn(test).length === 0;
  const put = (f: Field) => on(f.id);
  return (
    <form
      noValidate
      className="flex flex-col gap-4"
      onSubmit={(e) => {
        e.preventDefault();
        if (!ready) return;
        send(test);
        const first = e.currentTarget.querySelector<HTMLElement>('[data-figure]');
        unlessByFinger(() => first?.focus()); // the next one is weighed or counted
      }}
    >
      {kind.caution && <Warned text={kind.caution} />}
      {figure?.(kind, typed)}
      {kind.heard && <HearIt as={kind.heard} onFields={(f) => Object.entries(f).forEach(([id, v]) => on(id)(v))} />}
      <div className="grid grid-cols-1 items-start gap-4 sm:grid-cols-2 lg:grid-cols-3">
        {kind.fields.map((f) => (
          <FieldOf key={f.id} field={f} value={typed[f.id] ?? ''} onChange={put(f)} />
        ))}
      </div>
      <div className="flex gap-3">
        <Button type="submit" variant="main" disabled={!ready} busy={busy}>
          {correcting ? 'Save the change' : keep}
        </Button>
        {correcting && (
          <Button
            variant="plain"
            onClick={() => {
              drop();
              correcting.onEnd();
            }}
          >
            Cancel
          </Button>
        )}
      </div>
    </form>
  );
}

/** What was typed; null where nothing was, undefined where it is not what the field asks. */
function valueOf(f: Field, text: string): string | number | null | undefined {
  if (text.trim() === '') return null;
  if (f.type !== 'number') return text.trim();
  return numberOf(text, f.to ?? Infinity, f.from ?? -Infinity) ?? undefined;
}

function FieldOf({ field: f, value, onChange }: { field: Field; value: string; onChange: (text: string) => void }) {
  const { traits } = useThisVisit().movement;
  const label = f.unit ? `${f.label}, ${f.unit}` : f.label;
  if (f.type === 'number')
    return (
      <div>
        <NumberField inTurn label={label} least={f.from} most={f.to ?? Infinity} value={value} onChange={onChange} />
        {f.held && <HoldTime label={f.held} onTime={(s) => onChange(s.toFixed(2))} />}
      </div>
    );
  if (f.type === 'text')
    return (
      <TextField label={label} hint={f.hint} maxLength={200} value={value} onChange={(e) => onChange(e.target.value)} />
    );
  const of =
    f.type === 'source'
      ? traits.sources.map((s) => [s.id, sourceName(traits, s)] as const)
      : (f.of ?? []).map((o) => [o, o] as const);
  return (
    <div className={of.length > 2 ? 'sm:col-span-full' : undefined}>
      <Choice label={label} value={value} options={of} onChange={onChange} onClear={() => onChange('')} />
    </div>
  );
}
