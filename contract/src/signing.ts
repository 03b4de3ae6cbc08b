import { z } from 'zod';
import { text } from './common.ts';
import { entry } from './movements.ts';
import { benchRoles } from './people.ts';
import { command } from './route.ts';

export const signingRoutes = {
  sign: command({
    method: 'POST',
    path: '/visits/:visitId/signature',
    summary: 'Sign and close: makes the history entry',
    roles: benchRoles,
    changes: ['visit', 'bench', 'timers', 'movements', 'causes', 'aftercare'],
    inverse: 'final',
    visit: 'again',
    body: z.object({ note: text(2000).default(''), waiver: text(400).default('') }),
    reply: entry,
  }),
};
