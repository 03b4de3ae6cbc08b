import { api } from '@eclat/contract';
import { asOk, type Serve } from '../platform/http/serve.ts';
import {
  addEvidence,
  knowType,
  lookAtPlace,
  measure,
  picturesOf,
  removeEvidence,
  unmeasure,
} from '../assessment/assessment.service.ts';
import {
  addReceived,
  answerQuestion,
  callBack,
  cameAlone,
  changeReceived,
  endWant,
  giveBack,
  removeReceived,
  wantThing,
} from './reception.service.ts';

export function serveCounter(serve: Serve): void {
  serve(api.counter.answer, (ctx, { params, body }) =>
    asOk(answerQuestion(ctx, params.visitId, params.question, body.answer)),
  );
  serve(api.counter.addReceived, (ctx, { params, body }) => addReceived(ctx, params.visitId, body));
  serve(api.counter.changeReceived, (ctx, { params, body }) =>
    changeReceived(ctx, params.visitId, params.receivedId, body),
  );
  serve(api.counter.removeReceived, (ctx, { params }) => asOk(removeReceived(ctx, params.visitId, params.receivedId)));
  serve(api.counter.giveBack, (ctx, { params, body }) =>
    giveBack(ctx, params.visitId, params.receivedId, body.returned),
  );
  serve(api.counter.want, (ctx, { params, body }) => wantThing(ctx, params.visitId, body));
  serve(api.counter.endWant, (ctx, { params, body }) =>
    asOk(endWant(ctx, params.visitId, params.wantedId, body.ended)),
  );
  serve(api.counter.alone, (ctx, { params, body }) => asOk(cameAlone(ctx, params.visitId, body.alone)));
  serve(api.counter.callback, (ctx, { params, body }) => asOk(callBack(ctx, params.visitId, body.visitId)));
  serve(api.assess.look, (ctx, { params, body }) => asOk(lookAtPlace(ctx, params.visitId, params.place, body.state)));
  serve(api.assess.measure, (ctx, { params, body }) => measure(ctx, params.visitId, body));
  serve(api.assess.unmeasure, (ctx, { params }) => asOk(unmeasure(ctx, params.visitId, params.measurementId)));
  serve(api.assess.date, (ctx, { params, body }) => addEvidence(ctx, params.movementId, body));
  serve(api.assess.undate, (ctx, { params }) => asOk(removeEvidence(ctx, params.movementId, params.evidenceId)));
  serve(api.assess.type, (ctx, { params }) => knowType(ctx, params.movementId));
  serve(api.assess.pictures, (ctx, { params }) => picturesOf(ctx, params.movementId));
}
