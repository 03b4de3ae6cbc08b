import { z } from 'zod';
import { stageId, id, text, signed, done } from './common.ts';
import { benchRoles } from './people.ts';
import { command } from './route.ts';

/** What was heard of its beat. */
export const HEARD_FROM = ['microphone', 'file', 'simulated'] as const;

const figure = z.number().nullable();

export const heardFields = z.object({
  stage: stageId,
  from: z.enum(HEARD_FROM),
  recordingId: id.nullable().default(null),
  note: text(200).default(''),
  beatsPerHour: z.number().min(300).max(40_000),
  rateSecondsPerDay: z.number(),
  rateStandardError: z.number().min(0),
  beatErrorMs: figure,
  shortSide: z.enum(['tick to tock', 'tock to tick', 'neither']).nullable(),
  amplitudeDegrees: figure,
  beats: z.int().min(4),
  missing: z.int().min(0),
  extra: z.int().min(0),
  seconds: z.number().min(0),
  warnings: z.array(z.string().max(300)).max(20),
});

export const heardSound = heardFields.extend({ id, ...signed });

export type HeardSound = z.infer<typeof heardSound>;

export const listeningRoutes = {
  add: command({
    method: 'POST',
    path: '/visits/:visitId/heard',
    summary: 'Keep what was heard of its beat',
    roles: benchRoles,
    changes: ['visit'],
    inverse: 'listening.remove',
    visit: { put: 'heard', by: 'id' },
    body: heardFields,
    reply: heardSound,
  }),
  remove: command({
    method: 'DELETE',
    path: '/visits/:visitId/heard/:heardId',
    summary: 'Throw that away',
    roles: benchRoles,
    changes: ['visit'],
    inverse: 'listening.add',
    visit: { remove: 'heard', by: 'id', param: 'heardId' },
    reply: done,
  }),
};
