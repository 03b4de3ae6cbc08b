import { api } from '@eclat/contract';
import type { Serve } from '../platform/http/serve.ts';
import { differ, keepTo, rulesOf, setRules } from './house-rules.service.ts';

export function serveHouseRules(serve: Serve): void {
  serve(api.houseRules.get, (ctx) => rulesOf(ctx));
  serve(api.houseRules.set, (ctx, { body }) => setRules(ctx, body));
  serve(api.houseRules.differ, (ctx, { params, body }) => differ(ctx, params.visitId, params.question, body));
  serve(api.houseRules.keep, (ctx, { params }) => keepTo(ctx, params.visitId, params.question));
}
