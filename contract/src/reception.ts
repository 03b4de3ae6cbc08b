import { KEY_FITS } from '@eclat/core/intake';
import { z } from 'zod';
import { requiredText, text, millimetres, id, version, moment, signed, done, changesTo } from './common.ts';
import { everyone } from './people.ts';
import { command } from './route.ts';

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

/** Missing when it came. It stays on the clock's list until it is found, fitted or given up. */
export const WANTED_ENDS = ['found', 'fitted', 'given up'] as const;

export const wantedFields = z.object({ what: requiredText(120, 'What is missing'), evidence: text(300).default('') });

export const wantedThing = wantedFields.extend({ id, ...signed, ended: z.enum(WANTED_ENDS).nullable() });

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
    changes: ['visit'],
    inverse: 'reception.closeWanted',
    visit: { put: 'wantedThings', by: 'id' },
    body: wantedFields,
    reply: wantedThing,
  }),
  closeWanted: command({
    method: 'PUT',
    path: '/visits/:visitId/wanted/:wantedId',
    summary: 'Found, fitted or given up; null puts it back on the list',
    roles: everyone,
    changes: ['visit'],
    inverse: 'same',
    visit: 'again',
    body: z.object({ ended: z.enum(WANTED_ENDS).nullable() }),
    reply: done,
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
