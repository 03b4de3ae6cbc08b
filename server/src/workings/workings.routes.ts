import { api, ok } from '@eclat/contract';
import type { Serve } from '../platform/http/serve.ts';
import { cards, removeWorking, keepWorking, reckon } from './workings.service.ts';

export function serveWorkings(serve: Serve): void {
  serve(api.workings.list, () => Promise.resolve(cards));
  serve(api.workings.run, (_ctx, { params, body }) => reckon(params.working, body));
  serve(api.workings.keep, (ctx, { params, body }) => keepWorking(ctx, params.visitId, body));
  serve(api.workings.remove, async (ctx, { params }) => {
    await removeWorking(ctx, params.visitId, params.keptId);
    return ok;
  });
}
