import type { BodyOf } from '@eclat/contract';
import type { SoundReport } from '@eclat/core/sound';
import type { api } from '../../data/api.ts';

/** What was heard, as it is kept with a visit. */
export const heardOf = (
  r: SoundReport,
  stage: BodyOf<typeof api.listening.add>['stage'],
  from: BodyOf<typeof api.listening.add>['from'],
  recordingId: string | null,
): BodyOf<typeof api.listening.add> => ({
  stage,
  from,
  recordingId,
  note: '',
  beatsPerHour: r.beatsPerHour,
  rateSecondsPerDay: r.rateSecondsPerDay,
  rateStandardError: r.rateStandardError,
  beatErrorMs: r.beatErrorMs,
  shortSide: r.shortSide,
  amplitudeDegrees: r.amplitudeDegrees,
  beats: r.beats,
  missing: r.missing,
  extra: r.extra,
  seconds: r.seconds,
  warnings: r.warnings,
});
