import { KEY_FITS } from '@eclat/core/intake';
import { STEP_ASKS, WANTED_ENDS, WANTED_STEPS } from '@eclat/core/stores';
import { z } from 'zod';
import {
  calendarDay,
  requiredText,
  text,
  millimetres,
  id,
  version,
  moment,
  signed,
  done,
  changesTo,
} from './common.ts';
import { everyone } from './people.ts';
import { command, read } from './route.ts';
import { cost } from './stores.ts';

/** A thing that came with the clock and must go home again. */
export const receivedFields = z.object({
  what: requiredText(80, 'What it is'),
  count: z.int().min(1, 'At least one.').max(99, 'At most 99.').default(1),
  condition: text(120).default(''),
  /** Keys go by the square they fit: numbers stamped on them disagree between makers. */
  squareMm: millimetres.nullable().default(null),
  fits: z.enum(KEY_FITS).nullable().default(null),
  photoId: id.nullable().default(null),
});

export const receivedItem = receivedFields.extend({
  id,
  version,
  returnedBy: z.string(),
  returnedAt: moment.nullable(),
});

export type ReceivedItem = z.infer<typeof receivedItem>;

export const complaintAnswer = z.object({ question: z.string(), answer: z.string(), ...signed });

/** Missing when it came. It stays on the clock's list until one of its steps ends it. */
export const wantedFields = z.object({
  what: requiredText(120, 'What is missing'),
  evidence: text(300).default(''),
  /** What would do for it, the ways parted by commas. */
  would: text(300).default(''),
});

/** What was done about it: looked for, ordered, arrived faulty, fitted. */
export const wantedStepFields = z
  .object({
    step: z.enum(WANTED_STEPS),
    note: text(300).default(''),
    /** Of an order: from whom, for how much, expected when. */
    from: text(80).default(''),
    price: cost.default(''),
    expectedOn: calendarDay('A day such as 2026-03-14.').nullable().default(null),
  })
  .superRefine((s, ctx) => {
    const asks = STEP_ASKS[s.step];
    if (asks && s[asks.field] === '') ctx.addIssue({ code: 'custom', path: [asks.field], message: asks.message });
  });

export const wantedStep = z.object({
  ...{ id, step: z.enum(WANTED_STEPS), note: z.string(), from: z.string(), price: z.string() },
  expectedOn: z.string().nullable(),
  ...signed,
});

export const wantedThing = wantedFields.extend({
  id,
  ...signed,
  steps: z.array(wantedStep),
  ended: z.enum(WANTED_ENDS).nullable(),
});
export type WantedThing = z.infer<typeof wantedThing>;

/** One of the shop-wide list: whose it is, and what lies in the stores that may be it. */
export const wantedHere = wantedThing.omit({ ended: true }).extend({
  ...{ clock: z.string(), claim: z.string(), visitId: id },
  /** Its clock is in the shop. */
  here: z.boolean(),
  matches: z.array(z.object({ itemId: id, name: z.string(), onHand: z.int(), shelf: z.string() })),
});
export type WantedHere = z.infer<typeof wantedHere>;

/** A movement that came by itself. */
export const cameAlone = z.object({ drives: text(200), supply: text(120), borrowed: text(200) });

