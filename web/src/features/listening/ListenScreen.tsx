import type { Visit } from '@eclat/contract';
import type { CardRate, Live, Known } from '@eclat/core/sound';
import { Mic, Square, Trash2 } from 'lucide-react';
import { useEffect, useMemo, useRef, useState } from 'react';
import { useOutletContext } from 'react-router';
import { openMicrophone, whyNoMicrophone } from '../../devices/microphone.ts';
import { openSimulated } from '../../devices/simulatedClock.ts';
import { Answer, Panel } from '../../ui/Answer.tsx';
import { Button } from '../../ui/Button.tsx';
import { Choice } from '../../ui/Choice.tsx';
import { dayTime } from '../../ui/dates.ts';
import { TextField, Tick } from '../../ui/Field.tsx';
import { Arcs } from './Arcs.tsx';
import { FileSource } from './FileHeard.tsx';
import { Figures } from './Figures.tsx';
import { KeepSound } from '../recordings/KeepSound.tsx';
import { knownOfTyped } from './known.ts';
import type { Minute } from './listen.worker.ts';
import { know, lastSound, listen, stopListening, useListening, type SourceId } from './listening.ts';
import { removeLog, useLogs, type KeptLog } from './logs.ts';
import { Log, Past } from './Past.tsx';
import { balanceOf } from './sides.ts';
import { AS_SIMULATED, SimulatedSettings, type Simulated } from './SimulatedSettings.tsx';
import { Tone } from './tone.ts';
import { useWishes } from './wishes.ts';

const SOURCES = [
  ['microphone', 'Microphone'],
  ['file', 'WAV file'],
  ['simulated', 'Simulated clock'],
] as const;
const KEPT_S = 60;
/** A slide that moves is not followed step by step. */
const SETTLED_MS = 400;

/** The beat, for both hands on the crutch: which side is short, and by how much. */
export function ListenScreen() {
  const visit = useOutletContext<Visit | undefined>();
  const wishes = useWishes();
  const { beats, lift, teeth } = wishes;
  const { known, wrong } = useMemo(() => knownOfTyped({ beats, lift, teeth }), [beats, lift, teeth]);
  const { microphone, live, minute, beganAt, source, opening, ended, card } = useListening();
  const logs = useLogs((s) => s.logs);
  useEffect(() => know(known), [known]);
  const balance = live?.sides
    ? balanceOf(live.sides, wishes.tickSide, 3.6e6 / ((live.sides.tickToTockMs + live.sides.tockToTickMs) / 2) > 13_900)
    : null;
  const heard = live?.state === 'heard';
  useTone(wishes.tone && microphone !== null, heard && balance ? balance.share : null);
  const on = microphone !== null;
  const { start, simulated, simulate, failed } = useStart(visit, known);
  return (
    <div className={visit ? 'flex flex-col gap-5' : 'mx-auto flex max-w-[90rem] flex-col gap-5 p-4 md:p-6'}>
      {!visit && <h1 className="text-2xl">Listen to a clock</h1>}
      <div className="no-print flex flex-wrap items-end gap-x-5 gap-y-3">
        <Source on={on} opening={opening} start={start} />
        {microphone && (
          <p className="text-soft">
            {microphone.name}, {(microphone.sampleRate / 1000).toLocaleString('en-GB')} kHz, since{' '}
            {new Date(beganAt!).toLocaleTimeString('en-GB')}. <Level db={live?.levelDb ?? -120} />
          </p>
        )}
        <span className="ml-auto flex flex-wrap items-end gap-3">
          <Tick label="Tone" checked={wishes.tone} onChange={(e) => wishes.set({ tone: e.target.checked })} />
        </span>
      </div>
      <Troubles failed={failed} ended={ended} meddles={microphone?.meddles ?? []} />
      {wishes.source === 'file' && !on ? (
        <FileSource known={known} visit={visit} />
      ) : (
        <div className="grid items-start gap-5 xl:grid-cols-[minmax(0,1fr)_24rem]">
          <Panel>
            <Arcs balance={balance} faint={!heard || live.rough} empty={emptyWords(on, live)} />
            <p role="status" className="mt-1 text-center text-lg">
              {status(on, live, minute.report !== null)}
            </p>
          </Panel>
          <WhatIsHeard minute={minute} visit={visit} source={source} on={on} live={live} card={card} />
        </div>
      )}
      <Past history={minute.history} />
      {beganAt !== null && (
        <Log
          heard={{ ...minute, hours: minute.part ? [...minute.hours, minute.part] : minute.hours }}
          beganAt={beganAt}
          name={`listening-${visit?.claim ?? 'bench'}`}
        />
      )}
      <KeptLogs logs={logs} beganAt={beganAt} visit={visit} />
      <div className="grid items-start gap-5 lg:grid-cols-2">
        <KnownOfIt wrong={wrong} />
        {wishes.source === 'simulated' && <SimulatedSettings value={simulated} onChange={simulate} />}
      </div>
    </div>
  );
}

