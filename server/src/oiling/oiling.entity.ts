import { defineEntity, p } from '@mikro-orm/core';
import { by, key, text, visitKey } from '../platform/database/columns.ts';

/** A log: what was opened again is oiled again. */
export const OiledPoint = defineEntity({
  name: 'OiledPoint',
  tableName: 'oiled_point',
  properties: {
    id: key(),
    visitId: visitKey(),
    point: text(),
    product: text(),
    stockId: p.uuid().nullable(),
    batch: text(),
    dry: p.boolean().default(false),
    differs: text(),
    ...by,
  },
});
