import { api, ok } from '@eclat/contract';
import type { Serve } from '../platform/http/serve.ts';
import { tickPoint, untickPoint } from './oiling.service.ts';

export function serveOiling(serve: Serve): void {
  serve(api.oiling.tick, (ctx, { params, body }) => tickPoint(ctx, params.visitId, params.point, body));
  serve(api.oiling.untick, async (ctx, { params }) => {
    await untickPoint(ctx, params.visitId, params.point);
    return ok;
  });
}
