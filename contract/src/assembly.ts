import { CHECK_RESULTS } from '@eclat/core/checks';
import { z } from 'zod';
import { text, moment, signed, done } from './common.ts';
import { benchRoles } from './people.ts';
import { command } from './route.ts';

/** A check of assembly, in position or at delivery. What failed says what was wrong. */
const step = z.int().min(0).max(1000);

/** What was counted on the way to the answer: dial work driven a step at a time, or the moment of each winding. */
export const checkDetail = z.union([
  z
    .object({ of: step, done: step, fouled: z.array(z.object({ step, note: text(100) })).max(100) })
    .refine((d) => d.of >= 2 && d.done <= d.of, { path: ['done'], message: 'A step of the cycle.' }),
  z.object({ windings: z.array(moment).max(200) }),
]);

export const checkFields = z
  .object({ result: z.enum(CHECK_RESULTS), note: text(300).default(''), detail: checkDetail.nullable().default(null) })
  .refine((c) => c.result !== 'failed' || c.note !== '', {
    path: ['note'],
    message: 'What was wrong? In a word or two.',
  });

export const checked = z.object({
  check: z.string(),
  result: z.enum(CHECK_RESULTS),
  note: z.string(),
  detail: checkDetail.nullable(),
  ...signed,
});

export type Checked = z.infer<typeof checked>;

export const assemblyRoutes = {
  setCheck: command({
    method: 'PUT',
    path: '/visits/:visitId/checks/:check',
    summary: 'Answer a check; a failure takes it apart again as a pass',
    roles: benchRoles,
    changes: ['visit', 'bench'],
    inverse: 'assembly.removeCheck',
    visit: { put: 'checks', by: 'check', again: true },
    body: checkFields,
    reply: checked,
  }),
  removeCheck: command({
    method: 'DELETE',
    path: '/visits/:visitId/checks/:check',
    summary: 'It was not checked after all',
    roles: benchRoles,
    changes: ['visit', 'bench'],
    inverse: 'assembly.setCheck',
    visit: { remove: 'checks', by: 'check', param: 'check' },
    reply: done,
  }),
};
