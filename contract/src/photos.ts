import { MARK_SHAPES } from '@eclat/core/photo';
import { z } from 'zod';
import { id, text, stageId, sha256, signed, done, place } from './common.ts';
import { everyone } from './people.ts';
import { command } from './route.ts';

const spot = z.object({ x: z.number().min(0).max(1), y: z.number().min(0).max(1) });

export const photoMark = z.object({
  id,
  number: z.int(),
  x: z.number(),
  y: z.number(),
  shape: z.enum(MARK_SHAPES),
  to: spot.nullable(),
  findingId: id.nullable(),
  note: z.string(),
});

export const photoMarkFields = z.object({
  ...spot.shape,
  shape: z.enum(MARK_SHAPES).default('point'),
  to: spot.nullable().default(null).describe('the tip of an arrow, the other corner of an outline'),
  findingId: id.nullable().default(null),
  note: text(200).default(''),
});

export const photo = z.object({
  id,
  caption: z.string(),
  stage: stageId,
  width: z.int(),
  height: z.int(),
  hash: sha256.describe('of the large picture'),
  beforeId: id.nullable().describe('the photo that shows the same before'),
  marks: z.array(photoMark),
  ...signed,
});

export type Photo = z.infer<typeof photo>;

export const photosRoutes = {
  /** The body is the picture itself (image/jpeg, image/png or image/webp), not JSON. */
  add: command({
    method: 'POST',
    path: '/visits/:visitId/photos',
    summary: 'Add a photo: JPEG, PNG or WebP up to 15 MB',
    roles: everyone,
    changes: ['visit', 'bench', 'movements'],
    inverse: 'final',
    visit: { put: 'photos', by: 'id' },
    query: z.object({ caption: text(200).default(''), stage: stageId }),
    reply: photo,
  }),
  change: command({
    method: 'PATCH',
    path: '/visits/:visitId/photos/:photoId',
    summary: 'Caption a photo, move it, or say which one shows the same before',
    roles: everyone,
    changes: ['visit', 'movements'],
    inverse: 'same',
    visit: 'again',
    body: z.object({ caption: text(200), ...place.shape, beforeId: id.nullable() }).partial(),
    reply: done,
  }),
  setMark: command({
    method: 'PUT',
    path: '/visits/:visitId/photos/:photoId/marks/:markId',
    summary: 'Place a numbered point, arrow or outline, or move it',
    roles: everyone,
    changes: ['visit'],
    inverse: 'photos.removeMark',
    visit: 'again',
    body: photoMarkFields,
    reply: photoMark,
  }),
  removeMark: command({
    method: 'DELETE',
    path: '/visits/:visitId/photos/:photoId/marks/:markId',
    summary: 'Take a point away',
    roles: everyone,
    changes: ['visit'],
    inverse: 'photos.setMark',
    visit: 'again',
    reply: done,
  }),
};
