import { api } from '@eclat/contract';
import { asOk, type Serve } from '../platform/http/serve.ts';
import {
  addRelease,
  answerCheck,
  forgetCheck,
  forgetStrike,
  hearStrike,
  keepHeard,
  removeHeard,
  removeRelease,
} from './assembly.service.ts';

export function serveTogether(serve: Serve): void {
  serve(api.together.check, (ctx, { params, body }) => answerCheck(ctx, params.visitId, params.check, body));
  serve(api.together.uncheck, (ctx, { params }) => asOk(forgetCheck(ctx, params.visitId, params.check)));
  serve(api.together.strike, (ctx, { params, body }) => asOk(hearStrike(ctx, params.visitId, params.mark, body.heard)));
  serve(api.together.strikeAnew, (ctx, { params }) => asOk(forgetStrike(ctx, params.visitId)));
  serve(api.together.release, (ctx, { params, body }) => addRelease(ctx, params.visitId, body));
  serve(api.together.unrelease, (ctx, { params }) => asOk(removeRelease(ctx, params.visitId, params.releaseId)));
  serve(api.together.hear, (ctx, { params, body }) => keepHeard(ctx, params.visitId, body));
  serve(api.together.unhear, (ctx, { params }) => asOk(removeHeard(ctx, params.visitId, params.heardId)));
}
