import type { SymptomId } from '@eclat/core/faults';
import { defineEntity } from '@mikro-orm/core';
import { by, text, visitKey } from '../database/columns.ts';

export const Observation = defineEntity({
  name: 'Observation', tableName: 'observation',
  properties: { visitId: visitKey().primary(), symptom: text().$type<SymptomId>().primary(), state: text().$type<'present' | 'absent'>(), ...by },
});
