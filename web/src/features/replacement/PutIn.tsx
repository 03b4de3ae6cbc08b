import { type Known, WhichMovement, NewOne } from './WhichMovement.tsx';
import { dialWorkOf, OLD_MOVEMENT_FATES, type DialWork, type OldMovementFate } from '@eclat/core/movement';
import { useState } from 'react';
import { api } from '../../data/api.ts';
import { useMovements } from '../../data/queries.ts';
import { useCommand } from '../../data/useCommand.ts';
import { say } from '../../data/app-state.ts';
import { Panel } from '../../ui/Answer.tsx';
import { Button } from '../../ui/Button.tsx';
import { SelectField, TextField, Tick } from '../../ui/Field.tsx';
import { Sheet } from '../../ui/Sheet.tsx';
import { useThisVisit } from '../visit/useThisVisit.ts';

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
  const onDial = dialWorkOf(visit.movement.traits);
  const [dialWork, setDialWork] = useState<readonly DialWork[]>(onDial);
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
        <StaysWithDial all={onDial} chosen={dialWork} onChange={setDialWork} />
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
          dialWork={dialWork}
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

/** Work under the dial is the clock's; what is not ticked goes with the old movement. */
function StaysWithDial({
  all,
  chosen,
  onChange,
}: {
  all: readonly DialWork[];
  chosen: readonly DialWork[];
  onChange: (chosen: readonly DialWork[]) => void;
}) {
  if (all.length === 0) return null;
  return (
    <fieldset className="sm:col-span-2">
      <legend className="font-semibold">Stays with the dial, and the new one drives it</legend>
      {all.map((w) => (
        <Tick
          key={w}
          label={w}
          checked={chosen.includes(w)}
          onChange={(e) => onChange(e.target.checked ? [...chosen, w] : chosen.filter((other) => other !== w))}
        />
      ))}
    </fieldset>
  );
}

function SureSheet({
  fit,
  why,
  fate,
  dialWork,
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
  dialWork: readonly DialWork[];
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
        dialWork: [...dialWork],
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
      description={
        'This cannot be taken back: what was done to the old movement is closed into its own book, and ' +
        'this visit goes on with the new one.'
      }
    >
      <p className="text-lg">
        The old movement is <b>{fate}</b>.
      </p>
      <div className="mt-4 flex gap-3">
        <Button variant="danger" busy={fit.isPending} onClick={send}>
          Yes, it is in
        </Button>
        <Button variant="plain" onClick={() => setAsking(false)}>
          Not yet
        </Button>
      </div>
    </Sheet>
  );
}
