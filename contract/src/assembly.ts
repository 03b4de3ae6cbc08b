import { CHECK_RESULTS } from '@eclat/core/checks';
import { z } from 'zod';
import { id, requiredText, text, moment, signed, done } from './common.ts';
import { passFields } from './strip.ts';
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
  .object({
    result: z.enum(CHECK_RESULTS),
    note: text(300).default(''),
    detail: checkDetail.nullable().default(null),
    /** It failed, and the person says that it comes apart again: how deep, and whose work that puts right. */
    apart: passFields.omit({ reason: true }).nullable().default(null),
  })
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

/** Set where it stands after it failed: what was moved, which way, how much. It is checked again then. */
export const settingFields = z.object({
  what: requiredText(80, 'What was moved'),
  way: text(60).default(''),
  amount: text(60).default(''),
});
export const checkSetting = settingFields.extend({ id, check: z.string(), ...signed });
export type CheckSetting = z.infer<typeof checkSetting>;

/** Set going on the stand while parts are off: what is off, what is watched. */
export const standRunFields = z.object({
  off: requiredText(120, 'What is off'),
  watched: text(200).default(''),
});
export const standRun = standRunFields.extend({
  id,
  ...signed,
  /** What it showed; why it ended. */
  found: z.string(),
  endedBy: z.string(),
  endedAt: moment.nullable(),
});
export type StandRun = z.infer<typeof standRun>;

export const assemblyRoutes = {
  startStandRun: command({
    method: 'POST',
    path: '/visits/:visitId/stand-runs',
    summary: 'Set it going with parts off: it is wound, and that is how it should be',
    roles: benchRoles,
    changes: ['visit', 'bench'],
    inverse: 'assembly.endStandRun',
    visit: { put: 'standRuns', by: 'id', again: true },
    body: standRunFields,
    reply: standRun,
  }),
  endStandRun: command({
    method: 'PUT',
    path: '/visits/:visitId/stand-runs/:runId/end',
    summary: 'End the run with parts off, with what it showed',
    roles: benchRoles,
    changes: ['visit', 'bench'],
    inverse: 'final',
    visit: { put: 'standRuns', by: 'id', again: true },
    body: z.object({ found: text(300).default('') }),
    reply: standRun,
  }),
  addSetting: command({
    method: 'POST',
    path: '/visits/:visitId/checks/:check/settings',
    summary: 'Set here, without taking it apart: the check is open again',
    roles: benchRoles,
    changes: ['visit', 'bench'],
    inverse: 'assembly.removeSetting',
    visit: 'again',
    body: settingFields,
    reply: checkSetting,
  }),
  removeSetting: command({
    method: 'DELETE',
    path: '/visits/:visitId/checks/:check/settings/:settingId',
    summary: 'It was not set after all',
    roles: benchRoles,
    changes: ['visit', 'bench'],
    inverse: 'assembly.addSetting',
    visit: 'again',
    reply: done,
  }),
  setCheck: command({
    method: 'PUT',
    path: '/visits/:visitId/checks/:check',
    summary: 'Answer a check; what failed takes it apart again where the person says so',
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
    visit: { remove: 'checks', by: 'check', param: 'check', again: true },
    reply: done,
  }),
};
