import { api } from '@eclat/contract';
import { asOk, type Serve } from '../platform/http/serve.ts';
import { addHeard, removeHeard } from './listening.service.ts';

export function serveListening(serve: Serve): void {
  serve(api.listening.add, (ctx, { params, body }) => addHeard(ctx, params.visitId, body));
  serve(api.listening.remove, (ctx, { params }) => asOk(removeHeard(ctx, params.visitId, params.heardId)));
}
