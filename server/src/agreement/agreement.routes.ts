import { api } from '@eclat/contract';
import { asOk, type Serve } from '../platform/http/serve.ts';
import {
  addLine,
  answerOwner,
  changeLine,
  chooseRoute,
  decide,
  removeRoute,
  offerRoute,
  removeLine,
} from './agreement.service.ts';
import { makeLink, removeLink } from '../owner-page/owner-page.service.ts';
import { pricesOf, setPrices } from './prices.service.ts';
import { promiseOf } from './promise.service.ts';

export function serveAgreement(serve: Serve): void {
  const { agreement } = api;
  serve(agreement.addLine, (ctx, { params, body }) => addLine(ctx, params.visitId, body));
  serve(agreement.changeLine, (ctx, { params, body }) => changeLine(ctx, params.visitId, params.lineId, body));
  serve(agreement.removeLine, (ctx, { params }) => asOk(removeLine(ctx, params.visitId, params.lineId)));
  serve(agreement.decide, (ctx, { params, body }) => decide(ctx, params.visitId, params.lineId, body));
  serve(agreement.offerRoute, (ctx, { params, body }) => asOk(offerRoute(ctx, params.visitId, params.route, body)));
  serve(agreement.removeRoute, (ctx, { params }) => asOk(removeRoute(ctx, params.visitId, params.route)));
  serve(agreement.chooseRoute, (ctx, { params, body }) => asOk(chooseRoute(ctx, params.visitId, body)));
  serve(agreement.makeLink, (ctx, { params, body }) => makeLink(ctx, params.visitId, body.days));
  serve(agreement.removeLink, (ctx, { params }) => asOk(removeLink(ctx, params.visitId)));
  serve(agreement.answer, (ctx, { params, body }) =>
    asOk(answerOwner(ctx, params.visitId, params.questionId, body.answer)),
  );
  serve(agreement.promise, (ctx, { params }) => promiseOf(ctx, params.visitId));
  serve(agreement.prices, (ctx) => pricesOf(ctx));
  serve(agreement.setPrices, (ctx, { body }) => setPrices(ctx, body));
}
