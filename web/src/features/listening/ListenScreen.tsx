import type { Visit } from '@eclat/contract';
import { KnownOfIt } from './KnownOfIt.tsx';
import { WhatIsHeard, status } from './WhatIsHeard.tsx';
import { Source } from './Source.tsx';
import { useStart, useTone } from './useStart.ts';
import type { Live } from '@eclat/core/sound';
import { grouped } from '@eclat/core/units';
import { Trash2 } from 'lucide-react';
import { useContext, useEffect, useMemo } from 'react';
import { Answer, Panel } from '../../ui/Answer.tsx';
import { Button } from '../../ui/Button.tsx';
import { clockTime, dayTime, shopDay } from '../../ui/dates.ts';
import { Tick } from '../../ui/Field.tsx';
import { Help } from '../../ui/help/Help.tsx';
import { Arcs } from './Arcs.tsx';
import { FileSource } from './FileHeard.tsx';
import { knownOfTyped } from './known.ts';
import { know, useListening } from './listening.ts';
import { removeLog, useLogs, type KeptLog } from './logs.ts';
import { Log, Past } from './Past.tsx';
import { balanceOf } from './sides.ts';
import { SimulatedSettings } from './SimulatedSettings.tsx';
import { useWishes } from './wishes.ts';
import { ThisVisit } from '../visit/useThisVisit.ts';

/** The beat, for both hands on the crutch: which side is short, and by how much. */
export function ListenScreen() {
  const visit = useContext(ThisVisit) ?? undefined;
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
            {microphone.name}, {grouped(microphone.sampleRate / 1000)} kHz, since {clockTime(beganAt!)}.{' '}
            <Level db={live?.levelDb ?? -120} />
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
          <Panel className="relative">
            <Help about="beat" className="absolute top-2 right-2" />
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

function Troubles({ failed, ended, meddles }: { failed: string; ended: string; meddles: readonly string[] }) {
  return (
    <>
      {failed && (
        <Answer tone="danger" title={failed}>
          A sound file or the simulated clock can be listened to without one.
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

function KeptLogs({ logs, beganAt, visit }: { logs: KeptLog[]; beganAt: number | null; visit: Visit | undefined }) {
  return logs
    .filter((l) => l.beganAt !== beganAt && (!visit || l.visitId === visit.id))
    .map((l) => (
      <Log
        key={l.beganAt}
        heard={l}
        beganAt={l.beganAt}
        name={`listening-${shopDay(l.beganAt)}`}
        title={
          `Kept here: ${l.microphone}, ${dayTime(l.beganAt)} to ${dayTime(l.savedAt)}` +
          (l.stopped ? '' : ', then the page was closed')
        }
      >
        <Button variant="plain" onClick={() => removeLog(l.beganAt)}>
          <Trash2 className="size-5" aria-hidden />
          Throw away
        </Button>
      </Log>
    ));
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
