import { z } from 'zod';
import { stageId, text, id, sha256, moment, done } from './common.ts';
import { benchRoles } from './people.ts';
import { command } from './route.ts';

/** A spoken remark, the beat of the clock, its strike or chime. */
export const RECORDING_KINDS = ['remark', 'beat', 'strike'] as const;

const fields = { stage: stageId, kind: z.enum(RECORDING_KINDS), caption: text(200).default('') };

export const recording = z.object({
  ...fields,
  caption: z.string(),
  id,
  seconds: z.number(),
  sampleRate: z.int(),
  hash: sha256,
  by: z.string(),
  at: moment,
});

export type Recording = z.infer<typeof recording>;

export const recordingsRoutes = {
  /** The body is the sound itself (audio/wav), not JSON. */
  add: command({
    method: 'POST',
    path: '/visits/:visitId/recordings',
    summary: 'Keep a recording: WAV up to 30 MB',
    roles: benchRoles,
    changes: ['visit'],
    inverse: 'recordings.remove',
    visit: { put: 'recordings', by: 'id' },
    query: z.object({
      ...fields,
      /** The sender may name it: what is said of it can be written down before it has arrived. */
      id: id.optional(),
    }),
    reply: recording,
  }),
  remove: command({
    method: 'DELETE',
    path: '/visits/:visitId/recordings/:recordingId',
    summary: 'Throw a recording away',
    roles: benchRoles,
    changes: ['visit'],
    inverse: 'final',
    visit: { remove: 'recordings', by: 'id', param: 'recordingId' },
    reply: done,
  }),
};
