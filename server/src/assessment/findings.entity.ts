import type { Finding as Shape } from '@eclat/contract';
import { defineEntity, p, type InferEntity } from '@mikro-orm/core';
import { by, float, key, text, versioned, visitKey } from '../platform/database/columns.ts';

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
    ...by,
    version: versioned(),
  },
});
export type Finding = InferEntity<typeof Finding>;
