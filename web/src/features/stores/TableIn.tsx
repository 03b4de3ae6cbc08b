import type { ImportPreview } from '@eclat/contract';
import { KINDS, STORE_COLUMNS } from '@eclat/core/stores';
import { tableText } from '@eclat/core/table';
import { byCount } from '@eclat/core/units';
import { useQuery } from '@tanstack/react-query';
import { useDeferredValue, useState } from 'react';
import { api } from '../../data/api.ts';
import { fetched } from '../../data/fetched.ts';
import { useCommand } from '../../data/useCommand.ts';
import { say } from '../../data/app-state.ts';
import { Answer } from '../../ui/Answer.tsx';
import { Button } from '../../ui/Button.tsx';
import { TextArea } from '../../ui/Field.tsx';
import { Sheet } from '../../ui/Sheet.tsx';

const LARGEST = 6_000_000;
const WORDS = { new: 'new', changed: 'changes', same: 'the same' };

/**
 * A CSV table is looked at first: each row with what it would do, each bad one with why. Nothing is changed until all
 * are right.
 */
export default function TableIn({ onClose }: { onClose: () => void }) {
  const [csv, setCsv] = useState('');
  const table = useDeferredValue(csv);
  const [tooLarge, setTooLarge] = useState('');
  const [guessed, setGuessed] = useState(false);
  const { data: seen, error } = useQuery({
    ...fetched(api.stores.previewTable, { body: { csv: table } }),
    enabled: table.trim() !== '',
    retry: false,
  });
  const take = useCommand(api.stores.importTable, {
    what: 'Stores',
    onSent: onClose,
    onDone: (r) => say(`${r.added} new, ${r.changed} changed.`),
  });
  const file = async (f: File | undefined) => {
    if (!f) return;
    setTooLarge('');
    if (f.size > LARGEST) return setTooLarge(`${f.name} has ${Math.ceil(f.size / 1e6)} MB: at most 6 MB at once.`);
    const read = tableText(new Uint8Array(await f.arrayBuffer()));
    setGuessed(read.from !== null);
    setCsv(read.text);
  };
  const bad = seen?.problems ?? [];
  return (
    <Sheet
      open
      wide
      onClose={onClose}
      title="Import a table"
      description="CSV with a first line of column names. What is not in the table stays as it is."
    >
      <div className="flex flex-col gap-4">
        <label className="flex flex-col gap-1 font-semibold">
          The file
          <input
            type="file"
            accept=".csv,text/csv"
            className="min-h-12 rounded-lg border border-line p-2 font-normal"
            onChange={(e) => void file(e.target.files?.[0])}
          />
        </label>
        {guessed && (
          <Answer tone="due" title="It is not written in UTF-8">
            It was read as Windows wrote it (code page 1252). Look at a name with an accent before you take it in.
          </Answer>
        )}
        <TableHelp csv={csv} setCsv={setCsv} />
        {(tooLarge || error) && (
          <Answer tone="danger" title="It could not be read">
            {tooLarge || error?.message}
          </Answer>
        )}
        {seen && <Verdict seen={seen} />}
        <WhatItDoes bad={bad} seen={seen} />
        <div className="flex gap-3">
          <Button
            variant="main"
            disabled={!seen || table !== csv || bad.length > 0 || seen.rows.every((r) => r.effect === 'same')}
            busy={take.isPending}
            onClick={() => take.mutate({ params: {}, body: { csv } })}
          >
            Take it in
          </Button>
          <Button variant="plain" onClick={onClose}>
            Close
          </Button>
        </div>
      </div>
    </Sheet>
  );
}

/** What the whole table comes to. */
function Verdict({ seen }: { seen: ImportPreview }) {
  const wrong = seen.problems.length;
  const of = (e: 'new' | 'changed' | 'same') => seen.rows.filter((r) => r.effect === e).length;
  if (wrong === 0)
    return <Answer tone="good" title={`${of('new')} new, ${of('changed')} changed, ${of('same')} the same`} />;
  return (
    <Answer
      tone="danger"
      title={`${byCount(wrong, 'One thing is', `${wrong} things are`)} wrong in it: nothing is taken in yet`}
    >
      Put the table right and choose it again.
    </Answer>
  );
}

function TableHelp({ csv, setCsv }: { csv: string; setCsv: (next: string) => void }) {
  return (
    <>
      <details>
        <summary className="min-h-11 cursor-pointer py-2 font-semibold">Or type or paste it</summary>
        <TextArea
          label="The table"
          rows={6}
          value={csv}
          onChange={(e) => setCsv(e.target.value)}
          placeholder="kind,name,bore_mm,outside_mm,height_mm,on_hand"
        />
      </details>
      <details>
        <summary className="min-h-11 cursor-pointer py-2 font-semibold">Which columns</summary>
        <p className="break-words">
          {STORE_COLUMNS.join(', ')}. Kinds: {KINDS.map((k) => k.id).join(', ')}. Comma, semicolon or tab between;
          decimal point or comma.
        </p>
      </details>
    </>
  );
}

function WhatItDoes({
  bad,
  seen,
}: {
  bad: { line: number; column: string; message: string }[];
  seen: ImportPreview | undefined;
}) {
  return (
    <>
      {bad.length > 0 && (
        <ul aria-label="What is wrong" className="max-h-64 divide-y divide-line overflow-y-auto">
          {bad.map((p, i) => (
            <li key={i} className="grid grid-cols-[5rem_9rem_minmax(0,1fr)] gap-3 py-1">
              <b>line {p.line}</b>
              <span className="text-soft">{p.column}</span>
              <span>{p.message}</span>
            </li>
          ))}
        </ul>
      )}
      {seen && bad.length === 0 && (
        <ul aria-label="What it would do" className="max-h-64 divide-y divide-line overflow-y-auto">
          {seen.rows
            .filter((r) => r.effect !== 'same')
            .map((r) => (
              <li key={r.line} className="grid grid-cols-[5rem_6rem_minmax(0,1fr)] gap-3 py-1">
                <span className="text-soft">line {r.line}</span>
                <b>{WORDS[r.effect]}</b>
                <span>
                  {r.name}
                  {r.size && `, ${r.size}`}
                  {r.changes.length > 0 && <span className="text-soft">: {r.changes.join('; ')}</span>}
                </span>
              </li>
            ))}
        </ul>
      )}
    </>
  );
}
