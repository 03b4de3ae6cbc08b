import { api, ok } from '@eclat/contract';
import type { Serve } from '../platform/http/serve.ts';
import { addCause, knowledgeOf, removeCause, setLearning } from './knowledge.service.ts';
import { observe, settleCause, recordLook } from './diagnosis.service.ts';

export function serveDiagnosis(serve: Serve): void {
  serve(api.diagnosis.observe, (ctx, { params, body }) => observe(ctx, params.visitId, params.symptom, body.state));
  serve(api.diagnosis.recordLook, async (ctx, { params, body }) => {
    await recordLook(ctx, params.visitId, params.look, body.outcome);
    return ok;
  });
  serve(api.diagnosis.nameCause, async (ctx, { params, body }) => {
    await settleCause(ctx, params.visitId, body.cause, body.why);
    return ok;
  });
  serve(api.diagnosis.knowledge, (ctx) => knowledgeOf(ctx));
  serve(api.diagnosis.addCause, (ctx, { body }) => addCause(ctx, body));
  serve(api.diagnosis.removeCause, async (ctx, { params }) => {
    await removeCause(ctx, params.cause);
    return ok;
  });
  serve(api.diagnosis.setLearning, async (ctx, { body }) => {
    await setLearning(ctx, body.learn);
    return ok;
  });
}
