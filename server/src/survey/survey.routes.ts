import { api } from '@eclat/contract';
import type { Serve } from '../http/serve.ts';
import { measureHole } from './survey.service.ts';

export function serveSurvey(serve: Serve): void {
  serve(api.survey.set, (ctx, { params, body }) => measureHole(ctx, params.visitId, params.hole, body));
}
