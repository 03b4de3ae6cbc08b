import { STAGE_IDS } from '@eclat/core/workflow';
import { z } from 'zod';
import { done, id, moment, words } from './common.ts';
import { bench } from './people.ts';
import { route } from './route.ts';

/** A spoken remark, the beat of the clock, its strike or chime. */
export const RECORDING_KINDS = ['remark', 'beat', 'strike'] as const;
const fields = { stage: z.enum(STAGE_IDS), kind: z.enum(RECORDING_KINDS), caption: words(200).default('') };
export const recording = z.object({
  ...fields,
  caption: z.string(),
  id,
  seconds: z.number(),
  sampleRate: z.int(),
  by: z.string(),
  at: moment,
});
export type Recording = z.infer<typeof recording>;

export const recordings = {
  /** The body is the sound itself (audio/wav), not JSON. */
  add: route({
    method: 'POST',
    path: '/visits/:visitId/recordings',
    summary: 'Keep a recording: WAV up to 30 MB',
    roles: bench,
    query: z.object(fields),
    reply: recording,
  }),
  remove: route({
    method: 'DELETE',
    path: '/visits/:visitId/recordings/:recordingId',
    summary: 'Throw a recording away',
    roles: bench,
    reply: done,
  }),
};
