import type { StageStateId, UnitStage } from '@eclat/core/workflow';
import { defineEntity, p, type InferEntity } from '@mikro-orm/core';
import { by, key, moment, text, visitKey } from '../platform/database/columns.ts';

/** A part of the clock with stages of its own. `removedAt`: it goes with the movement after all. */
export const Unit = defineEntity({
  name: 'Unit',
  tableName: 'unit',
  properties: { id: key(), visitId: visitKey(), name: text(), removedAt: moment().nullable(), ...by },
});
export type Unit = InferEntity<typeof Unit>;

/** A log of what was said of its stages: the last word holds. */
export const UnitStageEvent = defineEntity({
  name: 'UnitStageEvent',
  tableName: 'unit_stage_event',
  properties: {
    id: key(),
    visitId: visitKey(),
    unitId: p.uuid(),
    stage: text().$type<UnitStage>(),
    state: text().$type<StageStateId>(),
    why: text(),
    ...by,
  },
});
export type UnitStageEvent = InferEntity<typeof UnitStageEvent>;

/** It ran by itself. `endedAt` null: it still does; `good` null: nobody said so yet. */
export const UnitRun = defineEntity({
  name: 'UnitRun',
  tableName: 'unit_run',
  properties: {
    id: key(),
    visitId: visitKey(),
    unitId: p.uuid(),
    driven: text(),
    ...by,
    found: text(),
    good: p.boolean().nullable(),
    endedBy: text(),
    endedAt: moment().nullable(),
  },
});
export type UnitRun = InferEntity<typeof UnitRun>;
