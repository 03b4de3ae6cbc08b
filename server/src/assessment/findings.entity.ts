import type { Finding as Shape } from '@eclat/contract';
import { defineEntity, p, type InferEntity } from '@mikro-orm/core';
import { by, float, key, moment, text, versioned, visitKey } from '../platform/database/columns.ts';

export const Finding = defineEntity({
  name: 'Finding',
  tableName: 'finding',
  properties: {
    id: key(),
    visitId: visitKey(),
    place: text(),
    seen: text(),
    severity: text().$type<Shape['severity']>(),
    effect: text().$type<Shape['effect']>(),
    proposal: text(),
    earlierRepair: p.boolean(),
    doNotDisturb: p.boolean(),
    hours: float().nullable(),
    cause: text().default(''),
    followsFrom: p.uuid().nullable(),
    ...by,
    /** What a later look found instead, who and when; empty: it stands. */
    overturned: text().default(''),
    overturnedBy: text().nullable(),
    overturnedAt: moment().nullable(),
    /** Taken back: no longer of the visit, but what hangs on it finds it again when it comes back. */
    removedBy: text().nullable(),
    removedAt: moment().nullable(),
    version: versioned(),
  },
});
export type Finding = InferEntity<typeof Finding>;
