import { defineEntity, type InferEntity } from '@mikro-orm/core';
import { by, key, text, visitKey } from '../platform/database/columns.ts';

export const VisitNote = defineEntity({
  name: 'VisitNote',
  tableName: 'visit_note',
  properties: { id: key(), visitId: visitKey(), text: text(), ...by },
});
export type VisitNote = InferEntity<typeof VisitNote>;
