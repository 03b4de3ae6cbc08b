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
  serve(api.assembly.setCheck, (ctx, { params, body }) => answerCheck(ctx, params.visitId, params.check, body));
  serve(api.assembly.removeCheck, (ctx, { params }) => asOk(forgetCheck(ctx, params.visitId, params.check)));
  serve(api.strike.setHeard, (ctx, { params, body }) => asOk(hearStrike(ctx, params.visitId, params.mark, body.heard)));
  serve(api.strike.removeAll, (ctx, { params }) => asOk(forgetStrike(ctx, params.visitId)));
  serve(api.strike.addRelease, (ctx, { params, body }) => addRelease(ctx, params.visitId, body));
  serve(api.strike.removeRelease, (ctx, { params }) => asOk(removeRelease(ctx, params.visitId, params.releaseId)));
  serve(api.listening.add, (ctx, { params, body }) => keepHeard(ctx, params.visitId, body));
  serve(api.listening.remove, (ctx, { params }) => asOk(removeHeard(ctx, params.visitId, params.heardId)));
}
