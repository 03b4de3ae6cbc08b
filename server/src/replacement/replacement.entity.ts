import type { CheckAnswer, OldMovementFate } from '@eclat/core/movement';
import { defineEntity, p, type InferEntity } from '@mikro-orm/core';
import { by, text, visitKey } from '../platform/database/columns.ts';

export const ReplacementAnswer = defineEntity({
  name: 'ReplacementAnswer',
  tableName: 'replacement_answer',
  properties: {
    visitId: visitKey().primary(),
    point: text().primary(),
    answer: text().$type<CheckAnswer>(),
    note: text(),
    ...by,
  },
});
/** The movement that came out of a clock during a visit, and the visit of its own that its work was closed into. */
export const MovementOut = defineEntity({
  name: 'MovementOut',
  tableName: 'movement_out',
  properties: {
    visitId: visitKey().primary(),
    movementId: p.uuid(),
    outVisitId: p.uuid(),
    why: text(),
    fate: text().$type<OldMovementFate>(),
    ...by,
  },
});
export type MovementOut = InferEntity<typeof MovementOut>;
