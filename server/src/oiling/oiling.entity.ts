import { defineEntity } from '@mikro-orm/core';
import { by, text, visitKey } from '../database/columns.ts';

export const OiledPoint = defineEntity({
  name: 'OiledPoint', tableName: 'oiled_point',
  properties: { visitId: visitKey().primary(), point: text().primary(), product: text(), ...by },
});
