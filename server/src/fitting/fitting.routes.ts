import { api } from '@eclat/contract';
import type { Serve } from '../http/serve.ts';
import { addBush, addPart } from './fitting.service.ts';

export function serveFitting(serve: Serve): void {
  serve(api.fitting.addBush, (ctx, { params, body }) => addBush(ctx, params.visitId, body));
  serve(api.fitting.addPart, (ctx, { params, body }) => addPart(ctx, params.visitId, body));
}
