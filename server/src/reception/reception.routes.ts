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
  serve(api.reception.answer, (ctx, { params, body }) =>
    asOk(answerQuestion(ctx, params.visitId, params.question, body.answer)),
  );
  serve(api.reception.addReceived, (ctx, { params, body }) => addReceived(ctx, params.visitId, body));
  serve(api.reception.changeReceived, (ctx, { params, body }) =>
    changeReceived(ctx, params.visitId, params.receivedId, body),
  );
  serve(api.reception.removeReceived, (ctx, { params }) =>
    asOk(removeReceived(ctx, params.visitId, params.receivedId)),
  );
  serve(api.reception.returnReceived, (ctx, { params, body }) =>
    giveBack(ctx, params.visitId, params.receivedId, body.returned),
  );
  serve(api.reception.addWanted, (ctx, { params, body }) => wantThing(ctx, params.visitId, body));
  serve(api.reception.closeWanted, (ctx, { params, body }) =>
    asOk(endWant(ctx, params.visitId, params.wantedId, body.ended)),
  );
  serve(api.reception.cameAlone, (ctx, { params, body }) => asOk(cameAlone(ctx, params.visitId, body.alone)));
  serve(api.reception.linkCallback, (ctx, { params, body }) => asOk(callBack(ctx, params.visitId, body.visitId)));
  serve(api.assessment.setPlace, (ctx, { params, body }) =>
    asOk(lookAtPlace(ctx, params.visitId, params.place, body.state)),
  );
  serve(api.assessment.addMeasurement, (ctx, { params, body }) => measure(ctx, params.visitId, body));
  serve(api.assessment.removeMeasurement, (ctx, { params }) =>
    asOk(unmeasure(ctx, params.visitId, params.measurementId)),
  );
  serve(api.assessment.addEvidence, (ctx, { params, body }) => addEvidence(ctx, params.movementId, body));
  serve(api.assessment.removeEvidence, (ctx, { params }) =>
    asOk(removeEvidence(ctx, params.movementId, params.evidenceId)),
  );
  serve(api.assessment.knownOfType, (ctx, { params }) => knowType(ctx, params.movementId));
  serve(api.assessment.photosOfMovement, (ctx, { params }) => picturesOf(ctx, params.movementId));
}
