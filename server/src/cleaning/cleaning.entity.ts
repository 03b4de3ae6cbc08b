import type { CleaningRun } from '@eclat/contract';
import type { Bath, OwnStep, RunStep, StepDone } from '@eclat/core/cleaning';
import { defineEntity, p, type InferEntity } from '@mikro-orm/core';
import { by, float, key, moment, text, versioned, visitKey } from '../platform/database/columns.ts';

/** A basket on its way through the steps of a sequence, planned when it began. */
export const BathRun = defineEntity({
  name: 'BathRun',
  tableName: 'bath_run',
  properties: {
    id: key(),
    visitId: visitKey(),
    sequence: text(),
    /** What its sequence was called when it began. */
    name: text(),
    bath: text().$type<Bath>().nullable(),
    parts: p.json<CleaningRun['parts']>().columnType('jsonb'),
    minutes: p.integer(),
    overrideReason: text(),
    fillId: p.uuid().nullable(),
    before: text(),
    after: text().default(''),
    steps: p.json<RunStep[]>().columnType('jsonb'),
    step: p.integer().default(0),
    stepStartedAt: moment(),
    endsAt: moment().nullable(),
    log: p.json<StepDone[]>().columnType('jsonb'),
    startedAt: moment(),
    stoppedAt: moment().nullable(),
    by: text(),
    version: versioned(),
  },
});
export type BathRun = InferEntity<typeof BathRun>;

export const BathFill = defineEntity({
  name: 'BathFill',
  tableName: 'bath_fill',
  properties: {
    id: key(),
    bath: text().$type<Bath>(),
    name: text(),
    litres: float(),
    waterParts: float().nullable(),
    limitLoads: p.integer().nullable(),
    limitDays: p.integer().nullable(),
    note: text(),
    filledAt: moment(),
    by: text(),
    changedAt: moment().nullable(),
    changedBy: text().default(''),
    version: versioned(),
  },
});
export type BathFill = InferEntity<typeof BathFill>;

/** A sequence that the shop made for itself. */
export const OwnSequence = defineEntity({
  name: 'OwnSequence',
  tableName: 'own_sequence',
  properties: {
    id: key(),
    name: text(),
    steps: p.json<OwnStep[]>().columnType('jsonb'),
    retired: p.boolean().default(false),
    ...by,
    version: versioned(),
  },
});
export type OwnSequence = InferEntity<typeof OwnSequence>;
