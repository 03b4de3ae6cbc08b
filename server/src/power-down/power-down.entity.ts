import type { PowerState } from '@eclat/core/workflow';
import { defineEntity, p, type InferEntity } from '@mikro-orm/core';
import { by, float, key, text, visitKey } from '../platform/database/columns.ts';

/** A log: how a source of power stands is what its last event says. `version` counts what was said of the source. */
export const PowerEvent = defineEntity({
  name: 'PowerEvent',
  tableName: 'power_event',
  properties: {
    id: key(),
    visitId: visitKey(),
    source: text(),
    state: text().$type<PowerState>(),
    turns: float().nullable(),
    setUpTurns: float().nullable(),
    note: text(),
    version: p.integer(),
    ...by,
  },
});
export type PowerEvent = InferEntity<typeof PowerEvent>;

export const Strip = defineEntity({
  name: 'Strip',
  tableName: 'strip',
  properties: { visitId: visitKey().primary(), overrideReason: text(), ...by },
});
