import { api } from '@eclat/contract';
import { asOk, type Serve } from '../platform/http/serve.ts';
import { layPhoto, liftPhoto, lookAtPart, measureHole, soundParts, unlookAtPart } from './survey.service.ts';

export function serveSurvey(serve: Serve): void {
  serve(api.survey.setHole, (ctx, { params, body }) => measureHole(ctx, params.visitId, params.hole, body));
  serve(api.survey.setPart, (ctx, { params, body }) => lookAtPart(ctx, params.visitId, params.part, body));
  serve(api.survey.setPlatePhoto, (ctx, { params, body }) => layPhoto(ctx, params.visitId, params.plate, body));
  serve(api.survey.removePlatePhoto, (ctx, { params }) => asOk(liftPhoto(ctx, params.visitId, params.plate)));
  serve(api.survey.removePart, (ctx, { params }) => asOk(unlookAtPart(ctx, params.visitId, params.part)));
  serve(api.survey.setSound, (ctx, { params, body }) => asOk(soundParts(ctx, params.visitId, body.parts)));
}
