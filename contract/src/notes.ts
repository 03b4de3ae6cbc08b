import { z } from 'zod';
import { done, id, requiredText, signed } from './common.ts';
import { everyone } from './people.ts';
import { command } from './route.ts';

export const noteFields = z.object({ text: requiredText(1000, 'A note') });
/** A word to oneself or the others in the shop: no part of the record. */
export const note = z.object({ id, text: z.string(), ...signed });
export type Note = z.infer<typeof note>;

export const notesRoutes = {
  add: command({
    method: 'POST',
    path: '/visits/:visitId/notes',
    summary: 'Note something beside the record',
    roles: everyone,
    changes: ['visit'],
    inverse: 'notes.remove',
    visit: { put: 'notes', by: 'id' },
    body: noteFields,
    reply: note,
  }),
  remove: command({
    method: 'DELETE',
    path: '/visits/:visitId/notes/:noteId',
    summary: 'Take a note out',
    roles: everyone,
    changes: ['visit'],
    inverse: 'notes.add',
    visit: { remove: 'notes', by: 'id', param: 'noteId' },
    reply: done,
  }),
};
