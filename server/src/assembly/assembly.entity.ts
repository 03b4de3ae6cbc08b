import type { Checked } from '@eclat/contract';
import { defineEntity, p, type InferEntity } from '@mikro-orm/core';
import { by, key, moment, text, visitKey } from '../platform/database/columns.ts';

/** A log: the last answer that nothing was opened after holds. */
export const CheckAnswer = defineEntity({
  name: 'CheckAnswer',
  tableName: 'check_answer',
  properties: {
    id: key(),
    visitId: visitKey(),
    check: text(),
    result: text().$type<Checked['result']>(),
    note: text(),
    detail: p.json<Checked['detail']>().nullable(),
    ...by,
  },
});
export type CheckAnswer = InferEntity<typeof CheckAnswer>;

export const CheckSetting = defineEntity({
  name: 'CheckSetting',
  tableName: 'check_setting',
  properties: { id: key(), visitId: visitKey(), check: text(), what: text(), way: text(), amount: text(), ...by },
});
export type CheckSetting = InferEntity<typeof CheckSetting>;

/** Wound and going while parts of it are off, as somebody said. `endedAt` null: it goes on. */
export const StandRun = defineEntity({
  name: 'StandRun',
  tableName: 'stand_run',
  properties: {
    id: key(),
    visitId: visitKey(),
    off: text(),
    watched: text(),
    ...by,
    found: text(),
    endedBy: text(),
    endedAt: moment().nullable(),
  },
});
export type StandRun = InferEntity<typeof StandRun>;
