import type { Visit } from '@eclat/contract';
import { CHECK_ANSWERS, type CheckAnswer, type ReplacementCheck } from '@eclat/core/movement';
import { TriangleAlert } from 'lucide-react';
import { useState } from 'react';
import { api } from '../../data/api.ts';
import { useCommand } from '../../data/useCommand.ts';
import { Button } from '../../ui/Button.tsx';
import { Choice } from '../../ui/Choice.tsx';
import { TextField } from '../../ui/Field.tsx';
import { useThisVisit } from '../visit/useThisVisit.ts';

export function Point({
  point,
  answer,
}: {
  point: ReplacementCheck;
  answer: Visit['replacement']['checks'][string] | undefined;
}) {
  const visit = useThisVisit();
  const [note, setNote] = useState<string | null>(null);
  const set = useCommand(api.replacement.setCheck, { what: 'Replacement', onDone: () => setNote(null) });
  const send = (to: CheckAnswer | null, words: string) =>
    set.mutate({ params: { visitId: visit.id, check: point.id }, body: { answer: to, note: words } });
  const asksWords = point.part === 'match' && answer?.answer === 'no';
  return (
    <li className="grid grid-cols-1 items-center gap-x-5 gap-y-2 py-3 lg:grid-cols-[minmax(0,1fr)_auto]">
      <div>
        <p className="text-lg">{point.asks}</p>
        {point.caution && (
          <p className="mt-1 flex items-center gap-2 border-l-4 border-brass-fill pl-2">
            <TriangleAlert className="size-5 shrink-0 text-brass" aria-hidden />
            {point.caution}
          </p>
        )}
      </div>
      <Choice
        label={point.asks}
        hideLabel
        value={answer?.answer ?? ''}
        disabled={visit.closedAt !== null}
        options={CHECK_ANSWERS.map((a) => [a, a] as const)}
        onChange={(a) => send(a, note ?? answer?.note ?? '')}
        onClear={() => send(null, '')}
      />
      {answer && (asksWords || answer.note !== '') && (
        <form
          className="flex items-end gap-3 lg:col-span-2"
          onSubmit={(e) => {
            e.preventDefault();
            if (note !== null) send(answer.answer, note.trim());
          }}
        >
          <div className="min-w-0 flex-1">
            <TextField
              label={asksWords ? 'How it is met all the same' : 'Note'}
              maxLength={300}
              value={note ?? answer.note}
              onChange={(e) => setNote(e.target.value)}
              error={
                asksWords && (note ?? answer.note).trim() === ''
                  ? 'Words are needed where something does not match.'
                  : undefined
              }
            />
          </div>
          {note !== null && note !== answer.note && (
            <Button type="submit" busy={set.isPending}>
              Keep
            </Button>
          )}
        </form>
      )}
    </li>
  );
}
