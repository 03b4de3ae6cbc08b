import { limitsInWords, unitFor, wanted, type Field, type ReadForm, type Typed } from '@eclat/core/workings';
import { Plus, Trash2 } from 'lucide-react';
import { useAppState } from '../../data/app-state.ts';
import { Button } from '../../ui/Button.tsx';
import { Choice } from '../../ui/Choice.tsx';
import { SelectField, TextArea, TextField, Tick } from '../../ui/Field.tsx';
import { WhichUnit } from '../../ui/WhichUnit.tsx';

interface Props {
  fields: readonly Field[];
  typed: Typed;
  read: ReadForm;
  /** What the working itself said of a field. */
  refused: readonly { field: string; message: string }[];
  onChange: (typed: Typed) => void;
}

/** The inputs of a working as a form, in the units of the person. */
export function TypedForm({ fields, typed, read, refused, onChange }: Props) {
  const problem = (path: string) =>
    read.problems.find((p) => p.field === path)?.message ??
    refused.find((p) => p.field === path || p.field.startsWith(`${path}.`))?.message;
  return (
    <div role="group" aria-label="What is known" className="grid gap-4 sm:grid-cols-2">
      {fields
        .filter((f) => wanted(f, typed))
        .map((f) => {
          const value = typed[f.name] ?? (f.kind === 'rows' ? [] : '');
          const set = (v: string | string[][]) => onChange({ ...typed, [f.name]: v });
          if (f.kind === 'rows')
            return (
              <Rows key={f.name} field={f} rows={value as string[][]} read={read} problem={problem} onChange={set} />
            );
          const error = problem(f.name);
          return (
            <div key={f.name} className={f.kind === 'numbers' || f.kind === 'text' ? 'sm:col-span-2' : undefined}>
              <One field={f} value={value as string} error={error} onChange={set} />
              <Ask read={read} path={f.name} onAnswer={set} />
            </div>
          );
        })}
    </div>
  );
}

function One({
  field: f,
  value,
  error,
  onChange,
}: {
  field: Field;
  value: string;
  error: string | undefined;
  onChange: (v: string) => void;
}) {
  const units = useAppState((s) => s.units);
  const unit = unitFor(f.unit, units);
  const label = `${f.title}${unit && f.kind !== 'text' ? `, ${unit}` : ''}`;
  const hint = f.hint ?? hintOf(f, units);
  if (f.kind === 'yes')
    return <Tick label={f.title} checked={value === 'yes'} onChange={(e) => onChange(e.target.checked ? 'yes' : '')} />;
  if (f.kind === 'choice') {
    const options = f.options!;
    if (options.length <= 3)
      return (
        <div>
          <Choice label={f.title} value={value} options={options.map((o) => [o, o] as const)} onChange={onChange} />
          {(error ?? hint) && (
            <p className={error ? 'mt-1 text-sm font-semibold text-danger' : 'mt-1 text-sm text-soft'}>
              {error ?? hint}
            </p>
          )}
        </div>
      );
    return (
      <SelectField label={f.title} value={value} error={error} hint={hint} onChange={(e) => onChange(e.target.value)}>
        <option value="" disabled>
          Choose
        </option>
        {options.map((o) => (
          <option key={o}>{o}</option>
        ))}
      </SelectField>
    );
  }
  if (f.kind === 'text' && (value.includes('\n') || f.name.endsWith('Csv')))
    return (
      <TextArea label={label} value={value} error={error} hint={hint} onChange={(e) => onChange(e.target.value)} />
    );
  if (f.kind === 'day')
    return (
      <TextField
        type="date"
        label={f.title}
        value={value}
        error={error}
        hint={hint}
        onChange={(e) => onChange(e.target.value)}
      />
    );
  return (
    <TextField
      label={`${label}${f.optional && f.kind === 'number' ? ' (if known)' : ''}`}
      value={value}
      error={error}
      hint={hint}
      inputMode={f.kind === 'text' ? 'text' : 'decimal'}
      onChange={(e) => onChange(e.target.value)}
    />
  );
}

function hintOf(f: Field, units: 'metric' | 'inch') {
  if (f.kind === 'number' && f.min !== undefined && units === 'metric') return limitsInWords(f);
  if (f.kind === 'numbers') return 'One after another, a blank between.';
  return undefined;
}

function Ask({ read, path, onAnswer }: { read: ReadForm; path: string; onAnswer: (v: string) => void }) {
  const ask = read.asks.find((a) => a.field === path);
  return ask ? <WhichUnit typed={ask.typed} asThousandths={ask.asThousandths} onAnswer={onAnswer} /> : null;
}

interface RowsProps {
  field: Field;
  rows: string[][];
  read: ReadForm;
  problem: (path: string) => string | undefined;
  onChange: (rows: string[][]) => void;
}

function Rows({ field, rows, read, problem, onChange }: RowsProps) {
  const units = useAppState((s) => s.units);
  const columns = field.of!;
  const set = (i: number, k: number, v: string) =>
    onChange(rows.map((r, n) => (n === i ? columns.map((_, c) => (c === k ? v : (r[c] ?? ''))) : r)));
  const own = problem(field.name);
  return (
    <fieldset className="rounded-lg border border-line p-3 sm:col-span-2">
      <legend className="px-1 font-semibold">{field.title}</legend>
      {field.hint && <p className="mb-2 text-sm text-soft">{field.hint}</p>}
      <ul className="flex flex-col gap-2">
        {rows.map((row, i) => (
          <li key={i} className="flex flex-wrap items-end gap-2">
            {columns.map((c, k) => {
              const path = `${field.name}.${i}.${c.name}`;
              const label = `${c.title}${c.unit ? `, ${unitFor(c.unit, units)}` : ''}`;
              return (
                <div key={c.name} className="min-w-28 flex-1">
                  {c.kind === 'choice' ? (
                    <SelectField
                      label={label}
                      value={row[k] ?? ''}
                      error={problem(path)}
                      onChange={(e) => set(i, k, e.target.value)}
                    >
                      <option value="" disabled>
                        Choose
                      </option>
                      {c.options!.map((o) => (
                        <option key={o}>{o}</option>
                      ))}
                    </SelectField>
                  ) : (
                    <TextField
                      label={label}
                      value={row[k] ?? ''}
                      error={problem(path)}
                      inputMode={c.kind === 'number' ? 'decimal' : 'text'}
                      onChange={(e) => set(i, k, e.target.value)}
                    />
                  )}
                  <Ask read={read} path={path} onAnswer={(v) => set(i, k, v)} />
                </div>
              );
            })}
            <button
              type="button"
              aria-label={`Take row ${i + 1} of ${field.title} out`}
              className="grid size-12 place-items-center rounded-lg hover:bg-danger-wash"
              onClick={() => onChange(rows.filter((_, n) => n !== i))}
            >
              <Trash2 className="size-5" aria-hidden />
            </button>
          </li>
        ))}
      </ul>
      {own && !rows.some((_, i) => columns.some((c) => problem(`${field.name}.${i}.${c.name}`))) && (
        <p className="mt-2 text-sm font-semibold text-danger">{own}</p>
      )}
      <Button
        className="mt-3"
        disabled={rows.length >= field.entries![1]}
        onClick={() => onChange([...rows, columns.map((c) => (c.kind === 'choice' ? c.options![0]! : ''))])}
      >
        <Plus className="size-5" aria-hidden />
        Another row
      </Button>
    </fieldset>
  );
}
