import { defineEntity, p, type InferEntity } from '@mikro-orm/core';
import { key, text, versioned } from '../platform/database/columns.ts';

export const Owner = defineEntity({
  name: 'Owner',
  tableName: 'owner',
  properties: {
    id: key(),
    name: text(),
    phone: text(),
    email: text(),
    address: text(),
    /** The shop itself, as the owner of its own clocks. */
    ownStock: p.boolean().default(false),
    version: versioned(),
  },
});
export type Owner = InferEntity<typeof Owner>;
