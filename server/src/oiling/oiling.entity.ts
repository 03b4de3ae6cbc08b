import { defineEntity, p } from '@mikro-orm/core';
import { by, text, visitKey } from '../platform/database/columns.ts';

export const OiledPoint = defineEntity({
  name: 'OiledPoint',
  tableName: 'oiled_point',
  properties: {
    visitId: visitKey().primary(),
    point: text().primary(),
    product: text(),
    stockId: p.uuid().nullable(),
    batch: text(),
    differs: text(),
    ...by,
  },
});
