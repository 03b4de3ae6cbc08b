import { api } from '@eclat/contract';
import { asOk, type Serve } from '../platform/http/serve.ts';
import { addEvent, addReading, removeEvent, removeReading, setConditions, startRun } from './test-run.service.ts';

export function serveTestRun(serve: Serve): void {
  serve(api.testRun.start, (ctx, { params, body }) => startRun(ctx, params.visitId, body));
  serve(api.testRun.addReading, (ctx, { params, body }) => addReading(ctx, params.visitId, body));
  serve(api.testRun.addEvent, (ctx, { params, body }) => addEvent(ctx, params.visitId, body));
  serve(api.testRun.setConditions, (ctx, { params, body }) => asOk(setConditions(ctx, params.visitId, body)));
  serve(api.testRun.removeReading, (ctx, { params }) => asOk(removeReading(ctx, params.visitId, params.readingId)));
  serve(api.testRun.removeEvent, (ctx, { params }) => asOk(removeEvent(ctx, params.visitId, params.eventId)));
}
