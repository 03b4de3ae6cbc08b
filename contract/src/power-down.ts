import { SOURCE_KINDS } from '@eclat/core/movement';
import { POWER_STATES } from '@eclat/core/workflow';
import { z } from 'zod';
import { text, version, moment, basedOn, done } from './common.ts';
import { benchRoles } from './people.ts';
import { command } from './route.ts';

export const powerFields = z.object({
  state: z.enum(POWER_STATES),
  turns: z.number().min(0).max(60).nullable().default(null),
  /** Turns of set-up on a fusee or preloaded barrel, which must go back in. */
  setUpTurns: z.number().min(0).max(60).nullable().default(null),
  note: text(300).default(''),
});

/** Something said of a source of power, or done with it. */
export const powerEvent = powerFields.extend({ by: z.string(), at: moment });

/** How a source of power stands: its last event says it. Of which nothing was said is unknown. */
export const power = powerFields.extend({
  source: z.string(),
  kind: z.enum(SOURCE_KINDS),
  /** "going", "going and strike". */
  label: z.string(),
  /** The same in a sentence: "going and strike trains". */
  name: z.string(),
  version,
  by: z.string(),
  at: moment.nullable(),
  /** What was said before, the newest first. */
  earlier: z.array(powerEvent),
});

export type Power = z.infer<typeof power>;

export const powerDownRoutes = {
  set: command({
    method: 'PUT',
    path: '/visits/:visitId/power/:source',
    summary: 'Say how a source of power stands',
    roles: benchRoles,
    changes: ['visit', 'bench'],
    inverse: 'same',
    visit: { put: 'power', by: 'source' },
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
