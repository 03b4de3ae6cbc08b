import { api } from '@eclat/contract';
import { asOk, type Serve } from '../platform/http/serve.ts';
import {
  addReceived,
  answerQuestion,
  linkCallback,
  cameAlone,
  changeReceived,
  returnReceived,
  removeReceived,
} from './reception.service.ts';
import {
  addWanted,
  addWantedStep,
  changeWanted,
  removeWanted,
  removeWantedStep,
  wantedList,
} from './wanted.service.ts';

export function serveReception(serve: Serve): void {
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
    returnReceived(ctx, params.visitId, params.receivedId, body.returned),
  );
  serve(api.reception.addWanted, (ctx, { params, body }) => addWanted(ctx, params.visitId, body));
  serve(api.reception.changeWanted, (ctx, { params, body }) =>
    changeWanted(ctx, params.visitId, params.wantedId, body),
  );
  serve(api.reception.removeWanted, (ctx, { params }) => asOk(removeWanted(ctx, params.visitId, params.wantedId)));
  serve(api.reception.addWantedStep, (ctx, { params, body }) =>
    addWantedStep(ctx, params.visitId, params.wantedId, body),
  );
  serve(api.reception.removeWantedStep, (ctx, { params }) =>
    removeWantedStep(ctx, params.visitId, params.wantedId, params.stepId),
  );
  serve(api.reception.wantedList, (ctx) => wantedList(ctx));
  serve(api.reception.cameAlone, (ctx, { params, body }) => asOk(cameAlone(ctx, params.visitId, body.alone)));
  serve(api.reception.linkCallback, (ctx, { params, body }) => asOk(linkCallback(ctx, params.visitId, body.visitId)));
}
