import type { Absent, Arrangement, Traits } from '@eclat/core/movement';
import { defineEntity, p, type InferEntity } from '@mikro-orm/core';
import { by, key, moment, text, versioned } from '../platform/database/columns.ts';

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

/** Every description that a movement had; its own traits are those of the last. */
export const MovementDescription = defineEntity({
  name: 'MovementDescription',
  tableName: 'movement_description',
  properties: {
    id: key(),
    movementId: p.uuid(),
    number: p.integer(),
    familyId: text(),
    traits: p.json<Traits>().columnType('jsonb'),
    reason: text(),
    ...by,
  },
});
export type MovementDescription = InferEntity<typeof MovementDescription>;

/** What was looked for on a movement and is not there. */
export const MovementAbsent = defineEntity({
  name: 'MovementAbsent',
  tableName: 'movement_absent',
  properties: { movementId: p.uuid().primary(), what: text().$type<Absent>().primary(), ...by },
});

export const MovementMark = defineEntity({
  name: 'MovementMark',
  tableName: 'movement_mark',
  properties: { id: key(), movementId: p.uuid(), place: text(), text: text() },
});

/** A number or mark that was taken out again: misread, or no longer there. */
export const MarkTakenOut = defineEntity({
  name: 'MarkTakenOut',
  tableName: 'mark_taken_out',
  properties: { id: key(), movementId: p.uuid(), place: text(), text: text(), ...by },
});

/** What was moved when two were found to be one: ids of rows, and marks. Absent where nothing tells it. */
export interface Moved {
  visits: string[];
  /** Marks of the other, and those that this one had not yet. */
  marks?: { place: string; text: string }[];
  added?: { place: string; text: string }[];
  takenOut?: string[];
  places?: string[];
  /** Places in a clock that ended with it. */
  ended?: string[];
  donors?: string[];
  dating?: string[];
  /** Movements that had been found to be the other. */
  through?: string[];
}

/** That another movement was found to be this one; parted, they are two again. */
export const MovementLink = defineEntity({
  name: 'MovementLink',
  tableName: 'movement_link',
  properties: {
    id: key(),
    movementId: p.uuid(),
    otherId: p.uuid(),
    moved: p.json<Moved>().columnType('jsonb'),
    ...by,
    partedBy: text().nullable(),
    partedAt: moment().nullable(),
  },
});
export type MovementLink = InferEntity<typeof MovementLink>;

/** A book that whoever has the address may read. */
export const PublicBook = defineEntity({
  name: 'PublicBook',
  tableName: 'public_book',
  properties: {
    id: key(),
    movementId: p.uuid(),
    token: text(),
    endedAt: moment().nullable(),
    endedBy: text().nullable(),
    ...by,
  },
});

export const Clock = defineEntity({
  name: 'Clock',
  tableName: 'clock',
  properties: { id: key(), ownerId: p.uuid(), description: text() },
});
export type Clock = InferEntity<typeof Clock>;

/** That a clock under another id, of this shop or of another, is this one; ended, they are two again. */
export const ClockLink = defineEntity({
  name: 'ClockLink',
  tableName: 'clock_link',
  properties: {
    id: key(),
    clockId: p.uuid(),
    otherId: p.uuid(),
    ...by,
    endedBy: text().nullable(),
    endedAt: moment().nullable(),
  },
});
export type ClockLink = InferEntity<typeof ClockLink>;

/** Movements get swapped: a clock has a list of them over time. */
export const ClockMovement = defineEntity({
  name: 'ClockMovement',
  tableName: 'clock_movement',
  properties: { id: key(), clockId: p.uuid(), movementId: p.uuid(), since: moment(), until: moment().nullable() },
});
