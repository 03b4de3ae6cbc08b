import type { HoleVerdict, HoleWord, Past, PlayReading, Way } from '@eclat/core/pivots';
import type { Plate } from '@eclat/core/movement';
import { defineEntity, p, type InferEntity } from '@mikro-orm/core';
import { by, float, text, versioned, visitKey } from '../platform/database/columns.ts';

export const SurveyedHole = defineEntity({
  name: 'SurveyedHole',
  tableName: 'surveyed_hole',
  properties: {
    visitId: visitKey().primary(),
    key: text().primary(),
    /** Null, as are its two ways: it was felt, not measured. */
    pivotMm: float().nullable(),
    holeLongMm: float().nullable(),
    holeShortMm: float().nullable(),
    /** Null: its two ways were measured, or nothing was. */
    play: p.json<PlayReading>().columnType('jsonb').name('seen').nullable(),
    way: text().$type<Way>().default('one-wheel'),
    wearDeg: float().nullable(),
    endShakeMm: float().nullable(),
    spins: p.boolean().nullable(),
    past: text().$type<Past>().default('original'),
    verdict: text().$type<HoleWord>(),
    computed: text().$type<HoleVerdict>().nullable(),
    note: text(),
    ...by,
    version: versioned(),
  },
});
export const PartCondition = defineEntity({
  name: 'PartLook',
  tableName: 'part_look',
  properties: {
    visitId: visitKey().primary(),
    key: text().primary(),
    state: text(),
    toMm: float().nullable(),
    note: text(),
    ...by,
    version: versioned(),
  },
});
export const PlatePhoto = defineEntity({
  name: 'PlatePhoto',
  tableName: 'plate_photo',
  properties: {
    visitId: visitKey().primary(),
    plate: text().$type<Plate>().primary(),
    photoId: p.uuid(),
    points: p.json<Record<string, { x: number; y: number }>>().columnType('jsonb'),
    ...by,
    version: versioned(),
  },
});
export type PlatePhoto = InferEntity<typeof PlatePhoto>;
export type PartCondition = InferEntity<typeof PartCondition>;
export type SurveyedHole = InferEntity<typeof SurveyedHole>;
