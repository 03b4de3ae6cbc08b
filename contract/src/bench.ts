import { POWER_STATES, SHAPE_IDS, STAGE_STATES } from '@eclat/core/workflow';
import { z } from 'zod';
import { id, stageId, moment } from './common.ts';
import { everyone } from './people.ts';
import { read } from './route.ts';
import { nextAction } from './visit.ts';

export const benchRow = z.object({
  visitId: id,
  claim: z.string(),
  clock: z.string(),
  owner: z.string(),
  movementCode: z.string(),
  familyId: z.string(),
  shape: z.enum(SHAPE_IDS),
  stages: z.array(z.object({ stage: stageId, state: z.enum(STAGE_STATES) })),
  /** Together, so that a wound train is how it should be. */
  together: z.boolean(),
  power: z.array(z.object({ source: z.string(), label: z.string(), state: z.enum(POWER_STATES) })),
  next: nextAction,
  bathEndsAt: moment.nullable(),
  promisedFor: z.string().nullable(),
  openedAt: moment,
  photoId: id.nullable(),
  cautions: z.array(z.string()),
  /** Additions that wait for the owner while the rest goes on. */
  asked: z.int(),
  /** Who worked on it last. */
  workedBy: z.string().nullable(),
});

export type BenchRow = z.infer<typeof benchRow>;

/** `beside`: on case, dial or glass; a bath otherwise. */
export const timer = z.object({
  id,
  beside: z.boolean(),
  visitId: id,
  claim: z.string(),
  clock: z.string(),
  what: z.string(),
  startedAt: moment,
  endsAt: moment,
});

export type Timer = z.infer<typeof timer>;

export const benchRoutes = {
  list: read({
    method: 'GET',
    path: '/bench',
    summary: 'Every clock in the shop and its next action',
    roles: everyone,
    reads: 'bench',
    reply: z.array(benchRow),
  }),
  timers: read({
    method: 'GET',
    path: '/timers',
    summary: 'Running timers',
    roles: everyone,
    reads: 'timers',
    reply: z.array(timer),
  }),
};
