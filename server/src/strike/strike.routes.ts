import { api } from '@eclat/contract';
import { asOk, type Serve } from '../platform/http/serve.ts';
import { addRelease, removeRelease, hearAnew, setStruck } from './strike.service.ts';

export function serveStrike(serve: Serve): void {
  serve(api.strike.setHeard, (ctx, { params, body }) => asOk(setStruck(ctx, params.visitId, params.mark, body.heard)));
  serve(api.strike.hearAnew, (ctx, { params }) => asOk(hearAnew(ctx, params.visitId)));
  serve(api.strike.addRelease, (ctx, { params, body }) => addRelease(ctx, params.visitId, body));
  serve(api.strike.removeRelease, (ctx, { params }) => asOk(removeRelease(ctx, params.visitId, params.releaseId)));
}
