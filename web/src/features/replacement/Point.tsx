import type { Visit } from '@eclat/contract';
import {
  answeredFirst,
  CHECK_ANSWERS,
  replacementChecks,
  wantsWords,
  type CheckAnswer,
  type ReplacementCheck,
} from '@eclat/core/movement';
import { TriangleAlert } from 'lucide-react';
import { api } from '../../data/api.ts';
import { useCommand } from '../../data/useCommand.ts';
import { useKept } from '../../data/useDraft.ts';
import { Button } from '../../ui/Button.tsx';
import { Choice } from '../../ui/Choice.tsx';
import { TextField } from '../../ui/Field.tsx';
import { useThisVisit } from '../visit/useThisVisit.ts';

const WORDS_WANTED: Partial<Record<ReplacementCheck['part'], string>> = {
  match: 'How it is met all the same',
  'before it goes in': 'Why they stay wound',
};

export function Point({
  point,
  answer,
}: {
  point: ReplacementCheck;
  answer: Visit['replacement']['checks'][string] | undefined;
}) {
  const visit = useThisVisit();
  const [note, setNote] = useKept<string | null>(`point.${visit.id}.${point.id}`, null);
  const set = useCommand(api.replacement.setCheck, { what: 'Replacement', onSent: () => setNote(null) });
  const send = (to: CheckAnswer | null, words: string) =>
    set.mutate({ params: { visitId: visit.id, check: point.id }, body: { answer: to, note: words } });
  const asksWords = wantsWords(point, answer?.answer);
  const { checks } = visit.replacement;
  const early = answeredFirst(point.id, replacementChecks(visit.movement.traits, ''), checks);
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
        {early && <p className="text-soft">{early}</p>}
      </div>
      <Choice
        label={point.asks}
        hideLabel
        value={answer?.answer ?? ''}
        disabled={visit.closedAt !== null || early !== null}
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
              label={(asksWords && WORDS_WANTED[point.part]) || 'Note'}
              maxLength={300}
              value={note ?? answer.note}
              onChange={(e) => setNote(e.target.value)}
              error={
                asksWords && (note ?? answer.note).trim() === ''
                  ? 'Words are needed where it is answered no.'
                  : undefined
              }
            />
          </div>
          {note !== null && note !== answer.note && (
            <Button type="submit" busy={set.isPending}>
              Save
            </Button>
          )}
        </form>
      )}
    </li>
  );
}
