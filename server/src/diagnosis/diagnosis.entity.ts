import type { LookOutcome, OwnCause, SymptomId } from '@eclat/core/faults';
import { defineEntity, p, type InferEntity } from '@mikro-orm/core';
import { by, key, text, visitKey } from '../platform/database/columns.ts';

export const Observation = defineEntity({
  name: 'Observation',
  tableName: 'observation',
  properties: {
    visitId: visitKey().primary(),
    symptom: text().$type<SymptomId>().primary(),
    state: text().$type<'present' | 'absent'>(),
    ...by,
  },
});

/** A look at one cause of this movement: found, clear, or impossible here. */
export const LookTaken = defineEntity({
  name: 'LookTaken',
  tableName: 'look_taken',
  properties: { visitId: visitKey().primary(), look: text().primary(), outcome: text().$type<LookOutcome>(), ...by },
});

/** What was held before, by whom and when, and why it is held otherwise now. `of`: "cause", or the id of a look. */
export const EarlierWord = defineEntity({
  name: 'EarlierWord',
  tableName: 'earlier_word',
  properties: { id: key(), visitId: visitKey(), of: text(), said: text(), why: text(), ...by },
});
export type EarlierWord = InferEntity<typeof EarlierWord>;

/** A cause that the shop added to the table. */
export const OwnCauseRow = defineEntity({
  name: 'OwnCauseRow',
  tableName: 'own_cause',
  properties: { id: text().primary(), fields: p.json<Omit<OwnCause, 'id'>>().columnType('jsonb'), ...by },
});
