import { api } from '@eclat/contract';
import { asOk, type Serve } from '../platform/http/serve.ts';
import { addUnit, removeUnit, setUnitStage } from './sub-assemblies.service.ts';

export function serveSubAssemblies(serve: Serve): void {
  serve(api.subAssemblies.add, (ctx, { params, body }) => addUnit(ctx, params.visitId, body));
  serve(api.subAssemblies.setStage, (ctx, { params, body }) =>
    setUnitStage(ctx, params.visitId, params.unitId, params.stage, body),
  );
  serve(api.subAssemblies.remove, (ctx, { params }) => asOk(removeUnit(ctx, params.visitId, params.unitId)));
}
