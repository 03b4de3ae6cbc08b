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

/** A part of the clock that goes at its own pace: print work, alarm, platform. */
export const unit = z.object({ id, name: z.string(), stages: z.array(unitStage), ...signed });

export type SubAssembly = z.infer<typeof unit>;

export const unitFields = z.object({ name: requiredText(40, 'What it is called') });

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
