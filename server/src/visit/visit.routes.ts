import { api, ok } from '@eclat/contract';
import type { Serve } from '../platform/http/serve.ts';
import { takeIn } from '../reception/intake.service.ts';
import { presentVisit } from './visit.view.ts';
import { changeVisit, markStage, readCaution, signVisit } from './visit.service.ts';

export function serveVisits(serve: Serve): void {
  serve(api.visits.open, (ctx, { body }) => takeIn(ctx, body));
  serve(api.visits.get, (ctx, { params }) => presentVisit(ctx, params.visitId));
  serve(api.visits.change, (ctx, { params, body }) => changeVisit(ctx, params.visitId, body));
  serve(api.visits.stage, async (ctx, { params, body }) => {
    await markStage(ctx, params.visitId, params.stage, body.done);
    return ok;
  });
  serve(api.visits.caution, async (ctx, { params }) => {
    await readCaution(ctx, params.visitId, params.caution);
    return ok;
  });
  serve(api.visits.sign, (ctx, { params, body }) => signVisit(ctx, params.visitId, body));
}
