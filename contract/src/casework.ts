import { CASE_PLACES, ORIGINS } from '@eclat/core/casework';
import { z } from 'zod';
import { requiredText, text, id, version, moment, changesTo, basedOn, done, place } from './common.ts';
import { benchRoles } from './people.ts';
import { command } from './route.ts';

export const caseTaskFields = z.object({
  place: z.enum(CASE_PLACES),
  what: requiredText(120, 'The task'),
  product: text(120).default(''),
  origin: z.enum(ORIGINS).nullable().default(null),
  /** The donor in the stores that gave it. */
  donorId: id.nullable().default(null),
  times: z.int('A whole number.').min(1, 'At least once.').max(30, 'At most 30 times.').default(1),
  /** After each time. */
  waitHours: z.number('Hours.').min(0, 'Not less than none.').max(1000, 'At most 1000 hours.').default(0),
  once: z.boolean().default(false).describe('it cannot be undone'),
  note: text(300).default(''),
});

export const caseTask = caseTaskFields.extend({
  id,
  donorName: z.string(),
  version,
  log: z.array(z.object({ at: moment, by: z.string() })),
  waitEndsAt: moment.nullable(),
  doneAt: moment.nullable(),
  doneBy: z.string(),
  by: z.string(),
  at: moment,
});

export type CaseTask = z.infer<typeof caseTask>;

const one = '/visits/:visitId/casework/:taskId' as const;

export const caseworkRoutes = {
  add: command({
    method: 'POST',
    path: '/visits/:visitId/casework',
    summary: 'A task on case, dial or glass',
    roles: benchRoles,
    changes: ['visit', 'bench'],
    inverse: 'casework.remove',
    visit: { put: 'casework', by: 'id' },
    body: caseTaskFields,
    reply: caseTask,
  }),
  change: command({
    method: 'PATCH',
    path: one,
    summary: 'Correct it',
    roles: benchRoles,
    changes: ['visit', 'bench', 'timers'],
    inverse: 'same',
    visit: { put: 'casework', by: 'id' },
    body: changesTo(caseTaskFields),
    reply: caseTask,
  }),
  setTime: command({
    method: 'PUT',
    path: `${one}/time`,
    summary: 'Done once: its wait begins; or that time is taken back',
    roles: benchRoles,
    changes: ['visit', 'bench', 'timers'],
    inverse: 'same',
    visit: { put: 'casework', by: 'id' },
    body: z.object({ did: z.boolean(), ...basedOn }),
    reply: caseTask,
  }),
  setDone: command({
    method: 'PUT',
    path: `${one}/done`,
    summary: 'It is done, or is not after all',
    roles: benchRoles,
    changes: ['visit', 'bench', 'timers'],
    inverse: 'same',
    visit: { put: 'casework', by: 'id' },
    body: z.object({ done: z.boolean() }),
    reply: caseTask,
  }),
  move: command({
    method: 'PUT',
    path: `${one}/position`,
    summary: 'Put it elsewhere in the order',
    roles: benchRoles,
    changes: ['visit'],
    inverse: 'same',
    visit: 'again',
    body: place,
    reply: done,
  }),
  remove: command({
    method: 'DELETE',
    path: one,
    summary: 'It is not done to this clock',
    roles: benchRoles,
    changes: ['visit', 'bench', 'timers'],
    inverse: 'casework.add',
    visit: { remove: 'casework', by: 'id', param: 'taskId' },
    reply: done,
  }),
};
