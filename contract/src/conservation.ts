import { asksOwner, DECIDED_FOR, OWNER_FIRST, UNDONE } from '@eclat/core/conservation';
import { z } from 'zod';
import { changesTo, done, id, requiredText, signed, text, version } from './common.ts';
import { benchRoles } from './people.ts';
import { command } from './route.ts';

export const way = z.object({
  way: requiredText(200, 'What is done'),
  undone: z.enum(UNDONE).describe('whether it can be undone later'),
  chosen: z.boolean().default(false),
  why: text(300).default('').describe('why it was chosen, or was not'),
});

const fields = z.object({
  about: requiredText(120, 'What it is about'),
  of: z.enum(DECIDED_FOR).default('case, dial, glass'),
  ways: z
    .array(way)
    .min(1, 'At least one way.')
    .max(8, 'At most eight ways.')
    .refine((ways) => ways.filter((w) => w.chosen).length < 2, 'One way is chosen, or none yet.'),
  agreed: z.boolean().default(false).describe('the owner said yes to what cannot be undone'),
});

/** No way that cannot be undone is chosen before the owner said yes. */
export const decisionFields = fields.refine(({ ways, agreed }) => agreed || !asksOwner(ways), {
  message: OWNER_FIRST,
  path: ['agreed'],
});

export const conservationDecision = fields.extend({ id, version, ...signed });

export type ConservationDecision = z.infer<typeof conservationDecision>;

const one = '/visits/:visitId/conservation/:decisionId' as const;

export const conservationRoutes = {
  add: command({
    method: 'POST',
    path: '/visits/:visitId/conservation',
    summary: 'What is kept or changed of an old thing: the ways considered, and which is chosen',
    roles: benchRoles,
    changes: ['visit'],
    inverse: 'conservation.remove',
    visit: { put: 'conservation', by: 'id' },
    body: decisionFields,
    reply: conservationDecision,
  }),
  change: command({
    method: 'PATCH',
    path: one,
    summary: 'Choose a way, or correct what was considered',
    roles: benchRoles,
    changes: ['visit'],
    inverse: 'same',
    visit: { put: 'conservation', by: 'id' },
    body: changesTo(fields),
    reply: conservationDecision,
  }),
  remove: command({
    method: 'DELETE',
    path: one,
    summary: 'It is not decided after all',
    roles: benchRoles,
    changes: ['visit'],
    inverse: 'conservation.add',
    visit: { remove: 'conservation', by: 'id', param: 'decisionId' },
    reply: done,
  }),
};
