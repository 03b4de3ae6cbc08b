import { api } from '@eclat/contract';
import { asOk, type Serve } from '../platform/http/serve.ts';
import { answerPoint, fitReplacement } from './replacement.service.ts';

export function serveReplacement(serve: Serve): void {
  serve(api.replacement.setCheck, (ctx, { params, body }) =>
    asOk(answerPoint(ctx, params.visitId, params.check, body)),
  );
  serve(api.replacement.fit, (ctx, { params, body }) => asOk(fitReplacement(ctx, params.visitId, body)));
}