export const receptionRoutes = {
  answer: command({
    method: 'PUT',
    path: '/visits/:visitId/answers/:question',
    summary: 'What the owner answered at the counter; empty takes it back',
    roles: everyone,
    changes: ['visit'],
    inverse: 'same',
    visit: 'again',
    body: z.object({ answer: text(400) }),
    reply: done,
  }),
  addReceived: command({
    method: 'POST',
    path: '/visits/:visitId/received',
    summary: 'List a thing that came with it',
    roles: everyone,
    changes: ['visit'],
    inverse: 'reception.removeReceived',
    visit: { put: 'received', by: 'id' },
    body: receivedFields,
    reply: receivedItem,
  }),
  changeReceived: command({
    method: 'PATCH',
    path: '/visits/:visitId/received/:receivedId',
    summary: 'Correct a thing that came with it',
    roles: everyone,
    changes: ['visit'],
    inverse: 'same',
    visit: { put: 'received', by: 'id' },
    body: changesTo(receivedFields),
    reply: receivedItem,
  }),
  removeReceived: command({
    method: 'DELETE',
    path: '/visits/:visitId/received/:receivedId',
    summary: 'It did not come after all',
    roles: everyone,
    changes: ['visit'],
    inverse: 'reception.addReceived',
    visit: { remove: 'received', by: 'id', param: 'receivedId' },
    reply: done,
  }),
  returnReceived: command({
    method: 'PUT',
    path: '/visits/:visitId/received/:receivedId/returned',
    summary: 'Tick it as going home, or take the tick back',
    roles: everyone,
    changes: ['visit'],
    inverse: 'same',
    visit: { put: 'received', by: 'id' },
    body: z.object({ returned: z.boolean() }),
    reply: receivedItem,
  }),
  addWanted: command({
    method: 'POST',
    path: '/visits/:visitId/wanted',
    summary: 'Put a missing thing on the clock’s list',
    roles: everyone,
    changes: ['visit', 'stores'],
    inverse: 'reception.removeWanted',
    visit: { put: 'wantedThings', by: 'id' },
    body: wantedFields,
    reply: wantedThing,
  }),
  changeWanted: command({
    method: 'PUT',
    path: '/visits/:visitId/wanted/:wantedId',
    summary: 'Correct what is missing, the evidence for it, and what would do',
    roles: everyone,
    changes: ['visit', 'stores'],
    inverse: 'same',
    visit: { put: 'wantedThings', by: 'id' },
    body: wantedFields,
    reply: wantedThing,
  }),
  removeWanted: command({
    method: 'DELETE',
    path: '/visits/:visitId/wanted/:wantedId',
    summary: 'It was not missing after all; one with steps stays',
    roles: everyone,
    changes: ['visit', 'stores'],
    inverse: 'reception.addWanted',
    visit: { remove: 'wantedThings', by: 'id', param: 'wantedId' },
    reply: done,
  }),
  addWantedStep: command({
    method: 'POST',
    path: '/visits/:visitId/wanted/:wantedId/steps',
    summary: 'What was done about a missing thing: ordered, arrived faulty, fitted, guessed',
    roles: everyone,
    changes: ['visit', 'stores'],
    inverse: 'reception.removeWantedStep',
    visit: { put: 'wantedThings', by: 'id' },
    body: wantedStepFields,
    reply: wantedThing,
  }),
  removeWantedStep: command({
    method: 'DELETE',
    path: '/visits/:visitId/wanted/:wantedId/steps/:stepId',
    summary: 'This was not done after all: only the last step is taken back',
    roles: everyone,
    changes: ['visit', 'stores'],
    inverse: 'reception.addWantedStep',
    visit: { put: 'wantedThings', by: 'id' },
    reply: wantedThing,
  }),
  wantedList: read({
    method: 'GET',
    path: '/wanted',
    summary: 'What is wanted over all clocks, with what in the stores may be it',
    roles: everyone,
    reads: 'stores',
    reply: z.array(wantedHere),
  }),
  cameAlone: command({
    method: 'PUT',
    path: '/visits/:visitId/alone',
    summary: 'The movement came by itself: what it drives and what is borrowed',
    roles: everyone,
    changes: ['visit'],
    inverse: 'same',
    visit: 'again',
    body: z.object({ alone: cameAlone.nullable() }),
    reply: done,
  }),
  linkCallback: command({
    method: 'PUT',
    path: '/visits/:visitId/callback',
    summary: 'Link a return of the shop’s own work to the earlier visit',
    roles: everyone,
    changes: ['visit', 'aftercare'],
    inverse: 'same',
    visit: 'again',
    body: z.object({ visitId: id.nullable() }),
    reply: done,
  }),
};
