import { defineEntity, p, type InferEntity } from '@mikro-orm/core';
import { by, moment, text, visitKey } from '../platform/database/columns.ts';

/** A version is never changed: a new choice is a new version. */
export const HouseRules = defineEntity({
  name: 'HouseRules',
  tableName: 'house_rules',
  properties: {
    version: p.integer().primary(),
    choices: p.json<Record<string, string>>().columnType('jsonb'),
    why: p.json<Record<string, string>>().columnType('jsonb'),
    by: text(),
    at: moment().nullable(),
  },
});
export type HouseRules = InferEntity<typeof HouseRules>;

export const VisitRule = defineEntity({
  name: 'VisitRule',
  tableName: 'visit_rule',
  properties: { visitId: visitKey().primary(), question: text().primary(), school: text(), reason: text(), ...by },
});
