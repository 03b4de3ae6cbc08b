import type { MovementBook, ReplyOf } from '@eclat/contract';
import { movementBook } from '@eclat/contract/movement-book';
import { MARK_PLACES } from '@eclat/contract/movements';
import { dateInWords } from '@eclat/core/history';
import { FAMILIES } from '@eclat/core/movement';
import { counted } from '@eclat/core/units';
import { FileJson } from 'lucide-react';
import { useId, useState } from 'react';
import { useFormContext } from 'react-hook-form';
import type { z } from 'zod';
import { api } from '../../data/api.ts';
import { Away, call } from '../../data/call.ts';
import { whyOf } from '../../data/outbox.ts';
import { useMaySign } from '../../data/queries.ts';
import { buttonClass } from '../../ui/Button.tsx';
import type { IntakeForm } from './form.ts';

const MOST_BYTES = 7_000_000;
const isPlace = (p: string): p is (typeof MARK_PLACES)[number] => (MARK_PLACES as readonly string[]).includes(p);

/** Which line of it is not as a book has it, counted from 1 as a person counts. */
function whyNot({ path: [part, i, field], message }: z.core.$ZodIssue): string {
  if (part === 'entries' && typeof i === 'number')
    return `Entry ${i + 1} of this book, ${String(field ?? 'the whole')}: ${message}`;
  return 'This is not a movement book. It begins with "format": "eclat-movement-book".';
}

type Checked = ReplyOf<typeof api.movements.checkRecord>;
const NOTHING_CHECKED: Checked = { proofs: [], log: [] };

/** How each stands, or why it cannot be taken in. Without the server it is checked when the clock is taken in. */
async function check(history: MovementBook['entries'], logs: MovementBook['logs']): Promise<Checked | string> {
  try {
    return await call(api.movements.checkRecord, { body: { history, logs } });
  } catch (error) {
    return error instanceof Away ? NOTHING_CHECKED : whyOf(error);
  }
}

function proofsInWords(proofs: Checked['proofs']): string {
  const n = (proof: Checked['proofs'][number]) => proofs.filter((p) => p === proof).length;
  const said = [
    [n('proved'), 'signed by this shop'],
    [n('unknown shop'), 'signed by a key that is not known here'],
    [n('unsigned'), 'unsigned: it says what it says'],
  ] as const;
  const words = said.flatMap(([count, what]) => (count > 0 ? `${count} ${what}` : []));
  return words.length === 0 ? 'Checked when it is taken in.' : `Checked: ${words.join(', ')}.`;
}

/** A movement that came with its book from another shop: what stands in it is shown, and goes on in the book here. */
export function CameWithRecord() {
  const { setValue, watch, formState } = useFormContext<IntakeForm>();
  const mayTake = useMaySign();
  const refused = formState.errors.movement?.history?.message;
  const id = useId();
  const [trouble, setTrouble] = useState('');
  const [checked, setChecked] = useState(NOTHING_CHECKED);
  const history = watch('movement.history') ?? [];
  const take = async (file: File) => {
    setTrouble('');
    if (file.size > MOST_BYTES) return setTrouble('This file is too large for a movement book.');
    const read = movementBook.safeParse(
      await file
        .text()
        .then(JSON.parse)
        .catch(() => null),
    );
    if (!read.success) return setTrouble(whyNot(read.error.issues[0]!));
    const { movement, entries, logs = [] }: MovementBook = read.data;
    const found = await check(entries, logs);
    if (typeof found === 'string') return setTrouble(found);
    setChecked(found);
    setValue('movement', {
      name: movement.name,
      familyId: FAMILIES.some((f) => f.id === movement.familyId) ? movement.familyId : '',
      maker: movement.maker,
      fittings: [],
      marks: movement.marks.flatMap(({ place, text }) => (isPlace(place) ? [{ place, text }] : [])),
      history: entries,
      logs,
      historyFrom: file.name.slice(0, 200),
    });
  };
  if (!mayTake)
    return (
      <p className="text-sm text-soft sm:col-span-2">If it came with a record, somebody who may sign takes it in.</p>
    );
  return (
    <div className="sm:col-span-2">
      <input
        id={id}
        type="file"
        accept="application/json,.json"
        className="sr-only"
        onChange={(e) => {
          const [file] = e.target.files ?? [];
          if (file) void take(file);
          e.target.value = '';
        }}
      />
      <label htmlFor={id} className={buttonClass('plain', '-ml-4')}>
        <FileJson className="size-5" aria-hidden />
        It came with a record
      </label>
      {(trouble || refused) && (
        <p className="font-semibold text-danger" role="alert">
          {trouble || refused}
        </p>
      )}
      {history.length > 0 && <Came history={history} checked={checked} />}
    </div>
  );
}

/** What came, and how it stands, before anything is written. */
function Came({ history, checked: { proofs, log } }: { history: MovementBook['entries']; checked: Checked }) {
  return (
    <div className="rounded-lg border-2 border-steel bg-steel-wash p-3">
      <p className="font-bold">
        {counted(history.length, 'entry', 'entries')} came with it and {history.length === 1 ? 'goes' : 'go'} on in its
        book here
      </p>
      <p>{proofsInWords(proofs)}</p>
      {log.map((words) => (
        <p key={words} className="font-semibold text-danger">
          {words}
        </p>
      ))}
      <ul>
        {history
          .slice(-5)
          .reverse()
          .map((e) => (
            <li key={e.hash}>
              <b>{dateInWords(e.date)}</b> {e.title}{' '}
              <span className="text-soft">
                {e.shop}, {e.signedBy}
              </span>
            </li>
          ))}
      </ul>
    </div>
  );
}
