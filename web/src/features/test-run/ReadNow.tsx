import { api } from '../../data/api.ts';
import { dialError, dialReference, isRoomCelsius, readDial } from '@eclat/core/rate';
import { useState } from 'react';
import { useCommand } from '../../data/useCommand.ts';
import { say, serverNow, useAppState } from '../../data/app-state.ts';
import { Panel } from '../../ui/Answer.tsx';
import { Button } from '../../ui/Button.tsx';
import { clockTime, shopAheadOfUtcS } from '../../ui/dates.ts';
import { TextField } from '../../ui/Field.tsx';

/** How far local time is ahead of UTC, s. */
const two = (n: number) => String(n).padStart(2, '0');

/**
 * One press at the moment the hand meets a mark; then, at leisure, what the hands showed.
 * @param setAt when its hands were last set, ms since 1970
 */
export function ReadNow({ visitId, setAt, onKept }: { visitId: string; setAt: number; onKept?: () => void }) {
  const [pressedAt, setPressedAt] = useState<number | null>(null);
  const [dial, setDial] = useState('');
  const [warm, setWarm] = useState('');
  const offset = useAppState((s) => s.clockOffset);
  const celsius = warm.trim() === '' ? null : Number(warm.replace(',', '.'));
  const tooWarm = celsius !== null && !isRoomCelsius(celsius);
  const read = useCommand(api.testRun.addReading, {
    what: 'Reading',
    onSent: () => {
      setPressedAt(null);
      setDial('');
      onKept?.();
    },
    onDone: () => say('Reading taken.'),
  });
  const shown = readDial(dial);
  const error =
    pressedAt !== null && shown !== null ? dialError(shown, dialReference(pressedAt, setAt, shopAheadOfUtcS)) : null;
  if (pressedAt === null)
    return <NowButton setAt={setAt} setPressedAt={setPressedAt} setDial={setDial} offset={offset} />;
  const changed = shopAheadOfUtcS(pressedAt) - shopAheadOfUtcS(setAt);
  return (
    <Panel title={`Pressed at ${clockTime(pressedAt)}`}>
      <form
        className="flex flex-col gap-3"
        onSubmit={(e) => {
          e.preventDefault();
          if (error !== null && !tooWarm)
            read.mutate({
              params: { visitId },
              body: { readAt: new Date(pressedAt).toISOString(), errorS: Number(error.toFixed(1)), celsius },
            });
        }}
      >
        <TextField
          label="What the hands showed"
          hint="hours : minutes : seconds"
          autoFocus
          value={dial}
          inputMode="decimal"
          error={dial !== '' && shown === null ? 'Write it as 10:12:30.' : undefined}
          onChange={(e) => setDial(e.target.value)}
          onFocus={(e) => e.target.select()}
        />
        {error !== null && (
          <p className="text-xl font-bold" aria-live="polite">
            {Math.abs(error) < 0.05 ? 'Exactly right' : `${inWords(Math.abs(error))} ${error > 0 ? 'ahead' : 'behind'}`}
          </p>
        )}
        {changed !== 0 && (
          <p>
            The clocks went {changed > 0 ? 'forward' : 'back'} since its hands were set: it is read against the time
            before. Set them to the new time and log it, and it is read against that.
          </p>
        )}
        <TextField
          label="Temperature, °C"
          hint="May stay empty."
          inputMode="decimal"
          value={warm}
          error={tooWarm ? '−30 to 60.' : undefined}
          onChange={(e) => setWarm(e.target.value)}
        />
        <div className="flex gap-3">
          <Button type="submit" variant="main" disabled={error === null || tooWarm} busy={read.isPending}>
            Save the reading
          </Button>
          <Button variant="plain" onClick={() => setPressedAt(null)}>
            Press again
          </Button>
        </div>
      </form>
    </Panel>
  );
}

function NowButton({
  setAt,
  setPressedAt,
  setDial,
  offset,
}: {
  setAt: number;
  setPressedAt: (next: number | null) => void;
  setDial: (next: string) => void;
  offset: number;
}) {
  const press = () => {
    const at = serverNow();
    setPressedAt(at);
    // the mark that was met is most likely the nearest minute
    const minutes = Math.round(dialReference(at, setAt, shopAheadOfUtcS) / 60);
    setDial(`${Math.floor(minutes / 60) % 12 || 12}:${two(minutes % 60)}:00`);
  };
  return (
    <button
      type="button"
      data-next
      onClick={press}
      className={
        'min-h-28 rounded-xl border-2 border-steel bg-steel px-5 text-center text-2xl font-bold ' +
        'text-steel-ink hover:brightness-110'
      }
    >
      Now
      <span className="block text-base font-normal">press as the hand meets a minute mark</span>
      <span className="block text-sm font-normal">
        {Math.abs(offset) < 50
          ? 'by the server’s time, which this device keeps'
          : `by the server’s time: this device is ${(Math.abs(offset) / 1000).toFixed(1)} s ` +
            (offset > 0 ? 'behind' : 'ahead') +
            ', taken into account'}
      </span>
    </button>
  );
}

export const inWords = (s: number): string =>
  s < 90 ? `${s.toFixed(s < 10 ? 1 : 0)} s` : `${Math.floor(s / 60)} min ${Math.round(s % 60)} s`;
