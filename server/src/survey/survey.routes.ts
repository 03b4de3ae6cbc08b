import { api } from '@eclat/contract';
import { asOk, type Serve } from '../platform/http/serve.ts';
import { layPhoto, liftPhoto, lookAtPart, measureHole, soundParts, unlookAtPart } from './survey.service.ts';

export function serveSurvey(serve: Serve): void {
  serve(api.survey.set, (ctx, { params, body }) => measureHole(ctx, params.visitId, params.hole, body));
  serve(api.survey.look, (ctx, { params, body }) => lookAtPart(ctx, params.visitId, params.part, body));
  serve(api.survey.layPhoto, (ctx, { params, body }) => layPhoto(ctx, params.visitId, params.plate, body));
  serve(api.survey.liftPhoto, (ctx, { params }) => asOk(liftPhoto(ctx, params.visitId, params.plate)));
  serve(api.survey.unlook, (ctx, { params }) => asOk(unlookAtPart(ctx, params.visitId, params.part)));
  serve(api.survey.sound, (ctx, { params, body }) => asOk(soundParts(ctx, params.visitId, body.parts)));
}
