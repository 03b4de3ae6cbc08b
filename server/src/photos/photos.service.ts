import { openVisit } from '../visit/lock.ts';
import type { ParsedBodyOf, Photo as Shape } from '@eclat/contract';
import { api } from '@eclat/contract';
import { showsAfter } from '@eclat/core/photo';
import type { StageId } from '@eclat/core/workflow';
import type { InferEntity } from '@mikro-orm/core';
import type { Decoded } from './decode.ts';
import { lastPlace, moveInOrder } from '../platform/database/order.ts';
import { fetchAll, rows, type RowsOf } from '../platform/database/rows.ts';
import { findOrRefuse, signature, type Context } from '../platform/http/context.ts';
import { badField } from '../platform/http/problems.ts';
import { sql } from '../platform/http/app-context.ts';
import { STANDS } from '../assessment/findings.service.ts';
import { Finding } from '../assessment/findings.entity.ts';
import { Photo, PhotoMark } from './photos.entity.ts';

/** @param decoded made before the unit of work began: no visit is held while a picture is decoded */
export async function addPhoto(
  ctx: Context,
  visitId: string,
  decoded: Decoded,
  { caption, stage }: { caption: string; stage: StageId },
): Promise<Shape> {
  await openVisit(ctx, visitId);
  const photo = ctx.em.create(Photo, {
    visitId,
    position: await lastPlace(ctx, 'photo', visitId),
    caption,
    stage,
    ...decoded,
    ...signature(ctx),
  });
  await ctx.em.flush();
  const { width, height, hash } = decoded;
  const { id, by, at } = photo;
  return { id, caption, stage, width, height, hash, beforeId: null, marks: [], by, at: at.toISOString() };
}

/** @throws 422 where it is of another visit, or itself shows it after */
async function expectBefore(ctx: Context, visitId: string, id: string, beforeId: string): Promise<void> {
  const photos = await loadPhotos(ctx, visitId);
  if (!photos.some((p) => p.id === beforeId)) throw badField('beforeId', 'This photo belongs to another visit.');
  if (showsAfter(photos, beforeId, id)) throw badField('beforeId', 'That one shows it after this one.');
}

type Point = Shape['marks'][number];
const viewMark = (m: InferEntity<typeof PhotoMark>): Point => ({
  id: m.id,
  number: m.number,
  x: m.x,
  y: m.y,
  shape: m.shape,
  to: typeof m.toX === 'number' && typeof m.toY === 'number' ? { x: m.toX, y: m.toY } : null,
  findingId: m.findingId ?? null,
  note: m.note,
});

/** The photos of a visit in their order, without their bytes. */
export const photosRows = (visitId: string) => ({
  photos: rows(Photo, 'where visit_id = ? order by position, at', visitId),
  pointedAt: rows(Finding, 'where visit_id = ? and removed_at is null', visitId),
  marks: rows(PhotoMark, 'where photo_id in (select id from photo where visit_id = ?) order by number', visitId),
});
export function viewPhotos({ photos, marks, pointedAt }: RowsOf<ReturnType<typeof photosRows>>): Shape[] {
  const stand = new Set(pointedAt.map((f) => f.id));
  return photos.map((p) => ({
    id: p.id,
    caption: p.caption,
    stage: p.stage,
    width: p.width,
    height: p.height,
    hash: p.hash,
    beforeId: p.beforeId ?? null,
    by: p.by,
    at: p.at.toISOString(),
    marks: marks
      .filter((m) => m.photoId === p.id)
      .map(viewMark)
      .map((m) => ({ ...m, findingId: m.findingId && stand.has(m.findingId) ? m.findingId : null })),
  }));
}
export const loadPhotos = async (ctx: Context, visitId: string): Promise<Shape[]> =>
  viewPhotos(await fetchAll(ctx.em, photosRows(visitId)));

/** A caption, the photo before, or a new place in the order: the others move up or down. */
export async function changePhoto(
  ctx: Context,
  visitId: string,
  id: string,
  { caption, position, beforeId }: ParsedBodyOf<typeof api.photos.change>,
): Promise<void> {
  await openVisit(ctx, visitId);
  const photo = await findOrRefuse(ctx, Photo, { id, visitId }, 'photo');
  if (caption !== undefined) photo.caption = caption;
  if (beforeId) await expectBefore(ctx, visitId, id, beforeId);
  if (beforeId !== undefined) photo.beforeId = beforeId;
  await ctx.em.flush();
  if (position !== undefined) await moveInOrder(ctx, 'photo', visitId, id, position);
}

/**
 * Numbers run through the whole visit, so that one number is one point in every list. The sender names the point: sent
 * twice it is one.
 */
export async function setMark(
  ctx: Context,
  visitId: string,
  photoId: string,
  id: string,
  { to, ...given }: ParsedBodyOf<typeof api.photos.setMark>,
): Promise<Point> {
  await openVisit(ctx, visitId);
  if (!(await ctx.em.count(Photo, { id: photoId, visitId })))
    throw badField('photoId', 'This photo belongs to another visit.');
  if (given.findingId && !(await ctx.em.count(Finding, { id: given.findingId, visitId, ...STANDS })))
    throw badField('findingId', 'This finding belongs to another visit.');
  if ((given.shape === 'point') !== (to === null))
    throw badField('to', 'An arrow has a tip and an outline another corner; a point has neither.');
  const known = await ctx.em.findOne(PhotoMark, { id, photoId });
  const [last] = await sql<{ n: number }>(
    ctx.em,
    'select coalesce(max(k.number), 0)::int as n from photo_mark k join photo p on p.id = k.photo_id ' +
      'where p.visit_id = ?',
    [visitId],
  );
  const drawn = { ...given, toX: to?.x ?? null, toY: to?.y ?? null };
  const mark = known
    ? ctx.em.assign(known, drawn)
    : ctx.em.create(PhotoMark, { id, photoId, number: last!.n + 1, ...drawn });
  await ctx.em.flush();
  return viewMark(mark);
}

export async function removeMark(ctx: Context, visitId: string, photoId: string, id: string): Promise<void> {
  await openVisit(ctx, visitId);
  await findOrRefuse(ctx, Photo, { id: photoId, visitId }, 'photo');
  ctx.em.remove(await findOrRefuse(ctx, PhotoMark, { id, photoId }, 'point'));
}
