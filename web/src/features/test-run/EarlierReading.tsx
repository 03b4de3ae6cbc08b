import { api } from '../../data/api.ts';
import { useState } from 'react';
import { useCommand } from '../../data/useCommand.ts';
import { useKept } from '../../data/useDraft.ts';
import { say } from '../../data/app-state.ts';
import { Panel } from '../../ui/Answer.tsx';
import { Button } from '../../ui/Button.tsx';
import { sentMoment } from '../../ui/dates.ts';
import { Choice } from '../../ui/Choice.tsx';
import { TextField } from '../../ui/Field.tsx';
import { useThisVisit } from '../visit/useThisVisit.ts';

/** A reading that was taken away from the screen and written down. */
export function EarlierReading() {
  const visit = useThisVisit();
  const [open, setOpen] = useState(false);
  const [at, setAt] = useKept(`reading.${visit.id}.at`, '');
  const [seconds, setSeconds] = useKept(`reading.${visit.id}.seconds`, '');
  const [way, setWay] = useState<'ahead' | 'behind'>('ahead');
  const [wrong, setWrong] = useState('');
  const read = useCommand(api.testRun.addReading, {
    what: 'Reading',
    onSent: () => {
      setAt('');
      setSeconds('');
      setWrong('');
    },
    onDone: () => say('Reading taken.'),
    onFields: ([f]) => setWrong(f!.message),
  });
  const value = Number(seconds.replace(',', '.'));
  const bad = seconds.trim() === '' || !(value >= 0 && value <= 21_600);
  if (!open) return <Button onClick={() => setOpen(true)}>An earlier reading, from paper</Button>;
  return (
    <Panel title="An earlier reading">
      <form
        className="flex flex-col gap-3"
        onSubmit={(e) => {
          e.preventDefault();
          read.mutate({
            params: { visitId: visit.id },
            body: { readAt: sentMoment(at), errorS: way === 'ahead' ? value : -value, celsius: null },
          });
        }}
      >
        <TextField
          label="Read at"
          type="datetime-local"
          step={1}
          value={at}
          error={wrong || undefined}
          onChange={(e) => {
            setAt(e.target.value);
            setWrong('');
          }}
        />
        <TextField
          label="Seconds off"
          inputMode="decimal"
          value={seconds}
          error={seconds !== '' && bad ? 'Seconds, at most six hours of them.' : undefined}
          onChange={(e) => setSeconds(e.target.value)}
        />
        <Choice
          hideLabel
          label="Which way"
          value={way}
          onChange={setWay}
          options={
            [
              ['ahead', 'ahead'],
              ['behind', 'behind'],
            ] as const
          }
        />
        <div className="flex gap-3">
          <Button type="submit" variant="main" disabled={bad || at === ''} busy={read.isPending}>
            Save
          </Button>
          <Button variant="plain" onClick={() => setOpen(false)}>
            Close
          </Button>
        </div>
      </form>
    </Panel>
  );
}
