import { api } from '@eclat/contract';
import { asOk, type Serve } from '../platform/http/serve.ts';
import { addElectric, removeElectric } from './electric.service.ts';

export function serveElectric(serve: Serve): void {
  serve(api.electric.add, (ctx, { params, body }) => addElectric(ctx, params.visitId, body));
  serve(api.electric.remove, (ctx, { params }) => asOk(removeElectric(ctx, params.visitId, params.lookId)));
}
