import { api, ok } from '@eclat/contract';
import type { Serve } from '../platform/http/serve.ts';
import { beginStrip, openUnderPower, setPower } from './power-down.service.ts';

export function servePowerDown(serve: Serve): void {
  serve(api.powerDown.set, (ctx, { params, body }) => setPower(ctx, params.visitId, params.source, body));
  serve(api.powerDown.open, (ctx, { params, body }) => openUnderPower(ctx, params.visitId, body));
  serve(api.powerDown.beginStrip, async (ctx, { params, body }) => {
    await beginStrip(ctx, params.visitId, body.overrideReason);
    return ok;
  });
}
