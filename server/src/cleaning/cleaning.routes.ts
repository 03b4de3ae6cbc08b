import { api } from '@eclat/contract';
import type { Serve } from '../platform/http/serve.ts';
import { bathBook, changeBath, correctBath, fillBath } from './bath-book.service.ts';
import { addOwn, changeOwn, ownSequences, retireOwn } from './own-sequences.service.ts';
import { setBasket, startBath, stepBath, stopBath } from './cleaning.service.ts';

export function serveCleaning(serve: Serve): void {
  serve(api.cleaning.start, (ctx, { params, body }) => startBath(ctx, params.visitId, body));
  serve(api.cleaning.setBasket, (ctx, { params, body }) => setBasket(ctx, params.visitId, params.bathId, body));
  serve(api.cleaning.step, (ctx, { params, body }) => stepBath(ctx, params.visitId, params.bathId, body));
  serve(api.cleaning.stop, (ctx, { params, body }) => stopBath(ctx, params.visitId, params.bathId, body.after));
  serve(api.cleaning.ownSequences, (ctx) => ownSequences(ctx));
  serve(api.cleaning.addOwn, (ctx, { body }) => addOwn(ctx, body));
  serve(api.cleaning.changeOwn, (ctx, { params, body }) => changeOwn(ctx, params.sequenceId, body));
  serve(api.cleaning.retireOwn, (ctx, { params, body }) => retireOwn(ctx, params.sequenceId, body.retired));
  serve(api.cleaning.bathBook, (ctx) => bathBook(ctx));
  serve(api.cleaning.addFill, (ctx, { body }) => fillBath(ctx, body));
  serve(api.cleaning.changeFill, (ctx, { params, body }) => correctBath(ctx, params.fillId, body));
  serve(api.cleaning.setChanged, (ctx, { params, body }) => changeBath(ctx, params.fillId, body.changed));
}
