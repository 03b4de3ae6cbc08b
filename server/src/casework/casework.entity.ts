import type { CasePlace, Origin } from '@eclat/core/casework';
import { defineEntity, p, type InferEntity } from '@mikro-orm/core';
import { by, float, key, moment, text, versioned, visitKey } from '../platform/database/columns.ts';

export const CaseTask = defineEntity({
  name: 'CaseTask',
  tableName: 'case_task',
  properties: {
    id: key(),
    visitId: visitKey(),
    position: p.integer().default(0),
    place: text().$type<CasePlace>(),
    what: text(),
    product: text(),
    origin: text().$type<Origin>().nullable(),
    donorId: p.uuid().nullable(),
    donorName: text().default(''),
    times: p.integer(),
    waitHours: float(),
    once: p.boolean(),
    note: text(),
    log: p.json<{ at: string; by: string }[]>().columnType('jsonb'),
    waitEndsAt: moment().nullable(),
    doneAt: moment().nullable(),
    doneBy: text(),
    version: versioned(),
    ...by,
  },
});
export type CaseTask = InferEntity<typeof CaseTask>;
