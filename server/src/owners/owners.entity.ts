import { defineEntity, type InferEntity } from '@mikro-orm/core';
import { key, text, versioned } from '../platform/database/columns.ts';

export const Owner = defineEntity({
  name: 'Owner',
  tableName: 'owner',
  properties: { id: key(), name: text(), phone: text(), email: text(), address: text(), version: versioned() },
});
export type Owner = InferEntity<typeof Owner>;
