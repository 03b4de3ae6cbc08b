import type { Visit as Shape } from '@eclat/contract';
import type { ShapeId, StageId, StageStateId, TermsId, Trial } from '@eclat/core/workflow';
import { defineEntity, p, type InferEntity } from '@mikro-orm/core';
import { by, key, moment, text, versioned, visitKey } from '../platform/database/columns.ts';

export const Visit = defineEntity({
  name: 'Visit',
  tableName: 'visit',
  properties: {
    id: key(),
    claim: text(),
    ownerId: p.uuid(),
    clockId: p.uuid(),
    movementId: p.uuid(),
    complaint: text(),
    wanted: text(),
    notWanted: text(),
    outOfScope: text().default(''),
    callbackOf: p.uuid().nullable(),
    rulesVersion: p.integer().default(0),
    alone: p.json<NonNullable<Shape['alone']>>().columnType('jsonb').nullable(),
    cause: text().default(''),
    causeBy: text().nullable(),
    causeAt: moment().nullable(),
    prognosis: text().default(''),
    lookAgainOn: p.date().nullable(),
    promisedFor: p.date().nullable(),
    openedAt: moment(),
    closedAt: moment().nullable(),
    /** The description it was signed under; null while it is open. */
    describedAs: p.uuid().nullable(),
    version: versioned(),
  },
});
export type Visit = InferEntity<typeof Visit>;

/** A log of what was agreed: the last word holds. */
export const VisitJob = defineEntity({
  name: 'VisitJob',
  tableName: 'visit_job',
  properties: {
    id: key(),
    visitId: visitKey(),
    shape: text().$type<ShapeId>(),
    terms: text().$type<TermsId>(),
    trial: p.json<Trial>().columnType('jsonb').nullable(),
    reason: text(),
    ownerId: p.uuid(),
    ...by,
  },
});

/** A log: a stage may be done, taken up again and done again. */
export const StageEvent = defineEntity({
  name: 'StageEvent',
  tableName: 'stage_event',
  properties: {
    id: key(),
    visitId: visitKey(),
    stage: text().$type<StageId>(),
    state: text().$type<StageStateId>(),
    why: text().default(''),
    ...by,
  },
});

export const CautionRead = defineEntity({
  name: 'CautionRead',
  tableName: 'caution_read',
  properties: { visitId: visitKey().primary(), caution: text().primary(), ...by },
});
