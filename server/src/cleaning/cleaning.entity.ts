import type { BathRun as Shape } from '@eclat/contract';
import { defineEntity, p, type InferEntity } from '@mikro-orm/core';
import { key, moment, text, visitKey } from '../database/columns.ts';

export const BathRun = defineEntity({
  name: 'BathRun', tableName: 'bath_run',
  properties: {
    id: key(), visitId: visitKey(), bath: text().$type<Shape['bath']>(), parts: p.json<Shape['parts']>().columnType('jsonb'), minutes: p.integer(),
    overrideReason: text(), startedAt: moment(), endsAt: moment(), stoppedAt: moment().nullable(), by: text(),
  },
});
export type BathRun = InferEntity<typeof BathRun>;
