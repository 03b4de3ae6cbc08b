import { api, ok } from '@eclat/contract';
import type { Serve } from '../platform/http/serve.ts';
import { setPoint, removePoint } from './oiling.service.ts';

export function serveOiling(serve: Serve): void {
  serve(api.oiling.setPoint, (ctx, { params, body }) => setPoint(ctx, params.visitId, params.point, body));
  serve(api.oiling.removePoint, async (ctx, { params }) => {
    await removePoint(ctx, params.visitId, params.point);
    return ok;
  });
}
