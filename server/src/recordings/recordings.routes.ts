import { api } from '@eclat/contract';
import express, { type Router } from 'express';
import { z } from 'zod';
import { sql, type AppContext } from '../platform/http/app-context.ts';
import { HttpProblem, notFound } from '../platform/http/problems.ts';
import { asOk, type Serve } from '../platform/http/serve.ts';
import { personOf } from '../platform/http/session.ts';
import { addRecording, LARGEST_RECORDING, removeRecording } from './recordings.service.ts';

export const recordingBody = express.raw({ type: ['audio/*', 'application/octet-stream'], limit: LARGEST_RECORDING });

export function serveRecordings(serve: Serve, router: Router, appContext: AppContext): void {
  serve(api.recordings.add, (ctx, { params, query, req }) => addRecording(ctx, params.visitId, req.body, query));
  serve(api.recordings.remove, (ctx, { params }) => asOk(removeRecording(ctx, params.visitId, params.recordingId)));

  /** Sound, not JSON: so it stands beside the contract. A recording never changes, so a browser may keep it. */
  router.get('/recordings/:recordingId/sound', async (req, res) => {
    if (!personOf(req)) throw new HttpProblem(401, 'Sign in to go on.');
    const { recordingId } = req.params;
    if (!z.uuid().safeParse(recordingId).success) throw notFound('recording');
    const [row] = await sql<{ wav: Buffer }>(appContext.orm.em.fork(), 'select wav from recording where id = ?', [
      recordingId,
    ]);
    if (!row) throw notFound('recording');
    res.set({ 'content-type': 'audio/wav', 'cache-control': 'private, max-age=31536000, immutable' }).send(row.wav);
  });
}
