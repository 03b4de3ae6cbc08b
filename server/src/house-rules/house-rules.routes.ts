import { api } from '@eclat/contract';
import type { Serve } from '../platform/http/serve.ts';
import { differ, keepTo, rulesOf, setRules } from './house-rules.service.ts';

export function serveRules(serve: Serve): void {
  serve(api.rules.get, (ctx) => rulesOf(ctx));
  serve(api.rules.set, (ctx, { body }) => setRules(ctx, body));
  serve(api.rules.differ, (ctx, { params, body }) => differ(ctx, params.visitId, params.question, body));
  serve(api.rules.keep, (ctx, { params }) => keepTo(ctx, params.visitId, params.question));
}
