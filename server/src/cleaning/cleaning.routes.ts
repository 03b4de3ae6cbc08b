import { api } from '@eclat/contract';
import type { Serve } from '../http/serve.ts';
import { startBath, stopBath } from './cleaning.service.ts';

export function serveCleaning(serve: Serve): void {
  serve(api.cleaning.start, (ctx, { params, body }) => startBath(ctx, params.visitId, body));
  serve(api.cleaning.stop, (ctx, { params }) => stopBath(ctx, params.visitId, params.bathId));
}
