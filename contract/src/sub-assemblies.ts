import { STAGE_STATES, UNIT_STAGES } from '@eclat/core/workflow';
import { z } from 'zod';
import { done, id, moment, requiredText, signed, text } from './common.ts';
import { benchRoles } from './people.ts';
import { command } from './route.ts';

const unitStage = z.object({
  stage: z.enum(UNIT_STAGES),
  state: z.enum(STAGE_STATES),
  why: z.string(),
  by: z.string(),
  at: moment.nullable(),
});

/** A run of it by itself: what drove it, what it showed, whether that is how it should be. */
const unitRun = z.object({
  id,
  driven: z.string(),
  found: z.string(),
  good: z.boolean().nullable(),
  endedBy: z.string(),
  endedAt: moment.nullable(),
  by: z.string(),
  at: moment,
});

/** A part of the clock that goes at its own pace: print work, alarm, platform. */
export const unit = z.object({ id, name: z.string(), stages: z.array(unitStage), runs: z.array(unitRun), ...signed });

export type SubAssembly = z.infer<typeof unit>;

export const unitFields = z.object({ name: requiredText(40, 'What it is called') });
export const unitRunFields = z.object({ driven: requiredText(60, 'What drives it') });

const one = '/visits/:visitId/units/:unitId' as const;

export const subAssembliesRoutes = {
  add: command({
    method: 'POST',
    path: '/visits/:visitId/units',
    summary: 'A sub-assembly that goes at its own pace, with stages of its own',
    roles: benchRoles,
    changes: ['visit', 'bench'],
    inverse: 'subAssemblies.remove',
    visit: { put: 'units', by: 'id', again: true },
    body: unitFields,
    reply: unit,
  }),
  setStage: command({
    method: 'PUT',
    path: `${one}/stages/:stage`,
    summary: 'Where a stage of it stands',
    roles: benchRoles,
    changes: ['visit', 'bench'],
    inverse: 'same',
    visit: { put: 'units', by: 'id', again: true },
    body: z.object({ state: z.enum(STAGE_STATES), why: text(200).default('') }),
    reply: unit,
  }),
  startRun: command({
    method: 'POST',
    path: `${one}/runs`,
    summary: 'It runs by itself from now on',
    roles: benchRoles,
    changes: ['visit', 'bench'],
    inverse: 'final',
    visit: { put: 'units', by: 'id', again: true },
    body: unitRunFields,
    reply: unit,
  }),
  endRun: command({
    method: 'PUT',
    path: `${one}/runs/:runId/end`,
    summary: 'The run of it ends: what it showed. Good: its stage “Run” is done',
    roles: benchRoles,
    changes: ['visit', 'bench'],
    inverse: 'final',
    visit: { put: 'units', by: 'id', again: true },
    body: z.object({ found: text(300).default(''), good: z.boolean() }),
    reply: unit,
  }),
  remove: command({
    method: 'DELETE',
    path: one,
    summary: 'It goes with the movement after all',
    roles: benchRoles,
    changes: ['visit', 'bench'],
    inverse: 'subAssemblies.add',
    visit: { remove: 'units', by: 'id', param: 'unitId', again: true },
    reply: done,
  }),
};
