import { api } from '@eclat/contract';
import { asOk, type Serve } from '../platform/http/serve.ts';
import { addEvent, addReading, forgetEvent, forgetReading, setConditions, startRun } from './test-run.service.ts';

export function serveTestRuns(serve: Serve): void {
  serve(api.testRuns.start, (ctx, { params, body }) => startRun(ctx, params.visitId, body));
  serve(api.testRuns.read, (ctx, { params, body }) => addReading(ctx, params.visitId, body));
  serve(api.testRuns.event, (ctx, { params, body }) => addEvent(ctx, params.visitId, body));
  serve(api.testRuns.stand, (ctx, { params, body }) => asOk(setConditions(ctx, params.visitId, body)));
  serve(api.testRuns.forget, (ctx, { params }) => asOk(forgetReading(ctx, params.visitId, params.readingId)));
  serve(api.testRuns.forgetEvent, (ctx, { params }) => asOk(forgetEvent(ctx, params.visitId, params.eventId)));
}
