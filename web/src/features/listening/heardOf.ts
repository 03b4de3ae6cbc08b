import type { BodyOf } from '@eclat/contract';
import type { SoundReport } from '@eclat/core/sound';
import type { api } from '../../data/doors.ts';

/** What was heard, as it is kept with a visit. */
export const heardOf = (
  r: SoundReport,
  stage: BodyOf<typeof api.together.hear>['stage'],
  from: BodyOf<typeof api.together.hear>['from'],
  recordingId: string | null,
): BodyOf<typeof api.together.hear> => ({
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
