import type { StageId } from '@eclat/core/workflow';
import { defineEntity, p, type InferEntity } from '@mikro-orm/core';
import { key, moment, text, visitKey } from '../platform/database/columns.ts';

export const TimeSpent = defineEntity({
  name: 'TimeSpent',
  tableName: 'time_spent',
  properties: {
    id: key(),
    visitId: visitKey(),
    personId: p.uuid(),
    by: text(),
    stage: text().$type<StageId>(),
    startedAt: moment(),
    endedAt: moment().nullable(),
  },
});
export type TimeSpent = InferEntity<typeof TimeSpent>;
