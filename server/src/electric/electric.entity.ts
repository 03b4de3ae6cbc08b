import type { ElectricTest as Kept } from '@eclat/contract';
import { defineEntity, p, type InferEntity } from '@mikro-orm/core';
import { by, key, visitKey } from '../platform/database/columns.ts';

export const ElectricTest = defineEntity({
  name: 'ElectricLook',
  tableName: 'electric_look',
  properties: { id: key(), visitId: visitKey(), test: p.json<Kept>().columnType('jsonb').name('look'), ...by },
});
export type ElectricTest = InferEntity<typeof ElectricTest>;
