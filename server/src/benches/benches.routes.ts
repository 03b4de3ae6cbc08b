import { api } from '@eclat/contract';
import { asOk, type Serve } from '../platform/http/serve.ts';
import { addBenchTest, changeBenchTest, removeBenchTest } from './benches.service.ts';

export function serveBenches(serve: Serve): void {
  serve(api.benches.add, (ctx, { params, body }) => addBenchTest(ctx, params.visitId, body));
  serve(api.benches.change, (ctx, { params, body }) => changeBenchTest(ctx, params.visitId, params.testId, body));
  serve(api.benches.remove, (ctx, { params }) => asOk(removeBenchTest(ctx, params.visitId, params.testId)));
}
