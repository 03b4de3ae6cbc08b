import { api } from '@eclat/contract';
import { asOk, type Serve } from '../platform/http/serve.ts';
import {
  addReceived,
  answerQuestion,
  linkCallback,
  cameAlone,
  changeReceived,
  closeWanted,
  returnReceived,
  removeReceived,
  addWanted,
} from './reception.service.ts';

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
  serve(api.reception.closeWanted, (ctx, { params, body }) =>
    asOk(closeWanted(ctx, params.visitId, params.wantedId, body.ended)),
  );
  serve(api.reception.cameAlone, (ctx, { params, body }) => asOk(cameAlone(ctx, params.visitId, body.alone)));
  serve(api.reception.linkCallback, (ctx, { params, body }) => asOk(linkCallback(ctx, params.visitId, body.visitId)));
}
