import type { StageStateId, UnitStage } from '@eclat/core/workflow';
import { defineEntity, p, type InferEntity } from '@mikro-orm/core';
import { by, key, text, visitKey } from '../platform/database/columns.ts';

/** A part of the clock with stages of its own. */
export const Unit = defineEntity({
  name: 'Unit',
  tableName: 'unit',
  properties: { id: key(), visitId: visitKey(), name: text(), ...by },
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
