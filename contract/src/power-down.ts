import { POWER_STATES } from '@eclat/core/workflow';
import { z } from 'zod';
import { text, version, moment, basedOn, done } from './common.ts';
import { train } from './movements.ts';
import { benchRoles } from './people.ts';
import { command } from './route.ts';

export const powerFields = z.object({
  state: z.enum(POWER_STATES),
  turns: z.number().min(0).max(60).nullable().default(null),
  /** Turns of set-up on a fusee or preloaded barrel, which must go back in. */
  setUpTurns: z.number().min(0).max(60).nullable().default(null),
  note: text(300).default(''),
});

export const power = powerFields.extend({ train, version, by: z.string(), at: moment.nullable() });

export type Power = z.infer<typeof power>;

export const powerDownRoutes = {
  set: command({
    method: 'PUT',
    path: '/visits/:visitId/power/:train',
    summary: 'Set the power state of a train',
    roles: benchRoles,
    changes: ['visit', 'bench'],
    inverse: 'same',
    visit: { put: 'power', by: 'train' },
    body: powerFields.extend(basedOn),
    reply: power,
  }),
  beginStrip: command({
    method: 'POST',
    path: '/visits/:visitId/strip',
    summary: 'Begin the strip',
    roles: benchRoles,
    changes: ['visit', 'bench'],
    inverse: 'final',
    visit: 'again',
    body: z.object({ overrideReason: text(300).default('') }),
    reply: done,
  }),
};
