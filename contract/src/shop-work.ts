import { z } from 'zod';
import { basedOn, id, moment, requiredText, text, version } from './common.ts';
import { benchRoles, everyone } from './people.ts';
import { command, read } from './route.ts';
import { kind } from './stores.ts';

const waitHours = z.number('Hours.').min(0, 'Not less than none.').max(2000, 'At most 2000 hours.').default(0);
const next = text(200).default('').describe('what is to be done next');

/** Work that no visit waits for: a part reconditioned for the stores, a second soak after the clock went home. */
export const shopTaskFields = z.object({
  thing: requiredText(120, 'What it is'),
  next,
  waitHours,
  /** The visit that it came from; null: none. */
  visitId: id.nullable().default(null),
});

export const shopTask = shopTaskFields.omit({ waitHours: true }).extend({
  id,
  version,
  claim: z.string().nullable(),
  /** What was done so far, the first first. */
  log: z.array(z.object({ did: z.string(), at: moment, by: z.string() })),
  waitEndsAt: moment.nullable(),
  endedAt: moment.nullable(),
  endedBy: z.string(),
  /** How it ended, in words. */
  ended: z.string(),
  by: z.string(),
  at: moment,
});

export type ShopTask = z.infer<typeof shopTask>;

export const shopTaskDone = z.object({ did: requiredText(200, 'What was done'), next, waitHours });
/** Into the stores under a name, or why it came to nothing. */
export const shopTaskEnd = z.union([
  z.object({ kind, name: requiredText(120, 'A name') }),
  z.object({ why: requiredText(200, 'Why it ends') }),
]);

const one = '/shop-work/:taskId' as const;

export const shopWorkRoutes = {
  list: read({
    method: 'GET',
    path: '/shop-work',
    summary: 'Work of the shop that no visit waits for, and what ended lately',
    roles: everyone,
    reads: 'stores',
    reply: z.array(shopTask),
  }),
  add: command({
    method: 'POST',
    path: '/shop-work',
    summary: 'Work that goes on after its clock, or that belongs to none',
    roles: benchRoles,
    changes: ['stores'],
    inverse: 'shopWork.end',
    body: shopTaskFields,
    reply: shopTask,
  }),
  log: command({
    method: 'POST',
    path: `${one}/log`,
    summary: 'What was done, what comes next and how long it waits',
    roles: benchRoles,
    changes: ['stores'],
    inverse: 'final',
    body: shopTaskDone.extend(basedOn),
    reply: shopTask,
  }),
  end: command({
    method: 'PUT',
    path: `${one}/end`,
    summary: 'Into the stores, or given up with a reason',
    roles: benchRoles,
    changes: ['stores'],
    inverse: 'final',
    body: z.object({ end: shopTaskEnd, ...basedOn }),
    reply: shopTask,
  }),
};
