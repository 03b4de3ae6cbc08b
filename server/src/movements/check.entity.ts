import type { StoreCheck as Shape } from '@eclat/contract';
import { defineEntity, p, type InferEntity } from '@mikro-orm/core';
import { moment } from '../platform/database/columns.ts';

/** The last time that the whole store was checked, and what did not hold. */
export const StoreCheck = defineEntity({
  name: 'StoreCheck',
  tableName: 'store_check',
  properties: {
    one: p.boolean().primary(),
    at: moment(),
    entries: p.integer(),
    broken: p.json<Shape['broken']>().columnType('jsonb'),
    log: p.json<Shape['log']>().columnType('jsonb'),
  },
});
export type StoreCheck = InferEntity<typeof StoreCheck>;
