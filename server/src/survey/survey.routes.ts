import { api } from '@eclat/contract';
import { asOk, type Serve } from '../platform/http/serve.ts';
import {
  setPlatePhoto,
  removePlatePhoto,
  setPart,
  measureHole,
  soundParts,
  removePart,
  removeHole,
  soundHoles,
  clearHoles,
  clearParts,
} from './survey.service.ts';

export function serveSurvey(serve: Serve): void {
  serve(api.survey.setHole, (ctx, { params, body }) => measureHole(ctx, params.visitId, params.hole, body));
  serve(api.survey.removeHole, (ctx, { params }) => asOk(removeHole(ctx, params.visitId, params.hole)));
  serve(api.survey.setRestSound, (ctx, { params, body }) => soundHoles(ctx, params.visitId, body));
  serve(api.survey.clearRest, (ctx, { params, body }) => asOk(clearHoles(ctx, params.visitId, body.holes)));
  serve(api.survey.clearSound, (ctx, { params, body }) => asOk(clearParts(ctx, params.visitId, body.parts)));
  serve(api.survey.setPart, (ctx, { params, body }) => setPart(ctx, params.visitId, params.part, body));
  serve(api.survey.setPlatePhoto, (ctx, { params, body }) => setPlatePhoto(ctx, params.visitId, params.plate, body));
  serve(api.survey.removePlatePhoto, (ctx, { params }) => asOk(removePlatePhoto(ctx, params.visitId, params.plate)));
  serve(api.survey.removePart, (ctx, { params }) => asOk(removePart(ctx, params.visitId, params.part)));
  serve(api.survey.setSound, (ctx, { params, body }) => soundParts(ctx, params.visitId, body.parts));
}
