import { PLATES } from '@eclat/core/movement';
import { WAYS, PASTS, HOLE_VERDICTS, HOLE_WORDS } from '@eclat/core/pivots';
import { z } from 'zod';
import { millimetres, text, version, signed, id, moment, basedOn, done } from './common.ts';
import { benchRoles } from './people.ts';
import { command } from './route.ts';

/**
 * By feel, with no figure; the hole's two ways by caliper; or what was seen of its play: lean in one plate, or sideways
 * play between them.
 */
const holeSize = z.discriminatedUnion('kind', [
  z.object({ kind: z.literal('felt') }),
  z.object({ kind: z.literal('measured'), holeLongMm: millimetres, holeShortMm: millimetres }),
  z.object({ kind: z.literal('lean'), leanDeg: z.number().min(0).max(30), plateMm: millimetres }),
  z.object({
    kind: z.literal('play'),
    playMm: z.number().min(0).max(10),
    atMm: z.number().gt(0).max(500),
    gapMm: z.number().gt(0).max(500),
    /** Clearance of the far pivot, where it is known. */
    farMm: z.number().min(0).max(10).nullable().optional(),
  }),
]);

export const holeFields = z.object({
  /** Null where nothing was measured. */
  pivotMm: millimetres.nullable(),
  size: holeSize,
  way: z.enum(WAYS).default('one-wheel'),
  /** Towards where the pivot wandered, degrees clockwise from up on the face looked at; null: round, or not said. */
  wearDeg: z.number().min(0).max(359).nullable().default(null),
  endShakeMm: z.number().min(0, 'Not less than none.').max(10, 'At most 10 mm.').nullable().default(null),
  spins: z.boolean().nullable().default(null),
  past: z.enum(PASTS).default('original'),
  /** The person's own verdict; the computed one stands beside it. */
  verdict: z.enum(HOLE_WORDS),
  note: text(200).default(''),
});

export const hole = holeFields.extend({
  key: z.string(),
  version,
  /** By caliper, or what such play stands for. */
  holeLongMm: z.number().nullable(),
  holeShortMm: z.number().nullable(),
  /** What the figures say; null where there are none. */
  computed: z.enum(HOLE_VERDICTS).nullable(),
  ...signed,
});

export type SurveyedHole = z.infer<typeof hole>;

/** A photo of the real plate with each hole placed once: shares of its width and height. */
export const platePhotoFields = z.object({
  photoId: id,
  points: z.record(z.string().max(12), z.object({ x: z.number().min(0).max(1), y: z.number().min(0).max(1) })),
});

export const platePhoto = platePhotoFields.extend({ plate: z.enum(PLATES), version, ...signed });

export type PlatePhoto = z.infer<typeof platePhoto>;

/** Looked at beside the holes: a pivot, a click, the pallets. A turned-down pivot carries its new size. */
export const partConditionFields = z.object({
  state: z.string().max(40),
  toMm: millimetres.nullable().default(null),
  note: text(200).default(''),
});

export const partCondition = partConditionFields.extend({ key: z.string(), version, ...signed });

export type PartCondition = z.infer<typeof partCondition>;

/** The same movement's survey before this one, and the bush that was fitted then. */
export const lastSurvey = z.object({
  at: moment,
  holes: z.array(
    z.object({
      key: z.string(),
      pivotMm: z.number().nullable(),
      holeLongMm: z.number().nullable(),
      holeShortMm: z.number().nullable(),
      verdict: z.enum(HOLE_WORDS),
      bushed: z.object({ pivotMm: z.number(), boreMm: z.number() }).nullable(),
    }),
  ),
});

const someHoles = z.object({ holes: z.array(z.string().max(20)).max(400) });
const someParts = z.object({ parts: z.array(z.string().max(40)).max(400) });

