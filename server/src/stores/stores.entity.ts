import type { MOVE_WHYS } from '@eclat/contract';
import type { KindId, Sizes } from '@eclat/core/stores';
import { defineEntity, p, type InferEntity } from '@mikro-orm/core';
import { key, moment, text, versioned } from '../platform/database/columns.ts';

export const StockItem = defineEntity({
  name: 'StockItem',
  tableName: 'stock_item',
  properties: {
    id: key(),
    identity: text(),
    kind: text().$type<KindId>(),
    name: text(),
    sizes: p.json<Sizes>().columnType('jsonb'),
    minimum: p.integer(),
    price: text(),
    supplier: text(),
    supplierNo: text(),
    shelf: text(),
    batch: text(),
    note: text(),
    kept: p.boolean().default(true),
    movementId: p.uuid().nullable(),
    version: versioned(),
  },
});
export type StockItem = InferEntity<typeof StockItem>;

/** What came in or went out. What lies there is their sum. */
export const StockMove = defineEntity({
  name: 'StockMove',
  tableName: 'stock_move',
  properties: {
    id: key(),
    itemId: p.uuid(),
    change: p.integer(),
    why: text().$type<(typeof MOVE_WHYS)[number]>(),
    visitId: p.uuid().nullable(),
    forId: p.uuid().nullable(),
    at: moment(),
    by: text(),
  },
});

export const StockOrder = defineEntity({
  name: 'StockOrder',
  tableName: 'stock_order',
  properties: {
    id: key(),
    itemId: p.uuid(),
    quantity: p.integer(),
    expectedOn: p.string().columnType('date').nullable(),
    visitId: p.uuid().nullable(),
    orderedAt: moment(),
    by: text(),
    arrivedAt: moment().nullable(),
  },
});
