import { api } from '@eclat/contract';
import { asOk, type Serve } from '../platform/http/serve.ts';
import { addWork, removeWork, addBush, addPart, removeBush, removePart, setBush, setPart } from './fitting.service.ts';

export function serveFitting(serve: Serve): void {
  serve(api.fitting.addBush, (ctx, { params, body }) => addBush(ctx, params.visitId, body));
  serve(api.fitting.setPart, (ctx, { params, body }) => setPart(ctx, params.visitId, params.partId, body));
  serve(api.fitting.setBush, (ctx, { params, body }) => setBush(ctx, params.visitId, params.bushId, body));
  serve(api.fitting.removeBush, (ctx, { params }) => asOk(removeBush(ctx, params.visitId, params.bushId)));
  serve(api.fitting.removePart, (ctx, { params }) => asOk(removePart(ctx, params.visitId, params.partId)));
  serve(api.fitting.addWork, (ctx, { params, body }) => addWork(ctx, params.visitId, body));
  serve(api.fitting.removeWork, (ctx, { params }) => asOk(removeWork(ctx, params.visitId, params.workId)));
  serve(api.fitting.addPart, (ctx, { params, body }) => addPart(ctx, params.visitId, body));
}
