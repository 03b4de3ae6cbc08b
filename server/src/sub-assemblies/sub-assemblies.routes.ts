import { api } from '@eclat/contract';
import { asOk, type Serve } from '../platform/http/serve.ts';
import { addUnit, endUnitRun, removeUnit, setUnitStage, startUnitRun } from './sub-assemblies.service.ts';

export function serveSubAssemblies(serve: Serve): void {
  serve(api.subAssemblies.add, (ctx, { params, body }) => addUnit(ctx, params.visitId, body));
  serve(api.subAssemblies.setStage, (ctx, { params, body }) =>
    setUnitStage(ctx, params.visitId, params.unitId, params.stage, body),
  );
  serve(api.subAssemblies.startRun, (ctx, { params, body }) => startUnitRun(ctx, params.visitId, params.unitId, body));
  serve(api.subAssemblies.endRun, (ctx, { params, body }) =>
    endUnitRun(ctx, params.visitId, params.unitId, params.runId, body),
  );
  serve(api.subAssemblies.remove, (ctx, { params }) => asOk(removeUnit(ctx, params.visitId, params.unitId)));
}
