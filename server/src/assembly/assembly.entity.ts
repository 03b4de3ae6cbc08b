import type { Checked, SecondLook as Look } from '@eclat/contract';
import type { DryWord } from '@eclat/core/pivots';
import type { Corner } from '@eclat/core/strip';
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

/** A train, or all of it (null), together without oil, to feel what was bushed. `endedAt` null: it stands so. */
export const DryFit = defineEntity({
  name: 'DryFit',
  tableName: 'dry_fit',
  properties: {
    id: key(),
    visitId: visitKey(),
    train: text().nullable(),
    ...by,
    endedBy: text(),
    endedAt: moment().nullable(),
  },
});
export type DryFit = InferEntity<typeof DryFit>;

export const DryTry = defineEntity({
  name: 'DryTry',
  tableName: 'dry_try',
  properties: { id: key(), visitId: visitKey(), hole: text(), word: text().$type<DryWord>(), cure: text(), ...by },
});
export type DryTry = InferEntity<typeof DryTry>;

export const SecondLook = defineEntity({
  name: 'SecondLook',
  tableName: 'second_look',
  properties: {
    id: key(),
    visitId: visitKey(),
    what: text(),
    of: text(),
    ...by,
    word: text().$type<NonNullable<Look['word']>>().nullable(),
    note: text(),
    lookedBy: text(),
    lookedAt: moment().nullable(),
  },
});
export type SecondLook = InferEntity<typeof SecondLook>;

/** How the plates of a movement went together on a visit. */
export const ClosingNote = defineEntity({
  name: 'ClosingNote',
  tableName: 'closing_note',
  properties: {
    id: key(),
    visitId: visitKey(),
    corner: text().$type<Corner>().nullable(),
    last: text(),
    note: text(),
    ...by,
  },
});
export type ClosingNote = InferEntity<typeof ClosingNote>;
