import { z } from 'zod';
import { id, stageId, moment, done } from './common.ts';
import { benchRoles } from './people.ts';
import { command } from './route.ts';

/** A person's time on one stage of a visit. */
export const timeSpent = z.object({
  id,
  stage: stageId,
  by: z.string(),
  startedAt: moment,
  endedAt: moment.nullable(),
});

export type BenchTime = z.infer<typeof timeSpent>;

export const benchTimeRoutes = {
  start: command({
    method: 'POST',
    path: '/visits/:visitId/time',
    summary: 'My time begins here; what I was on before ends',
    roles: benchRoles,
    changes: ['visit'],
    inverse: 'final',
    visit: 'again',
    body: z.object({ stage: stageId }),
    reply: timeSpent.extend({ left: z.string().nullable().describe('claim number of the visit that was left') }),
  }),
  stop: command({
    method: 'PUT',
    path: '/visits/:visitId/time/stopped',
    summary: 'My time here ends',
    roles: benchRoles,
    changes: ['visit'],
    inverse: 'final',
    visit: 'again',
    reply: done,
  }),
  put: command({
    method: 'PUT',
    path: '/visits/:visitId/time/:timeId',
    summary: 'Write or correct a time of mine; the sender names it',
    roles: benchRoles,
    changes: ['visit'],
    inverse: 'benchTime.remove',
    visit: { put: 'time', by: 'id' },
    body: z
      .object({ stage: stageId, startedAt: moment, endedAt: moment })
      .refine((t) => Date.parse(t.endedAt) > Date.parse(t.startedAt), {
        path: ['endedAt'],
        message: 'It ends after it began.',
      }),
    reply: timeSpent,
  }),
  remove: command({
    method: 'DELETE',
    path: '/visits/:visitId/time/:timeId',
    summary: 'Take a time out',
    roles: benchRoles,
    changes: ['visit'],
    inverse: 'benchTime.put',
    visit: { remove: 'time', by: 'id', param: 'timeId' },
    reply: done,
  }),
};