function emptyWords(on: boolean, live: Live | null) {
  if (!on) return 'Not listening';
  return live?.state === 'lost' ? 'No beat is heard now' : 'Listening …';
}

/** Opens the microphone or the simulated clock; a simulated one that is changed while it is heard is opened anew. */
function useStart(visit: Visit | undefined, known: Known) {
  const { microphone, source } = useListening();
  const wishes = useWishes();
  const [simulated, setSimulated] = useState<Simulated>(AS_SIMULATED);
  const [failed, setFailed] = useState('');
  const start = async (clock = simulated) => {
    setFailed('');
    const from = wishes.source === 'simulated' ? 'simulated' : 'microphone';
    try {
      await listen(from, visit?.id ?? null, from === 'simulated' ? openSimulated(clock) : openMicrophone, known);
    } catch (error) {
      setFailed(whyNoMicrophone(error));
    }
  };
  const settling = useRef<ReturnType<typeof setTimeout>>(undefined);
  useEffect(() => () => clearTimeout(settling.current), []);
  const simulate = (clock: Simulated) => {
    setSimulated(clock);
    clearTimeout(settling.current);
    if (microphone && source === 'simulated') settling.current = setTimeout(() => void start(clock), SETTLED_MS);
  };
  return { start, simulated, simulate, failed };
}

function Troubles({ failed, ended, meddles }: { failed: string; ended: string; meddles: readonly string[] }) {
  return (
    <>
      {failed && (
        <Answer tone="danger" title={failed}>
          A WAV file or the simulated clock can be listened to without one.
        </Answer>
      )}
      {ended && (
        <Answer tone="due" title={ended}>
          What was heard until then is below.
        </Answer>
      )}
      {meddles.length > 0 && (
        <Answer tone="due" title={`The browser ${meddles.join(' and ')}`}>
          It was asked not to: the beat error and the amplitude may be wrong.
        </Answer>
      )}
    </>
  );
}

function Source({
  on,
  opening,
  start,
}: {
  on: boolean;
  opening: boolean;
  start: (clock?: Simulated) => Promise<void>;
}) {
  const wishes = useWishes();
  if (on)
    return (
      <Button variant="danger" className="min-h-14 text-lg" onClick={stopListening}>
        <Square className="size-5" aria-hidden />
        Stop listening
      </Button>
    );
  return (
    <>
      <Choice
        hideLabel
        label="Where the sound comes from"
        value={wishes.source}
        onChange={(source) => wishes.set({ source })}
        options={SOURCES}
      />
      {wishes.source !== 'file' && (
        <Button
          variant="main"
          className="min-h-14 px-7 text-lg"
          busy={opening}
          disabled={opening}
          onClick={() => void start()}
        >
          <Mic className="size-6" aria-hidden />
          {opening ? 'Opening …' : 'Listen'}
        </Button>
      )}
    </>
  );
}

function WhatIsHeard({
  minute,
  visit,
  source,
  on,
  live,
  card,
}: {
  minute: Minute;
  visit: Visit | undefined;
  source: SourceId;
  on: boolean;
  live: Live | null;
  card: CardRate | null;
}) {
  return (
    <Panel title="What is heard">
      {minute.report ? (
        <>
          <Figures report={minute.report} over={`the last ${minute.report.seconds.toFixed(0)} s`} />
          {visit && (
            <KeepSound
              visit={visit}
              report={minute.report}
              from={source}
              sound={() => lastSound(KEPT_S)?.then(({ wav }) => new Blob([wav], { type: 'audio/wav' })) ?? null}
            />
          )}
        </>
      ) : (
        <p className="text-soft">{nothingYet(on, live)}</p>
      )}
      {on && card && (
        <p className="mt-3 border-t border-line pt-2 text-sm text-soft">
          This sound card samples {Math.abs(card.ppmFast).toFixed(1)} ± {(2 * card.error).toFixed(1)} millionths{' '}
          {card.ppmFast >= 0 ? 'fast' : 'slow'}, measured over {card.minutes.toFixed(0)} min:{' '}
          {(0.0864 * Math.abs(card.ppmFast)).toFixed(2)} s a day, reckoned in once it is sure.
        </p>
      )}
    </Panel>
  );
}

