import { api } from '@eclat/contract';
import { asOk, type Serve } from '../platform/http/serve.ts';
import { putTime, removeTime, startTime, stopTime } from './bench-time.service.ts';

export function serveBenchTime(serve: Serve): void {
  serve(api.benchTime.start, (ctx, { params, body }) => startTime(ctx, params.visitId, body));
  serve(api.benchTime.stop, (ctx, { params }) => asOk(stopTime(ctx, params.visitId)));
  serve(api.benchTime.put, (ctx, { params, body }) => putTime(ctx, params.visitId, params.timeId, body));
  serve(api.benchTime.remove, (ctx, { params }) => asOk(removeTime(ctx, params.visitId, params.timeId)));
}
