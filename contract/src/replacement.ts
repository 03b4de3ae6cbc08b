import { CHECK_ANSWERS, DIAL_WORK, OLD_MOVEMENT_FATES } from '@eclat/core/movement';
import { z } from 'zod';
import { requiredText, id, signed, text, done } from './common.ts';
import { newMovement } from './movements.ts';
import { benchRoles } from './people.ts';
import { command } from './route.ts';

export const replacementFields = z
  .object({
    why: requiredText(300, 'Why it is replaced'),
    fate: z.enum(OLD_MOVEMENT_FATES),
    /** Work under the dial that stays with the clock, and that the new movement drives. */
    dialWork: z.array(z.enum(DIAL_WORK)).max(DIAL_WORK.length).default([]),
    movementId: id.optional(),
    movement: newMovement.optional(),
  })
  .superRefine((r, ctx) => {
    if ((r.movementId === undefined) === (r.movement === undefined))
      ctx.addIssue({ code: 'custom', path: ['movement'], message: 'Either a movement that has a book, or a new one.' });
  });

/** `out`: the movement that came out; its own record is closed, its book goes on. */
export const replacement = z.object({
  checks: z.record(z.string(), z.object({ answer: z.enum(CHECK_ANSWERS), note: z.string(), ...signed })),
  out: z
    .object({
      movementId: id,
      code: z.string(),
      name: z.string(),
      why: z.string(),
      fate: z.enum(OLD_MOVEMENT_FATES),
      visitId: id,
      ...signed,
    })
    .nullable(),
});

export const replacementRoutes = {
  setCheck: command({
    method: 'PUT',
    path: '/visits/:visitId/replacement/checks/:check',
    summary: 'Answer a point of the replacement, or take the answer back',
    roles: benchRoles,
    changes: ['visit'],
    inverse: 'same',
    visit: 'again',
    body: z.object({ answer: z.enum(CHECK_ANSWERS).nullable(), note: text(300).default('') }),
    reply: done,
  }),
  fit: command({
    method: 'PUT',
    path: '/visits/:visitId/replacement',
    summary: 'The other movement is in: the old one’s work is closed into its own book',
    roles: benchRoles,
    changes: ['visit', 'bench', 'movements'],
    inverse: 'final',
    visit: 'again',
    body: replacementFields,
    reply: done,
  }),
};
