import { CHECK_RESULTS } from '@eclat/core/checks';
import { DRY_WORDS } from '@eclat/core/pivots';
import { CORNERS } from '@eclat/core/strip';
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

/** Put together dry, one train or all of it, to feel what was bushed: no pass, and nothing is undone by it. */
const dryFitFields = z.object({
  /** Null: all trains. */
  train: z.string().max(40).nullable(),
});
export const dryFit = dryFitFields.extend({ id, ...signed, endedBy: z.string(), endedAt: moment.nullable() });
export type DryFit = z.infer<typeof dryFit>;

const dryTryFields = z.object({
  hole: requiredText(20, 'The hole'),
  word: z.enum(DRY_WORDS),
  cure: text(80).default(''),
});
export const dryTry = dryTryFields.extend({ id, ...signed });
export type DryTry = z.infer<typeof dryTry>;

/** A second person looks before it goes on. */
export const secondLookFields = z.object({
  what: requiredText(120, 'What is looked at'),
  /** Who is asked; empty: whoever comes by. */
  of: text(80).default(''),
});
export const LOOK_WORDS = ['in order', 'not yet'] as const;
export const lookAnswer = z
  .object({ word: z.enum(LOOK_WORDS), note: text(300).default('') })
  .refine((l) => l.word === 'in order' || l.note !== '', { path: ['note'], message: 'What is not right yet?' });
export const secondLook = secondLookFields.extend({
  id,
  ...signed,
  word: z.enum(LOOK_WORDS).nullable(),
  note: z.string(),
  lookedBy: z.string(),
  lookedAt: moment.nullable(),
});
export type SecondLook = z.infer<typeof secondLook>;

/** How its plates went together: kept with the movement, for whoever closes them next. */
export const closingFields = z.object({
  corner: z.enum(CORNERS).nullable().default(null),
  last: text(160).default(''),
  note: text(300).default(''),
});
export const closingSaid = closingFields.refine((c) => c.corner !== null || c.last !== '' || c.note !== '', {
  path: ['last'],
  message: 'From which corner, which pivots last, or what helped?',
});
/** `own`: said on this visit. */
export const closingNote = closingFields.extend({ id, own: z.boolean(), ...signed });
export type ClosingNote = z.infer<typeof closingNote>;

const dryOne = '/visits/:visitId/dry-fits/:fitId' as const;

export const assemblyRoutes = {
  startDryFit: command({
    method: 'POST',
    path: '/visits/:visitId/dry-fits',
    summary: 'Put a train together dry, or all of them, to feel what was bushed',
    roles: benchRoles,
    changes: ['visit'],
    inverse: 'final',
    visit: { put: 'dryFits', by: 'id' },
    body: dryFitFields,
    reply: dryFit,
  }),
  endDryFit: command({
    method: 'PUT',
    path: `${dryOne}/end`,
    summary: 'Apart again after the dry fit: no pass',
    roles: benchRoles,
    changes: ['visit'],
    inverse: 'final',
    visit: { put: 'dryFits', by: 'id' },
    body: z.object({}),
    reply: dryFit,
  }),
  addDryTry: command({
    method: 'POST',
    path: '/visits/:visitId/dry-tries',
    summary: 'How a pivot feels in its bush while the train stands dry',
    roles: benchRoles,
    changes: ['visit'],
    inverse: 'assembly.removeDryTry',
    visit: { put: 'dryTries', by: 'id' },
    body: dryTryFields,
    reply: dryTry,
  }),
  setDryCure: command({
    method: 'PUT',
    path: '/visits/:visitId/dry-tries/:tryId/cure',
    summary: 'What was done about it: it is tried again then',
    roles: benchRoles,
    changes: ['visit'],
    inverse: 'same',
    visit: { put: 'dryTries', by: 'id' },
    body: z.object({ cure: text(80) }),
    reply: dryTry,
  }),
  removeDryTry: command({
    method: 'DELETE',
    path: '/visits/:visitId/dry-tries/:tryId',
    summary: 'It was not felt so after all',
    roles: benchRoles,
    changes: ['visit'],
    inverse: 'assembly.addDryTry',
    visit: { remove: 'dryTries', by: 'id', param: 'tryId' },
    reply: done,
  }),
  askLook: command({
    method: 'POST',
    path: '/visits/:visitId/second-looks',
    summary: 'Ask a second person to look before it goes on',
    roles: benchRoles,
    changes: ['visit', 'bench'],
    inverse: 'assembly.removeLook',
    visit: { put: 'secondLooks', by: 'id', again: true },
    body: secondLookFields,
    reply: secondLook,
  }),
  answerLook: command({
    method: 'PUT',
    path: '/visits/:visitId/second-looks/:lookId',
    summary: 'The second person’s word; never the asker’s own',
    roles: benchRoles,
    changes: ['visit', 'bench'],
    inverse: 'final',
    visit: { put: 'secondLooks', by: 'id', again: true },
    body: lookAnswer,
    reply: secondLook,
  }),
  removeLook: command({
    method: 'DELETE',
    path: '/visits/:visitId/second-looks/:lookId',
    summary: 'No second look is wanted after all; one that was given stays',
    roles: benchRoles,
    changes: ['visit', 'bench'],
    inverse: 'assembly.askLook',
    visit: { remove: 'secondLooks', by: 'id', param: 'lookId', again: true },
    reply: done,
  }),
  addClosing: command({
    method: 'POST',
    path: '/visits/:visitId/closings',
    summary: 'How its plates went together, for whoever closes them next',
    roles: benchRoles,
    changes: ['visit'],
    inverse: 'assembly.removeClosing',
    visit: { put: 'closings', by: 'id' },
    body: closingSaid,
    reply: closingNote,
  }),
  removeClosing: command({
    method: 'DELETE',
    path: '/visits/:visitId/closings/:closingId',
    summary: 'It did not go together so after all',
    roles: benchRoles,
    changes: ['visit'],
    inverse: 'assembly.addClosing',
    visit: { remove: 'closings', by: 'id', param: 'closingId' },
    reply: done,
  }),
  startStandRun: command({
    method: 'POST',
    path: '/visits/:visitId/stand-runs',
    summary: 'Set it going with parts off: it is wound, and that is how it should be',
    roles: benchRoles,
    changes: ['visit', 'bench'],
    inverse: 'final',
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
