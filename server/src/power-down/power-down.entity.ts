import type { TrainKey } from '@eclat/core/movement';
import type { PowerState } from '@eclat/core/workflow';
import { defineEntity, type InferEntity } from '@mikro-orm/core';
import { by, float, moment, text, versioned, visitKey } from '../platform/database/columns.ts';

export const TrainPower = defineEntity({
  name: 'TrainPower',
  tableName: 'train_power',
  properties: {
    visitId: visitKey().primary(),
    train: text().$type<TrainKey>().primary(),
    state: text().$type<PowerState>(),
    turns: float().nullable(),
    setUpTurns: float().nullable(),
    note: text(),
    by: text(),
    at: moment().nullable(),
    version: versioned(),
  },
});
export type TrainPower = InferEntity<typeof TrainPower>;

export const Strip = defineEntity({
  name: 'Strip',
  tableName: 'strip',
  properties: { visitId: visitKey().primary(), overrideReason: text(), ...by },
});
