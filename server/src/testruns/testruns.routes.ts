import { api, ok } from '@eclat/contract';
import type { Serve } from '../http/serve.ts';
import { addEvent, addReading, forgetReading, startRun } from './testruns.service.ts';

export function serveTestRuns(serve: Serve): void {
  serve(api.testRuns.start, (ctx, { params, body }) => startRun(ctx, params.visitId, body));
  serve(api.testRuns.read, (ctx, { params, body }) => addReading(ctx, params.visitId, body));
  serve(api.testRuns.event, (ctx, { params, body }) => addEvent(ctx, params.visitId, body));
  serve(api.testRuns.forget, async (ctx, { params }) => {
    await forgetReading(ctx, params.visitId, params.readingId);
    return ok;
  });
}
