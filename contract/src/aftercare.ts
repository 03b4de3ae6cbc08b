import { z } from 'zod';
import { calendarDay, id, moment, page, text } from './common.ts';
import { everyone } from './people.ts';
import { read } from './route.ts';

/** A clock that went home, and when it is due again. Only its latest visit counts. */
const dueAgain = z.object({
  visitId: id,
  claim: z.string(),
  clock: z.string(),
  movementId: id,
  code: z.string(),
  signedAt: moment,
  oil: calendarDay(),
  overhaul: calendarDay(),
  /** A look that was promised when it was signed. */
  lookAgain: calendarDay().nullable(),
});

export type DueAgain = z.infer<typeof dueAgain>;

const recalled = z.object({
  visitId: id,
  claim: z.string(),
  clock: z.string(),
  owner: z.string(),
  code: z.string(),
  openedAt: moment,
  closedAt: moment.nullable(),
  why: z.string(),
});

export type Recalled = z.infer<typeof recalled>;

const callbacks = z.object({
  signed: z.int(),
  came: z.int(),
  rows: z.array(
    z.object({
      visitId: id,
      claim: z.string(),
      clock: z.string(),
      openedAt: moment,
      of: z.string(),
      cause: z.string(),
      complaint: z.string(),
    }),
  ),
});

export const aftercareRoutes = {
  due: read({
    method: 'GET',
    path: '/due-again',
    summary: 'Clocks that went home, by the day on which they are due again',
    roles: everyone,
    reads: 'aftercare',
    query: z.object({
      /** Due on this day or before. */
      until: calendarDay().optional(),
      after: text(60).optional(),
    }),
    reply: page(dueAgain),
  }),
  recall: read({
    method: 'GET',
    path: '/recall',
    summary: 'Every visit with this product, batch, part or type',
    roles: everyone,
    reads: 'aftercare',
    query: z.object({ q: text(80).default('') }),
    reply: z.array(recalled),
  }),
  callbacks: read({
    method: 'GET',
    path: '/callbacks',
    summary: 'How many of the signed came back within the last years, and why',
    roles: everyone,
    reads: 'aftercare',
    query: z.object({ years: z.coerce.number().int().min(1).max(50).default(2) }),
    reply: callbacks,
  }),
};
