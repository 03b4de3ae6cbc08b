import { SOURCE_KINDS } from '@eclat/core/movement';
import { DEPTHS, POWER_STATES } from '@eclat/core/workflow';
import { z } from 'zod';
import { requiredText, text, id, version, moment, signed, basedOn, done } from './common.ts';
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

/** Leave to open it under power so deep: it holds until the power changes or it comes apart again. */
export const overrideFields = z.object({ opens: z.enum(DEPTHS), reason: requiredText(300, 'The reason') });

export const powerOverride = overrideFields.extend({ id, ...signed });

export type PowerOverride = z.infer<typeof powerOverride>;

export const powerDownRoutes = {
  set: command({
    method: 'PUT',
    path: '/visits/:visitId/power/:source',
    summary: 'Say how a source of power stands',
    roles: benchRoles,
    changes: ['visit', 'bench'],
    /** A word on power is said anew: who undoes one has not let a spring down by it. */
    inverse: 'final',
    visit: { put: 'power', by: 'source' },
    body: powerFields.extend(basedOn),
    reply: power,
  }),
  open: command({
    method: 'POST',
    path: '/visits/:visitId/power-overrides',
    summary: 'Open it under power, with a reason',
    roles: benchRoles,
    changes: ['visit'],
    inverse: 'final',
    visit: { put: 'overrides', by: 'id' },
    body: overrideFields,
    reply: powerOverride,
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
