import { api, ok } from '@eclat/contract';
import type { Serve } from '../platform/http/serve.ts';
import { takeIn } from '../reception/intake.service.ts';
import { asOk } from '../platform/http/serve.ts';
import { changeJob } from './job.service.ts';
import { viewVisit } from './visit.view.ts';
import { changeVisit, markStage, readCaution } from './visit.service.ts';

export function serveVisit(serve: Serve): void {
  serve(api.visit.open, (ctx, { body }) => takeIn(ctx, body));
  serve(api.visit.get, (ctx, { params }) => viewVisit(ctx, params.visitId));
  serve(api.visit.change, (ctx, { params, body }) => changeVisit(ctx, params.visitId, body));
  serve(api.visit.setStage, async (ctx, { params, body }) => {
    await markStage(ctx, params.visitId, params.stage, body);
    return ok;
  });
  serve(api.visit.setJob, (ctx, { params, body }) => asOk(changeJob(ctx, params.visitId, body)));
  serve(api.visit.readCaution, async (ctx, { params }) => {
    await readCaution(ctx, params.visitId, params.caution);
    return ok;
  });
}
