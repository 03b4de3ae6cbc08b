import { z } from 'zod';
import { done, needed, values } from './common.ts';
import { everyone } from './people.ts';
import { route } from './route.ts';
import { keptWorking, stageId } from './visits.ts';

const jsonSchema = z.record(z.string(), z.unknown());

export const workingCard = z.object({
  id: z.string(),
  title: z.string(),
  subject: z.string(),
  asks: z.string(),
  stages: z.array(stageId),
  version: z.int(),
  formula: z.string(),
  sources: z.array(z.string()),
  caution: z.string().nullable(),
  inputs: jsonSchema,
  result: jsonSchema,
  example: values,
  checks: z.array(z.object({ kind: z.enum(['published', 'practice', 'memory']), source: z.string() })),
});
export const worked = z.object({ result: values, says: z.string(), version: z.int() });

export const workings = {
  list: route({
    method: 'GET',
    path: '/workings',
    summary: 'Every calculation, with the schema of its inputs and result',
    roles: everyone,
    reply: z.array(workingCard),
  }),
  run: route({
    method: 'POST',
    path: '/workings/:working',
    summary: 'Reckon',
    roles: everyone,
    body: values,
    reply: worked,
    pure: true,
  }),
  keep: route({
    method: 'POST',
    path: '/visits/:visitId/workings',
    summary: 'Reckon for a visit, and keep inputs, result and version with it',
    roles: everyone,
    body: z.object({ working: needed(60, 'The working'), stage: stageId, input: values }),
    reply: keptWorking,
  }),
  drop: route({
    method: 'DELETE',
    path: '/visits/:visitId/workings/:keptId',
    summary: 'Take a kept working back',
    roles: everyone,
    reply: done,
  }),
};
