import type { HeardSound } from '@eclat/contract';
import { rateInWords } from '@eclat/core/rate';
import { grouped } from '@eclat/core/units';

/** What was heard of its beat, in the log of the run, with its sound where that was kept. */
export function HeardRow({ heard: h, when }: { heard: HeardSound; when: string }) {
  return (
    <>
      <span className="text-lg font-semibold">
        by sound {rateInWords(h.rateSecondsPerDay, 1)} ± {(1.96 * h.rateStandardError).toFixed(1)}
      </span>
      <span>
        {h.beatErrorMs === null ? 'beat not told' : `${h.beatErrorMs.toFixed(1)} ms out of beat`}
        {h.amplitudeDegrees !== null && `, ${h.amplitudeDegrees.toFixed(0)}°`};{` ${grouped(h.beatsPerHour)} an hour, `}
        {h.seconds.toFixed(0)} s{h.from === 'simulated' && ', simulated'}
      </span>
      {h.recordingId && (
        <audio
          controls
          preload="none"
          src={`/api/recordings/${h.recordingId}/sound`}
          aria-label={`Sound of ${when}`}
          className="h-11 max-w-full"
        />
      )}
    </>
  );
}
