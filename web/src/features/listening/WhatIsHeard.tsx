import type { Visit } from '@eclat/contract';
import type { CardRate, Live } from '@eclat/core/sound';
import { Panel } from '../../ui/Answer.tsx';
import { Help } from '../../ui/help/Help.tsx';
import { Figures } from './Figures.tsx';
import { KeepSound } from '../recordings/KeepSound.tsx';
import type { Minute } from './listen.worker.ts';
import { lastSound, useListening, type SourceId } from './listening.ts';

export const KEPT_S = 60;

export function WhatIsHeard({
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
    <Panel title="What is heard" aside={<Help about="heard" className="-my-2" />}>
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
          {(0.0864 * Math.abs(card.ppmFast)).toFixed(2)} s a day, taken into account once it is sure.
        </p>
      )}
    </Panel>
  );
}

export function nothingYet(on: boolean, live: Live | null) {
  if (!on)
    return (
      'Rate, beat error and amplitude show as soon as a beat is heard. The sound stays on this ' +
      'device unless it is kept.'
    );
  if ((live?.seconds ?? 0) > 25 && live?.state !== 'heard')
    return 'No beat found so far. Bring the microphone to the plates or the case, and keep talk away.';
  return 'Figures show after some beats.';
}

export function status(on: boolean, live: ReturnType<typeof useListening.getState>['live'], figures: boolean): string {
  if (!on) return 'Press Listen, with the microphone at the movement.';
  if (live?.state === 'lost') return 'It stopped, or something covers it. Still listening.';
  if (live?.state !== 'heard') return 'Looking for a beat: a few seconds, longer for a slow one.';
  if (!live.sides) return 'Only one of tick and tock is heard.';
  if (live.rough) return 'A first guess: its sounds are still being learnt.';
  return figures
    ? 'When both arcs meet under the mark it is in beat; inside the thin band it will do.'
    : 'In a moment.';
}