export const surveyRoutes = {
  setHole: command({
    method: 'PUT',
    path: '/visits/:visitId/holes/:hole',
    summary: 'A verdict on a hole, with what was measured where something was',
    roles: benchRoles,
    changes: ['visit', 'bench'],
    inverse: 'survey.removeHole',
    visit: { put: 'holes', by: 'key' },
    body: holeFields.extend(basedOn),
    reply: hole,
  }),
  removeHole: command({
    method: 'DELETE',
    path: '/visits/:visitId/holes/:hole',
    summary: 'It has no verdict after all',
    roles: benchRoles,
    changes: ['visit', 'bench'],
    inverse: 'survey.setHole',
    visit: { remove: 'holes', by: 'key', param: 'hole' },
    reply: done,
  }),
  setRestSound: command({
    method: 'PUT',
    path: '/visits/:visitId/holes',
    summary: 'By feel: each of these that has no verdict yet is sound',
    roles: benchRoles,
    changes: ['visit', 'bench'],
    inverse: 'survey.clearRest',
    visit: 'again',
    body: z.object({ ...someHoles.shape, way: holeFields.shape.way }),
    /** Those that got their verdict by it. */
    reply: z.object({ holes: z.array(z.string()) }),
  }),
  clearRest: command({
    method: 'POST',
    path: '/visits/:visitId/holes/clear',
    summary: 'Each of these that is sound by feel, and was not looked at again since, has no verdict after all',
    roles: benchRoles,
    changes: ['visit', 'bench'],
    inverse: 'final',
    visit: 'again',
    body: someHoles,
    reply: done,
  }),
  setPart: command({
    method: 'PUT',
    path: '/visits/:visitId/parts-looked/:part',
    summary: 'How a pivot, click, pallet … was found; a pivot turned down forces its bush',
    roles: benchRoles,
    changes: ['visit', 'bench'],
    inverse: 'survey.removePart',
    visit: { put: 'partConditions', by: 'key', again: true },
    body: partConditionFields.extend(basedOn),
    reply: partCondition,
  }),
  removePart: command({
    method: 'DELETE',
    path: '/visits/:visitId/parts-looked/:part',
    summary: 'It was not looked at after all',
    roles: benchRoles,
    changes: ['visit', 'bench'],
    inverse: 'survey.setPart',
    visit: { remove: 'partConditions', by: 'key', param: 'part', again: true },
    reply: done,
  }),
  setSound: command({
    method: 'PUT',
    path: '/visits/:visitId/parts-looked',
    summary: 'All that was not looked at by name is sound, right or polished',
    roles: benchRoles,
    changes: ['visit', 'bench'],
    inverse: 'survey.clearSound',
    visit: 'again',
    body: someParts,
    /** Those that got their word by it. */
    reply: z.object({ parts: z.array(z.string()) }),
  }),
  clearSound: command({
    method: 'POST',
    path: '/visits/:visitId/parts-looked/clear',
    summary: 'Each of these that is sound, right or polished, and was not looked at again since, was not looked at',
    roles: benchRoles,
    changes: ['visit', 'bench'],
    inverse: 'final',
    visit: 'again',
    body: someParts,
    reply: done,
  }),
  setPlatePhoto: command({
    method: 'PUT',
    path: '/visits/:visitId/plate-photos/:plate',
    summary: 'A photo under the drawn plate, its holes placed',
    roles: benchRoles,
    changes: ['visit'],
    inverse: 'survey.removePlatePhoto',
    visit: { put: 'platePhotos', by: 'plate' },
    body: platePhotoFields.extend(basedOn),
    reply: platePhoto,
  }),
  removePlatePhoto: command({
    method: 'DELETE',
    path: '/visits/:visitId/plate-photos/:plate',
    summary: 'The plate as drawn again',
    roles: benchRoles,
    changes: ['visit'],
    inverse: 'survey.setPlatePhoto',
    visit: { remove: 'platePhotos', by: 'plate', param: 'plate' },
    reply: done,
  }),
};
