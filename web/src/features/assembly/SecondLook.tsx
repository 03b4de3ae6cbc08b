import type { SecondLook as Look } from '@eclat/contract';
import { Eye } from 'lucide-react';
import { useState } from 'react';
import { api } from '../../data/api.ts';
import { say } from '../../data/app-state.ts';
import { useMe } from '../../data/queries.ts';
import { useCommand } from '../../data/useCommand.ts';
import { useKept } from '../../data/useDraft.ts';
import { Answer } from '../../ui/Answer.tsx';
import { Button } from '../../ui/Button.tsx';
import { dayTime } from '../../ui/dates.ts';
import { TextField } from '../../ui/Field.tsx';
import { Fold } from '../../ui/Fold.tsx';
import { useThisVisit } from '../visit/useThisVisit.ts';

const USUAL = 'before the plates close';

/** A look that was asked for stands first: for the asker as a wait, for everybody else as something to do. */
export function LookAsked() {
  const visit = useThisVisit();
  const me = useMe();
  const open = visit.secondLooks.find((l) => l.lookedAt === null);
  const back = useCommand(api.assembly.removeLook, { what: 'Second look' });
  if (!open || visit.closedAt) return null;
  const params = { visitId: visit.id, lookId: open.id };
  if (me?.name !== open.by) return <Answered look={open} />;
  return (
    <Answer tone="due" title={`A second person looks: ${open.what}`}>
      {open.of ? `${open.of} is asked.` : 'Whoever else comes by.'}{' '}
      <Button variant="plain" busy={back.isPending} onClick={() => back.mutate({ params })}>
        Not wanted after all
      </Button>
    </Answer>
  );
}

function Answered({ look }: { look: Look }) {
  const visit = useThisVisit();
  const [note, setNote, forget] = useKept(`look.${look.id}`, '');
  const [wrong, setWrong] = useState('');
  const answer = useCommand(api.assembly.answerLook, {
    what: 'Second look',
    onSent: forget,
    onFields: (fields) => setWrong(fields[0]?.message ?? ''),
    onDone: (l) => say(`Looked at: ${l.word}.`),
  });
  const send = (word: 'in order' | 'not yet') => {
    if (word === 'not yet' && note.trim() === '') setWrong('What is not right yet?');
    else answer.mutate({ params: { visitId: visit.id, lookId: look.id }, body: { word, note } });
  };
  return (
    <Answer tone="due" title={`${look.by} asks for a second look: ${look.what}`}>
      <div className="flex flex-wrap items-start gap-3">
        <TextField
          className="min-w-56 flex-1"
          label="What was seen"
          value={note}
          error={wrong || undefined}
          onChange={(e) => {
            setNote(e.target.value);
            setWrong('');
          }}
        />
        <div className="flex flex-wrap gap-2 sm:mt-7">
          <Button variant="main" busy={answer.isPending} onClick={() => send('in order')}>
            In order
          </Button>
          <Button busy={answer.isPending} onClick={() => send('not yet')}>
            Not yet
          </Button>
        </div>
      </div>
    </Answer>
  );
}

/** Asked for in one press, and what was seen so far. */
export function SecondLooks() {
  const visit = useThisVisit();
  const [of, setOf, forget] = useKept(`look.${visit.id}.of`, '');
  const ask = useCommand(api.assembly.askLook, { what: 'Second look', onSent: forget });
  const seen = visit.secondLooks.filter((l) => l.lookedAt !== null);
  const open = visit.secondLooks.length > seen.length;
  if (visit.closedAt && seen.length === 0) return null;
  return (
    <Fold
      name="looks"
      title="A second person’s look"
      says={seen.length > 0 && `${seen.at(-1)!.lookedBy}: ${seen.at(-1)!.word}`}
    >
      <ul className="flex flex-col gap-1">
        {seen.map((l) => (
          <li key={l.id}>
            <b>{l.word}</b>, {l.what}
            {l.note && `: ${l.note}`} <span className="text-soft">{`${l.lookedBy}, ${dayTime(l.lookedAt!)}`}</span>
          </li>
        ))}
      </ul>
      {!open && !visit.closedAt && (
        <form
          className="flex flex-wrap items-end gap-3"
          onSubmit={(e) => {
            e.preventDefault();
            ask.mutate({ params: { visitId: visit.id }, body: { what: USUAL, of } });
          }}
        >
          <TextField
            className="min-w-40 flex-1"
            label="Who is asked"
            placeholder="whoever comes by"
            value={of}
            onChange={(e) => setOf(e.target.value)}
          />
          <Button type="submit" busy={ask.isPending}>
            <Eye className="size-5" aria-hidden />
            Ask for a look
          </Button>
        </form>
      )}
    </Fold>
  );
}
