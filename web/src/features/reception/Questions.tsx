import { settled } from '@eclat/core/workflow';
import { Fold } from '../../ui/Fold.tsx';
import { questionsFor, type Question } from '@eclat/core/intake';
import { useState } from 'react';
import { api } from '../../data/api.ts';
import { useCommand } from '../../data/useCommand.ts';
import { Choice } from '../../ui/Choice.tsx';
import { day } from '../../ui/dates.ts';
import { SelectField, TextField } from '../../ui/Field.tsx';
import { useThisVisit } from '../visit/useThisVisit.ts';

/** The history of the complaint, asked while the owner is still here. The answers feed the diagnosis. */
export function Questions() {
  const visit = useThisVisit();
  const set = useCommand(api.reception.answer, { what: 'Answer' });
  const answer = (question: string, words: string) =>
    set.mutate({ params: { visitId: visit.id, question }, body: { answer: words } });
  const list = questionsFor(visit.movement.traits);
  const answered = list.filter((q) => visit.answers.some((a) => a.question === q.id)).length;
  return (
    <Fold
      title="Ask while they are here"
      says={`${answered} of ${list.length}`}
      open={answered < list.length && !settled(visit.stages).includes('intake')}
    >
      <ul className="flex flex-col gap-4">
        {visit.earlier.length > 0 && (
          <li>
            <Callback />
          </li>
        )}
        {list.map((q) => {
          const given = visit.answers.find((a) => a.question === q.id)?.answer ?? '';
          return (
            <li key={q.id}>
              {q.answers.length > 0 ? (
                <Choice
                  label={q.asks}
                  value={given}
                  disabled={visit.closedAt !== null}
                  onChange={(a) => answer(q.id, a)}
                  onClear={() => answer(q.id, '')}
                  options={q.answers.map(([a]) => [a, a] as const)}
                />
              ) : (
                <Written
                  key={given}
                  question={q}
                  given={given}
                  closed={visit.closedAt !== null}
                  onAnswer={(a) => answer(q.id, a)}
                />
              )}
            </li>
          );
        })}
      </ul>
    </Fold>
  );
}

function Written({
  question,
  given,
  closed,
  onAnswer,
}: {
  question: Question;
  given: string;
  closed: boolean;
  onAnswer: (words: string) => void;
}) {
  const [words, setWords] = useState(given);
  const keep = () => {
    if (words.trim() !== given) onAnswer(words.trim());
  };
  return (
    <TextField
      label={question.asks}
      readOnly={closed}
      value={words}
      maxLength={400}
      onChange={(e) => setWords(e.target.value)}
      onBlur={keep}
      onKeyDown={(e) => {
        if (e.key !== 'Enter') return;
        e.preventDefault();
        keep();
      }}
    />
  );
}

/** A return of the shop's own work is linked to the visit it goes back to: how many came back, and why, is known. */
function Callback() {
  const visit = useThisVisit();
  const set = useCommand(api.reception.linkCallback, { what: 'Callback' });
  return (
    <SelectField
      label="Does it come back because of earlier work here?"
      disabled={visit.closedAt !== null}
      value={visit.callbackOf?.visitId ?? ''}
      onChange={(e) => set.mutate({ params: { visitId: visit.id }, body: { visitId: e.target.value || null } })}
    >
      <option value="">No</option>
      {visit.earlier.map((e) => (
        <option key={e.visitId} value={e.visitId}>
          Yes, of {e.claim}, signed {day(e.closedAt)}
        </option>
      ))}
    </SelectField>
  );
}
