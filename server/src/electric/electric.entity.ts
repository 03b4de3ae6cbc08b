import type { ElectricTest as Look } from '@eclat/contract';
import { defineEntity, p, type InferEntity } from '@mikro-orm/core';
import { by, key, visitKey } from '../platform/database/columns.ts';

export const ElectricTest = defineEntity({
  name: 'ElectricLook',
  tableName: 'electric_look',
  properties: { id: key(), visitId: visitKey(), look: p.json<Look>().columnType('jsonb'), ...by },
});
export type ElectricTest = InferEntity<typeof ElectricTest>;
