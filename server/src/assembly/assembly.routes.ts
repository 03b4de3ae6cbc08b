import { api } from '@eclat/contract';
import { asOk, type Serve } from '../platform/http/serve.ts';
import { endStandRun, startStandRun } from './stand-run.service.ts';
import { addSetting, removeSetting, removeCheck, setCheck } from './assembly.service.ts';

export function serveAssembly(serve: Serve): void {
  serve(api.assembly.setCheck, (ctx, { params, body }) => setCheck(ctx, params.visitId, params.check, body));
  serve(api.assembly.addSetting, (ctx, { params, body }) => addSetting(ctx, params.visitId, params.check, body));
  serve(api.assembly.removeSetting, (ctx, { params }) => asOk(removeSetting(ctx, params.visitId, params.settingId)));
  serve(api.assembly.startStandRun, (ctx, { params, body }) => startStandRun(ctx, params.visitId, body));
  serve(api.assembly.endStandRun, (ctx, { params, body }) =>
    endStandRun(ctx, params.visitId, params.runId, body.found),
  );
  serve(api.assembly.removeCheck, (ctx, { params }) => asOk(removeCheck(ctx, params.visitId, params.check)));
}
