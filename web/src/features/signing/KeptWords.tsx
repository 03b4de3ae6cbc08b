import { useState } from 'react';
import { api } from '../../data/api.ts';
import { useCommand } from '../../data/useCommand.ts';
import { useKept } from '../../data/useDraft.ts';
import { useTakeOut } from '../../data/useTakeOut.ts';
import { Panel } from '../../ui/Answer.tsx';
import { Button } from '../../ui/Button.tsx';
import { dayTime } from '../../ui/dates.ts';
import { TextField } from '../../ui/Field.tsx';
import { useThisVisit } from '../visit/useThisVisit.ts';

/** Somebody called Steel brings a clock with a steel pinion: the signer says that the word means something else. */
export function KeepWord({ word }: { word: string }) {
  const visit = useThisVisit();
  const [asking, setAsking] = useState(false);
  const [why, setWhy, forget] = useKept(`word.${visit.id}.${word}`, '');
  const keep = useCommand(api.signing.keepWord, { what: 'Allowed word', onSent: forget });
  if (!asking)
    return (
      <Button variant="plain" onClick={() => setAsking(true)}>
        It means something else
      </Button>
    );
  return (
    <form
      className="flex flex-wrap items-end gap-3"
      onSubmit={(e) => {
        e.preventDefault();
        if (why.trim() !== '') keep.mutate({ params: { visitId: visit.id }, body: { word, why } });
      }}
    >
      <TextField
        className="min-w-56"
        label={`Why “${word}” stays`}
        hint="Kept in this shop, not in the record."
        value={why}
        onChange={(e) => setWhy(e.target.value)}
        autoFocus
      />
      <Button type="submit" disabled={why.trim() === ''} busy={keep.isPending}>
        Allow the word
      </Button>
    </form>
  );
}

export function KeptWords() {
  const visit = useThisVisit();
  const drop = useTakeOut(api.signing.dropWord, 'Allowed word');
  if (visit.keptWords.length === 0) return null;
  return (
    <Panel title="Allowed words">
      <ul className="divide-y divide-line">
        {visit.keptWords.map((k) => (
          <li key={k.id} className="flex flex-wrap items-center gap-3 py-2">
            <span>
              <b>“{k.word}”</b>: {k.why} <span className="text-soft">({`${k.by}, ${dayTime(k.at)}`})</span>
            </span>
            <Button variant="plain" onClick={() => drop({ params: { visitId: visit.id, wordId: k.id } })}>
              Take it back
            </Button>
          </li>
        ))}
      </ul>
    </Panel>
  );
}
