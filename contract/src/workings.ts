import { z } from 'zod';
import { id, stageId, values, signed, requiredText, done } from './common.ts';
import { everyone } from './people.ts';
import { read, command } from './route.ts';

/** A working done for a visit: reckoned anew by the server, and kept as it was on that day. */
export const keptWorking = z.object({
  id,
  working: z.string(),
  version: z.int(),
  stage: stageId,
  input: values,
  result: values,
  says: z.string(),
  ...signed,
});

export type KeptWorking = z.infer<typeof keptWorking>;

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
  checks: z.array(z.object({ kind: z.enum(['published', 'by hand', 'practice', 'memory']), source: z.string() })),
});

export const worked = z.object({ result: values, says: z.string(), version: z.int() });

export const workingsRoutes = {
  list: read({
    method: 'GET',
    path: '/workings',
    summary: 'Every calculation, with the schema of its inputs and result',
    roles: everyone,
    reads: 'workings',
    reply: z.array(workingCard),
  }),
  run: read({
    method: 'POST',
    path: '/workings/:working',
    summary: 'Reckon',
    roles: everyone,
    reads: 'workings',
    body: values,
    reply: worked,
  }),
  keep: command({
    method: 'POST',
    path: '/visits/:visitId/workings',
    summary: 'Reckon for a visit, and keep inputs, result and version with it',
    roles: everyone,
    changes: ['visit'],
    inverse: 'workings.remove',
    visit: { put: 'workings', by: 'id' },
    body: z.object({ working: requiredText(60, 'The working'), stage: stageId, input: values }),
    reply: keptWorking,
  }),
  remove: command({
    method: 'DELETE',
    path: '/visits/:visitId/workings/:keptId',
    summary: 'Take a kept working back',
    roles: everyone,
    changes: ['visit'],
    inverse: 'workings.keep',
    visit: { remove: 'workings', by: 'id', param: 'keptId' },
    reply: done,
  }),
};
