import { api, ok, sha256 } from '@eclat/contract';
import express, { type Router } from 'express';
import { z } from 'zod';
import { HttpProblem, notFound } from '../platform/http/problems.ts';
import { personOf } from '../platform/http/session.ts';
import { type AppContext } from '../platform/http/app-context.ts';
import { isSize, photoByHash, photoById } from './stored.ts';
import { type Serve } from '../platform/http/serve.ts';
import { standsOpen } from '../visit/lock.ts';
import { decodePhoto, LARGEST_BYTES, type Decoded } from './decode.ts';
import { addPhoto, changePhoto, setMark, removeMark } from './photos.service.ts';

export const photoBody = express.raw({ type: ['image/*', 'application/octet-stream'], limit: LARGEST_BYTES });

export function servePhotos(serve: Serve, router: Router, appContext: AppContext): void {
  serve<typeof api.photos.add, Decoded>(
    api.photos.add,
    (ctx, { params, query, before }) => addPhoto(ctx, params.visitId, before, query),
    async (ctx, { params, req }) => {
      await standsOpen(ctx, params.visitId);
      return decodePhoto(req.body);
    },
  );
  serve(api.photos.change, async (ctx, { params, body }) => {
    await changePhoto(ctx, params.visitId, params.photoId, body);
    return ok;
  });
  serve(api.photos.setMark, (ctx, { params, body }) =>
    setMark(ctx, params.visitId, params.photoId, params.markId, body),
  );
  serve(api.photos.removeMark, async (ctx, { params }) => {
    await removeMark(ctx, params.visitId, params.photoId, params.markId);
    return ok;
  });

  /**
   * A picture, not JSON: so it stands beside the contract. Photos never change, so a browser may keep them. It is asked
   * for by its id, or by its hash, by which a signed entry names it.
   */
  router.get('/photos/:photoId/:size', async (req, res) => {
    if (!personOf(req)) throw new HttpProblem(401, 'Sign in to go on.');
    const { photoId, size } = req.params;
    const byId = z.uuid().safeParse(photoId).success;
    if (!byId && !sha256.safeParse(photoId).success) throw notFound('photo');
    if (!isSize(size)) throw notFound('photo');
    const em = appContext.orm.em.fork();
    const bytes = byId ? await photoById(em, photoId, size) : await photoByHash(em, photoId, size);
    if (!bytes) throw notFound('photo');
    res.set({ 'content-type': 'image/jpeg', 'cache-control': 'private, max-age=31536000, immutable' }).send(bytes);
  });
}
