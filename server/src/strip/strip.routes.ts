import { api } from '@eclat/contract';
import { asOk, type Serve } from '../platform/http/serve.ts';
import {
  addPhase,
  addStep,
  addTemporary,
  addTrain,
  changeStep,
  closePass,
  endTemporary,
  giveOut,
  moveStep,
  openPass,
  removePhase,
  removeStep,
  removeSteps,
  setFate,
  setPhase,
  takeBack,
} from './strip.service.ts';

export function serveStrip(serve: Serve): void {
  const { strip } = api;
  serve(strip.addStep, (ctx, { params, body }) => addStep(ctx, params.visitId, body));
  serve(strip.addTrain, (ctx, { params, body }) => addTrain(ctx, params.visitId, body));
  serve(strip.removeSteps, (ctx, { params, body }) => asOk(removeSteps(ctx, params.visitId, body.steps)));
  serve(strip.changeStep, (ctx, { params, body }) => changeStep(ctx, params.visitId, params.stepId, body));
  serve(strip.moveStep, (ctx, { params, body }) => asOk(moveStep(ctx, params.visitId, params.stepId, body.position)));
  serve(strip.removeStep, (ctx, { params }) => asOk(removeStep(ctx, params.visitId, params.stepId)));
  serve(strip.setFate, (ctx, { params, body }) => setFate(ctx, params.visitId, params.stepId, body));
  serve(strip.openPass, (ctx, { params, body }) => openPass(ctx, params.visitId, body));
  serve(strip.closePass, (ctx, { params, body }) => closePass(ctx, params.visitId, params.pass, body));
  serve(strip.addPhase, (ctx, { params, body }) => addPhase(ctx, params.visitId, body));
  serve(strip.setPhase, (ctx, { params, body }) => asOk(setPhase(ctx, params.visitId, params.phaseId, body.set)));
  serve(strip.removePhase, (ctx, { params }) => asOk(removePhase(ctx, params.visitId, params.phaseId)));
  serve(strip.addTemporary, (ctx, { params, body }) => addTemporary(ctx, params.visitId, body));
  serve(strip.endTemporary, (ctx, { params, body }) =>
    asOk(endTemporary(ctx, params.visitId, params.temporaryId, body.ended)),
  );
  serve(strip.giveOut, (ctx, { params, body }) => giveOut(ctx, params.visitId, body));
  serve(strip.takeBack, (ctx, { params, body }) => asOk(takeBack(ctx, params.visitId, params.custodyId, body)));
}
