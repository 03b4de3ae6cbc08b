import type { MarkShape } from '@eclat/core/photo';
import type { StageId } from '@eclat/core/workflow';
import { defineEntity, p } from '@mikro-orm/core';
import { by, float, key, text, visitKey } from '../platform/database/columns.ts';

const picture = () => p.blob().columnType('bytea').lazy();

export const Photo = defineEntity({
  name: 'Photo',
  tableName: 'photo',
  properties: {
    id: key(),
    visitId: visitKey(),
    position: p.integer().default(0),
    caption: text(),
    stage: text().$type<StageId>(),
    width: p.integer(),
    height: p.integer(),
    /** SHA-256, hex, of the large picture. */
    hash: text(),
    /** The photo of the same visit that shows the same before. */
    beforeId: p.uuid().nullable(),
    large: picture(),
    medium: picture(),
    small: picture(),
    ...by,
  },
});

/**
 * A numbered point, arrow or outline on a photo, tied to what was found there. Where it is: shares of the width and the
 * height.
 */
export const PhotoMark = defineEntity({
  name: 'PhotoMark',
  tableName: 'photo_mark',
  properties: {
    id: key(),
    photoId: p.uuid(),
    number: p.integer(),
    x: float(),
    y: float(),
    shape: text().$type<MarkShape>().default('point'),
    toX: float().nullable(),
    toY: float().nullable(),
    findingId: p.uuid().nullable(),
    note: text(),
  },
});

/** A photo that an entry of another shop names, as it came with a book file. */
export const BroughtPhoto = defineEntity({
  name: 'BroughtPhoto',
  tableName: 'brought_photo',
  properties: {
    /** SHA-256, hex, of the large picture. */
    hash: text().primary(),
    width: p.integer(),
    height: p.integer(),
    large: picture(),
    medium: picture(),
    small: picture(),
    ...by,
  },
});