function nothingYet(on: boolean, live: Live | null) {
  if (!on)
    return 'Rate, beat error and amplitude stand here as soon as a beat is heard. The sound stays on this device unless it is kept.';
  if ((live?.seconds ?? 0) > 25 && live?.state !== 'heard')
    return 'No beat found so far. Bring the microphone to the plates or the case, and keep talk away.';
  return 'Figures stand here after some beats.';
}

function KnownOfIt({ wrong }: { wrong: ReturnType<typeof knownOfTyped>['wrong'] }) {
  const wishes = useWishes();
  return (
    <Panel title="What is known of it">
      <div className="grid gap-4 sm:grid-cols-3">
        <TextField
          label="Beats an hour"
          hint="Found by itself if left empty."
          inputMode="decimal"
          value={wishes.beats}
          error={wrong.beats}
          onChange={(e) => wishes.set({ beats: e.target.value })}
        />
        <TextField
          label="Lift angle, degrees"
          hint="For the amplitude of a lever."
          inputMode="decimal"
          value={wishes.lift}
          error={wrong.lift}
          onChange={(e) => wishes.set({ lift: e.target.value })}
        />
        <TextField
          label="Escape teeth"
          hint="For patterns of its turn."
          inputMode="numeric"
          value={wishes.teeth}
          error={wrong.teeth}
          onChange={(e) => wishes.set({ teeth: e.target.value })}
        />
      </div>
      <div className="mt-4">
        <Choice
          label="The louder sound falls when it is on the"
          value={wishes.tickSide ?? 'not said'}
          onChange={(v) => wishes.set({ tickSide: v === 'not said' ? null : v })}
          options={
            [
              ['left', 'left'],
              ['right', 'right'],
              ['not said', 'not said'],
            ] as const
          }
        />
      </div>
    </Panel>
  );
}

function KeptLogs({ logs, beganAt, visit }: { logs: KeptLog[]; beganAt: number | null; visit: Visit | undefined }) {
  return logs
    .filter((l) => l.beganAt !== beganAt && (!visit || l.visitId === visit.id))
    .map((l) => (
      <Log
        key={l.beganAt}
        heard={l}
        beganAt={l.beganAt}
        name={`listening-${new Date(l.beganAt).toISOString().slice(0, 10)}`}
        title={`Kept here: ${l.microphone}, ${dayTime(l.beganAt)} to ${dayTime(l.savedAt)}${l.stopped ? '' : ', then the page was closed'}`}
      >
        <Button variant="plain" onClick={() => removeLog(l.beganAt)}>
          <Trash2 className="size-5" aria-hidden />
          Throw away
        </Button>
      </Log>
    ));
}

function status(on: boolean, live: ReturnType<typeof useListening.getState>['live'], figures: boolean): string {
  if (!on) return 'Press Listen, with the microphone at the movement.';
  if (live?.state === 'lost') return 'It stopped, or something covers it. Still listening.';
  if (live?.state !== 'heard') return 'Looking for a beat: a few seconds, longer for a slow one.';
  if (!live.sides) return 'Only one of tick and tock is heard.';
  if (live.rough) return 'A first guess: its sounds are still being learnt.';
  return figures
    ? 'When both arcs meet under the mark it is in beat; inside the thin band it will do.'
    : 'In a moment.';
}

function Level({ db }: { db: number }) {
  const share = Math.max(0, Math.min(1, (db + 80) / 80));
  return (
    <span className="inline-flex items-center gap-2 align-middle">
      <span className="h-3 w-28 overflow-hidden rounded-full bg-sunk" aria-hidden>
        <span className="block h-full bg-steel" style={{ width: `${100 * share}%` }} />
      </span>
      <LevelWords db={db} />
    </span>
  );
}

function LevelWords({ db }: { db: number }) {
  if (db > -3) return <b className="text-danger">too loud</b>;
  if (db < -70) return 'very quiet';
  return '';
}

function useTone(on: boolean, share: number | null): void {
  const tone = useRef<Tone | null>(null);
  useEffect(() => {
    if (!on) return;
    const made = new Tone();
    tone.current = made;
    return () => {
      made.close();
      tone.current = null;
    };
  }, [on]);
  useEffect(() => tone.current?.say(share), [share, on]);
}
