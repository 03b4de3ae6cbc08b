import { FAMILIES, OLD_MOVEMENT_FATES, type OldMovementFate } from '@eclat/core/movement';
import { useState } from 'react';
import { api } from '../../data/api.ts';
import { useMovements } from '../../data/queries.ts';
import { useCommand } from '../../data/useCommand.ts';
import { say } from '../../data/app-state.ts';
import { Panel } from '../../ui/Answer.tsx';
import { Button } from '../../ui/Button.tsx';
import { SelectField, TextField } from '../../ui/Field.tsx';
import { Sheet } from '../../ui/Sheet.tsx';
import { useThisVisit } from '../visit/useThisVisit.ts';

interface Known {
  id: string;
  code: string;
  name: string;
}
const MOST_SHOWN = 4;

/** Which movement goes in, why, and what becomes of the old one. Asked once more, for it cannot be taken back. */
export function PutIn({ obstacles }: { obstacles: readonly string[] }) {
  const visit = useThisVisit();
  const [text, setText] = useState('');
  const [known, setKnown] = useState<Known | null>(null);
  const [family, setFamily] = useState(visit.movement.familyId);
  const [maker, setMaker] = useState('');
  const [mark, setMark] = useState('');
  const [why, setWhy] = useState('');
  const [fate, setFate] = useState<OldMovementFate>('returned to the owner');
  const [asking, setAsking] = useState(false);
  const { data } = useMovements(text.trim().length > 1 && !known ? text : '');
  const fit = useCommand(api.replacement.fit, {
    what: 'Replacement',
    onSent: () => setAsking(false),
    onDone: () => say('It is in. Both books say so.'),
  });
  const ready = obstacles.length === 0 && text.trim() !== '' && why.trim() !== '';
  return (
    <Panel title="5. It goes in">
      <div className="grid grid-cols-1 gap-4 sm:grid-cols-2">
        <WhichMovement text={text} known={known} data={data} setKnown={setKnown} setText={setText} />
        {!known && (
          <NewOne
            family={family}
            setFamily={setFamily}
            maker={maker}
            setMaker={setMaker}
            mark={mark}
            setMark={setMark}
          />
        )}
        <SelectField
          label="What becomes of the old one"
          value={fate}
          onChange={(e) => setFate(e.target.value as OldMovementFate)}
        >
          {OLD_MOVEMENT_FATES.map((f) => (
            <option key={f}>{f}</option>
          ))}
        </SelectField>
        <TextField
          className="sm:col-span-2"
          label="Why it is replaced"
          maxLength={300}
          value={why}
          onChange={(e) => setWhy(e.target.value)}
        />
      </div>
      <div className="mt-4 flex flex-wrap items-center gap-4">
        <Button variant="main" disabled={!ready} onClick={() => setAsking(true)}>
          It is in
        </Button>
        {!ready && <span className="text-soft">{obstacles[0] ?? 'Say which movement goes in, and why.'}</span>}
      </div>
      {asking && (
        <SureSheet
          fit={fit}
          why={why}
          fate={fate}
          known={known}
          text={text}
          family={family}
          maker={maker}
          mark={mark}
          setAsking={setAsking}
        />
      )}
    </Panel>
  );
}

function WhichMovement({
  text,
  known,
  data,
  setKnown,
  setText,
}: {
  text: string;
  known: Known | null;
  data:
    | {
        items: {
          id: string;
          name: string;
          code: string;
          version: number;
          familyId: string;
          maker: string;
          marks: {
            place: 'barrel' | 'balance' | 'case' | 'dial' | 'back plate' | 'front plate' | 'label' | 'pendulum';
            text: string;
          }[];
          entries: number;
          lastDate: string | null;
        }[];
        next: string | null;
      }
    | undefined;
  setKnown: (next: Known | null) => void;
  setText: (next: string) => void;
}) {
  const visit = useThisVisit();
  const found = text.trim().length > 1 && !known ? (data?.items ?? []).filter((m) => m.id !== visit.movement.id) : [];
  return (
    <div className="sm:col-span-2">
      <TextField
        label="The movement that goes in"
        placeholder="What it is called, or the code of one that has a book"
        value={known ? `${known.code}, ${known.name}` : text}
        onChange={(e) => {
          setKnown(null);
          setText(e.target.value);
        }}
        hint={known ? 'It has a book: its history goes on.' : 'A new book is begun for it.'}
      />
      {found.length > 0 && (
        <div className="mt-2 flex flex-wrap gap-2">
          {found.slice(0, MOST_SHOWN).map((m) => (
            <Button
              key={m.id}
              onClick={() => {
                setKnown(m);
                setText(m.name);
              }}
            >
              <b>{m.code}</b> {m.name}
            </Button>
          ))}
        </div>
      )}
    </div>
  );
}

function NewOne({
  family,
  setFamily,
  maker,
  setMaker,
  mark,
  setMark,
}: {
  family: string;
  setFamily: (next: string) => void;
  maker: string;
  setMaker: (next: string) => void;
  mark: string;
  setMark: (next: string) => void;
}) {
  return (
    <>
      <SelectField label="Family" value={family} onChange={(e) => setFamily(e.target.value)}>
        {FAMILIES.map((f) => (
          <option key={f.id} value={f.id}>
            {f.name}
          </option>
        ))}
      </SelectField>
      <TextField label="Maker" value={maker} maxLength={120} onChange={(e) => setMaker(e.target.value)} />
      <TextField
        label="Type and number on its back plate"
        value={mark}
        maxLength={80}
        onChange={(e) => setMark(e.target.value)}
      />
    </>
  );
}

function SureSheet({
  fit,
  why,
  fate,
  known,
  text,
  family,
  maker,
  mark,
  setAsking,
}: {
  fit: ReturnType<typeof useCommand<typeof api.replacement.fit>>;
  why: string;
  fate: OldMovementFate;
  known: Known | null;
  text: string;
  family: string;
  maker: string;
  mark: string;
  setAsking: (next: boolean) => void;
}) {
  const visit = useThisVisit();
  const send = () =>
    fit.mutate({
      params: { visitId: visit.id },
      body: {
        why,
        fate,
        ...(known
          ? { movementId: known.id }
          : {
              movement: {
                name: text,
                familyId: family,
                maker,
                marks: mark.trim() ? [{ place: 'back plate', text: mark }] : [],
              },
            }),
      },
    });
  return (
    <Sheet
      open
      onClose={() => setAsking(false)}
      title={`${visit.movement.code} is out, ${known?.code ?? text} is in`}
      description="This cannot be taken back: what was done to the old movement is closed into its own book, and this visit goes on with the new one."
    >
      <p className="text-lg">
        The old movement is <b>{fate}</b>.
      </p>
      <div className="mt-4 flex gap-3">
        <Button variant="danger" busy={fit.isPending} onClick={send}>
          So it is
        </Button>
        <Button variant="plain" onClick={() => setAsking(false)}>
          Not yet
        </Button>
      </div>
    </Sheet>
  );
}
