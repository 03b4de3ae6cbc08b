import type { StripStep as Step, Visit as Shape } from '@eclat/contract';
import type { Depth, Mends } from '@eclat/core/workflow';
import { defineEntity, p, type InferEntity } from '@mikro-orm/core';
import { by, float, key, moment, text, versioned, visitKey } from '../platform/database/columns.ts';

type Log = Shape['strip'];

export const StripStep = defineEntity({
  name: 'StripStep',
  tableName: 'strip_step',
  properties: {
    id: key(),
    visitId: visitKey(),
    pass: p.integer(),
    position: p.integer(),
    what: text(),
    heldBy: text(),
    place: text(),
    remarks: p.json<Step['remarks']>().columnType('jsonb'),
    note: text(),
    group: text().fieldName('part_group'),
    photoId: p.uuid().nullable(),
    recordingId: p.uuid().nullable(),
    opens: text().$type<Depth>().nullable(),
    overrideReason: text().default(''),
    fate: text().$type<Step['fate']>().default('apart'),
    fateNote: text().default(''),
    fateBy: text().default(''),
    fateAt: moment().nullable(),
    ...by,
    version: versioned(),
  },
});
export type StripStep = InferEntity<typeof StripStep>;

export const StripPass = defineEntity({
  name: 'StripPass',
  tableName: 'strip_pass',
  properties: {
    visitId: visitKey().primary(),
    number: p.integer().primary(),
    reason: text(),
    depth: text().$type<Depth>(),
    mends: text().$type<Mends>(),
    cure: text().default(''),
    hours: float().nullable(),
    ...by,
  },
});
export const StripPhase = defineEntity({
  name: 'StripPhase',
  tableName: 'strip_phase',
  properties: {
    id: key(),
    visitId: visitKey(),
    what: text(),
    how: text(),
    when: text().$type<Log['phases'][number]['when']>(),
    photoId: p.uuid().nullable(),
    setBy: text().default(''),
    setAt: moment().nullable(),
    ...by,
  },
});
export const StripTemporary = defineEntity({
  name: 'StripTemporary',
  tableName: 'strip_temporary',
  properties: {
    id: key(),
    visitId: visitKey(),
    what: text(),
    kind: text().$type<Log['temporary'][number]['kind']>(),
    ended: text().$type<NonNullable<Log['temporary'][number]['ended']>>().nullable(),
    ...by,
  },
});
export const StripCustody = defineEntity({
  name: 'StripCustody',
  tableName: 'strip_custody',
  properties: {
    id: key(),
    visitId: visitKey(),
    what: text(),
    withWhom: text(),
    forWhat: text(),
    backAt: moment().nullable(),
    state: text().default(''),
    ...by,
  },
});
export type StripTemporary = InferEntity<typeof StripTemporary>;
