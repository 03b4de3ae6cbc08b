import { api } from '@eclat/contract';
import { asOk, type Serve } from '../platform/http/serve.ts';
import {
  addEvidence,
  addMeasurement,
  knownOfType,
  photosOfMovement,
  removeEvidence,
  removeMeasurement,
  setPlace,
} from './assessment.service.ts';
import { addFinding, changeFinding, overturnFinding, removeFinding, restoreFinding } from './findings.service.ts';

export function serveAssessment(serve: Serve): void {
  serve(api.assessment.addFinding, (ctx, { params, body }) => addFinding(ctx, params.visitId, body));
  serve(api.assessment.changeFinding, (ctx, { params, body }) =>
    changeFinding(ctx, params.visitId, params.findingId, body),
  );
  serve(api.assessment.overturnFinding, (ctx, { params, body }) =>
    overturnFinding(ctx, params.visitId, params.findingId, body.why),
  );
  serve(api.assessment.restoreFinding, (ctx, { params }) => restoreFinding(ctx, params.visitId, params.findingId));
  serve(api.assessment.removeFinding, (ctx, { params }) => asOk(removeFinding(ctx, params.visitId, params.findingId)));
  serve(api.assessment.setPlace, (ctx, { params, body }) =>
    asOk(setPlace(ctx, params.visitId, params.place, body.state)),
  );
  serve(api.assessment.addMeasurement, (ctx, { params, body }) => addMeasurement(ctx, params.visitId, body));
  serve(api.assessment.removeMeasurement, (ctx, { params }) =>
    asOk(removeMeasurement(ctx, params.visitId, params.measurementId)),
  );
  serve(api.assessment.addEvidence, (ctx, { params, body }) => addEvidence(ctx, params.movementId, body));
  serve(api.assessment.removeEvidence, (ctx, { params }) =>
    asOk(removeEvidence(ctx, params.movementId, params.evidenceId)),
  );
  serve(api.assessment.knownOfType, (ctx, { params }) => knownOfType(ctx, params.movementId));
  serve(api.assessment.photosOfMovement, (ctx, { params }) => photosOfMovement(ctx, params.movementId));
}
