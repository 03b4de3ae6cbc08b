import type { Arrangement, Traits } from '@eclat/core/movement';
import { defineEntity, p, type InferEntity } from '@mikro-orm/core';
import { key, moment, text, versioned } from '../platform/database/columns.ts';

export const Movement = defineEntity({
  name: 'Movement',
  tableName: 'movement',
  properties: {
    id: key(),
    code: text(),
    name: text(),
    familyId: text(),
    maker: text(),
    traits: p.json<Traits>().columnType('jsonb'),
    plates: p.json<Arrangement>().columnType('jsonb').default('{"sides":[],"centresMm":{}}'),
    mergedInto: p.uuid().nullable(),
    version: versioned(),
  },
});
export type Movement = InferEntity<typeof Movement>;

export const MovementMark = defineEntity({
  name: 'MovementMark',
  tableName: 'movement_mark',
  properties: { id: key(), movementId: p.uuid(), place: text(), text: text() },
});

export const Clock = defineEntity({
  name: 'Clock',
  tableName: 'clock',
  properties: { id: key(), ownerId: p.uuid(), description: text() },
});
export type Clock = InferEntity<typeof Clock>;

/** Movements get swapped: a clock has a list of them over time. */
export const ClockMovement = defineEntity({
  name: 'ClockMovement',
  tableName: 'clock_movement',
  properties: { id: key(), clockId: p.uuid(), movementId: p.uuid(), since: moment(), until: moment().nullable() },
});
