import { z } from 'zod';
import { done, id, requiredText, signed, text } from './common.ts';
import { entry } from './movements.ts';
import { benchRoles, signature } from './people.ts';
import { command } from './route.ts';

/** A word of the owner's name that means something else where it stands: kept in the record, with why. */
export const keptWordFields = z.object({ word: requiredText(80, 'The word'), why: requiredText(200, 'Why it stays') });
export const keptWord = keptWordFields.extend({ id, ...signed });

export const signingRoutes = {
  keepWord: command({
    method: 'POST',
    path: '/visits/:visitId/kept-words',
    summary: 'Keep a word in the record that is also the owner’s',
    roles: benchRoles,
    changes: ['visit'],
    inverse: 'signing.dropWord',
    visit: { put: 'keptWords', by: 'id' },
    body: keptWordFields,
    reply: keptWord,
  }),
  dropWord: command({
    method: 'DELETE',
    path: '/visits/:visitId/kept-words/:wordId',
    summary: 'This word is the owner’s after all',
    roles: benchRoles,
    changes: ['visit'],
    inverse: 'signing.keepWord',
    visit: { remove: 'keptWords', by: 'id', param: 'wordId' },
    reply: done,
  }),
  sign: command({
    method: 'POST',
    path: '/visits/:visitId/signature',
    summary: 'Sign and close: makes the history entry',
    roles: benchRoles,
    changes: ['visit', 'bench', 'timers', 'movements', 'causes', 'aftercare'],
    inverse: 'final',
    visit: 'again',
    body: z.object({ note: text(2000).default(''), waiver: text(400).default(''), passphrase: signature }),
    reply: entry,
  }),
};
