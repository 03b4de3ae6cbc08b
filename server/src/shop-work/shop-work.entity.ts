import { defineEntity, p, type InferEntity } from '@mikro-orm/core';
import { by, key, moment, text, versioned } from '../platform/database/columns.ts';

/** Work that outlives a visit, or had none. */
export const ShopTask = defineEntity({
  name: 'ShopTask',
  tableName: 'shop_task',
  properties: {
    id: key(),
    thing: text(),
    next: text(),
    visitId: p.uuid().nullable(),
    log: p.json<{ did: string; at: string; by: string }[]>().columnType('jsonb'),
    waitEndsAt: moment().nullable(),
    endedAt: moment().nullable(),
    endedBy: text(),
    ended: text(),
    version: versioned(),
    ...by,
  },
});
export type ShopTask = InferEntity<typeof ShopTask>;
