import { z } from 'zod';
import { requiredText, text, id, version, page, changesTo } from './common.ts';
import { everyone } from './people.ts';
import { read, command } from './route.ts';

export const ownerFields = z.object({
  name: requiredText(120, 'The owner’s name'),
  phone: text(40).default(''),
  email: z
    .union([z.literal(''), z.email('This does not look like an e-mail address.').max(254, 'At most 254 characters.')])
    .default(''),
  address: text(400).default(''),
});

export const owner = ownerFields.extend({ id, version });

export type Owner = z.infer<typeof owner>;

export const knownClock = z.object({
  id,
  description: z.string(),
  movement: z.object({ id, code: z.string(), name: z.string() }),
});

export const ownersRoutes = {
  search: read({
    method: 'GET',
    path: '/owners',
    summary: 'Find owners by name or phone',
    roles: everyone,
    reads: 'owners',
    query: z.object({ q: text(80).default(''), after: text(200).optional() }),
    reply: page(owner),
  }),
  clocks: read({
    method: 'GET',
    path: '/owners/:ownerId/clocks',
    summary: 'The clocks this owner has brought before',
    roles: everyone,
    reads: 'owners',
    reply: z.array(knownClock),
  }),
  change: command({
    method: 'PATCH',
    path: '/owners/:ownerId',
    summary: 'Correct an owner',
    roles: everyone,
    changes: ['owners', 'visit', 'bench', 'aftercare'],
    inverse: 'same',
    body: changesTo(ownerFields),
    reply: owner,
  }),
};
