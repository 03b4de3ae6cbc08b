import type { Depth, PowerState } from '@eclat/core/workflow';
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

/** Leave to open it under power, with a reason; it holds until the power changes or it comes apart again. */
export const PowerOverride = defineEntity({
  name: 'PowerOverride',
  tableName: 'power_override',
  properties: { id: key(), visitId: visitKey(), opens: text().$type<Depth>(), reason: text(), ...by },
});
export type PowerOverride = InferEntity<typeof PowerOverride>;

export const Strip = defineEntity({
  name: 'Strip',
  tableName: 'strip',
  properties: { visitId: visitKey().primary(), ...by },
});
