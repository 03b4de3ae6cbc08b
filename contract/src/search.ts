import { z } from 'zod';
import { id, text } from './common.ts';
import { everyone } from './people.ts';
import { read } from './route.ts';

/** Something the counter may be looking for: a clock with its owner, an owner, or a movement without a clock here. */
export const hit = z.object({
  ownerId: id.nullable(),
  owner: z.string(),
  clockId: id.nullable(),
  clock: z.string(),
  movementId: id.nullable(),
  movement: z.string(),
  code: z.string(),
  /** In what it was found: a name, a number by its place, a claim, words of a complaint. */
  why: z.string(),
  openVisitId: id.nullable(),
});

export type Hit = z.infer<typeof hit>;

export const searchRoutes = {
  anything: read({
    method: 'GET',
    path: '/find',
    summary:
      'Find a clock by anything: name, phone digits, claim, mark, serial, code or words of a ' +
      'complaint, spelt nearly right',
    roles: everyone,
    reads: 'movements',
    query: z.object({ q: text(80).default('') }),
    reply: z.array(hit),
  }),
};
