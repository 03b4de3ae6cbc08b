import { STAGE_IDS } from '@eclat/core/workflow';
import { z } from 'zod';
import { done, id, moment } from './common.ts';
import { bench } from './people.ts';
import { route } from './route.ts';

const stage = z.enum(STAGE_IDS);
/** A person's time on one stage of a visit. */
export const timeSpent = z.object({ id, stage, by: z.string(), startedAt: moment, endedAt: moment.nullable() });
export type BenchTime = z.infer<typeof timeSpent>;

export const benchTime = {
  start: route({
    method: 'POST',
    path: '/visits/:visitId/time',
    summary: 'My time begins here; what I was on before ends',
    roles: bench,
    body: z.object({ stage }),
    reply: timeSpent.extend({ left: z.string().nullable().describe('claim number of the visit that was left') }),
  }),
  stop: route({
    method: 'PUT',
    path: '/visits/:visitId/time/stopped',
    summary: 'My time here ends',
    roles: bench,
    reply: done,
  }),
  put: route({
    method: 'PUT',
    path: '/visits/:visitId/time/:timeId',
    summary: 'Write or correct a time of mine; the sender names it',
    roles: bench,
    body: z
      .object({ stage, startedAt: moment, endedAt: moment })
      .refine((t) => Date.parse(t.endedAt) > Date.parse(t.startedAt), {
        path: ['endedAt'],
        message: 'It ends after it began.',
      }),
    reply: timeSpent,
  }),
  remove: route({
    method: 'DELETE',
    path: '/visits/:visitId/time/:timeId',
    summary: 'Take a time out',
    roles: bench,
    reply: done,
  }),
};
