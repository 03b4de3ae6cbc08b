import { api, ok } from '@eclat/contract';
import type { Serve } from '../platform/http/serve.ts';
import { addFinding, changeFinding, removeFinding } from './findings.service.ts';

export function serveFindings(serve: Serve): void {
  serve(api.assessment.addFinding, (ctx, { params, body }) => addFinding(ctx, params.visitId, body));
  serve(api.assessment.changeFinding, (ctx, { params, body }) =>
    changeFinding(ctx, params.visitId, params.findingId, body),
  );
  serve(api.assessment.removeFinding, async (ctx, { params }) => {
    await removeFinding(ctx, params.visitId, params.findingId);
    return ok;
  });
}
