import { api } from '@eclat/contract';
import { asOk, type Serve } from '../platform/http/serve.ts';
import { addDecision, changeDecision, removeDecision } from './conservation.service.ts';

export function serveConservation(serve: Serve): void {
  serve(api.conservation.add, (ctx, { params, body }) => addDecision(ctx, params.visitId, body));
  serve(api.conservation.change, (ctx, { params, body }) =>
    changeDecision(ctx, params.visitId, params.decisionId, body),
  );
  serve(api.conservation.remove, (ctx, { params }) => asOk(removeDecision(ctx, params.visitId, params.decisionId)));
}
