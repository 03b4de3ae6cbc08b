import { z } from 'zod';
import { changesTo, id, needed, page, version, words } from './common.ts';
import { everyone } from './people.ts';
import { route } from './route.ts';

export const ownerFields = z.object({
  name: needed(120, 'The owner’s name'),
  phone: words(40).default(''),
  email: z.union([z.literal(''), z.email('This does not look like an e-mail address.')]).default(''),
  address: words(400).default(''),
});
export const owner = ownerFields.extend({ id, version });
export type Owner = z.infer<typeof owner>;

export const knownClock = z.object({
  id,
  description: z.string(),
  movement: z.object({ id, code: z.string(), name: z.string() }),
});

export const owners = {
  search: route({
    method: 'GET',
    path: '/owners',
    summary: 'Find owners by name or phone',
    roles: everyone,
    query: z.object({ q: words(80).default(''), after: words(200).optional() }),
    reply: page(owner),
  }),
  clocks: route({
    method: 'GET',
    path: '/owners/:ownerId/clocks',
    summary: 'The clocks this owner has brought before',
    roles: everyone,
    reply: z.array(knownClock),
  }),
  change: route({
    method: 'PATCH',
    path: '/owners/:ownerId',
    summary: 'Correct an owner',
    roles: everyone,
    body: changesTo(ownerFields),
    reply: owner,
  }),
};
