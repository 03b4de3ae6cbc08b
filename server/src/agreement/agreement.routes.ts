import { api } from '@eclat/contract';
import { asOk, type Serve } from '../platform/http/serve.ts';
import {
  addLine,
  answerOwner,
  changeLine,
  chooseRoute,
  decide,
  dropRoute,
  offerRoute,
  removeLine,
} from './agreement.service.ts';
import { makeLink, endLink } from '../owner-page/owner-page.service.ts';
import { pricesOf, setPrices } from './prices.service.ts';
import { promiseOf } from './promise.service.ts';

export function serveAgreement(serve: Serve): void {
  const { agree } = api;
  serve(agree.addLine, (ctx, { params, body }) => addLine(ctx, params.visitId, body));
  serve(agree.changeLine, (ctx, { params, body }) => changeLine(ctx, params.visitId, params.lineId, body));
  serve(agree.removeLine, (ctx, { params }) => asOk(removeLine(ctx, params.visitId, params.lineId)));
  serve(agree.decide, (ctx, { params, body }) => decide(ctx, params.visitId, params.lineId, body));
  serve(agree.offerRoute, (ctx, { params, body }) => asOk(offerRoute(ctx, params.visitId, params.route, body)));
  serve(agree.dropRoute, (ctx, { params }) => asOk(dropRoute(ctx, params.visitId, params.route)));
  serve(agree.chooseRoute, (ctx, { params, body }) => asOk(chooseRoute(ctx, params.visitId, body)));
  serve(agree.link, (ctx, { params, body }) => makeLink(ctx, params.visitId, body.days));
  serve(agree.unlink, (ctx, { params }) => asOk(endLink(ctx, params.visitId)));
  serve(agree.answer, (ctx, { params, body }) =>
    asOk(answerOwner(ctx, params.visitId, params.questionId, body.answer)),
  );
  serve(agree.promise, (ctx, { params }) => promiseOf(ctx, params.visitId));
  serve(agree.prices, (ctx) => pricesOf(ctx));
  serve(agree.setPrices, (ctx, { body }) => setPrices(ctx, body));
}
