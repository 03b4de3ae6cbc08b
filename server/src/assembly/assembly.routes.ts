import { api } from '@eclat/contract';
import { asOk, type Serve } from '../platform/http/serve.ts';
import { addClosing, answerLook, askLook, removeClosing, removeLook } from './close.service.ts';
import { addDryTry, endDryFit, removeDryTry, setDryCure, startDryFit } from './dry.service.ts';
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
  serve(api.assembly.startDryFit, (ctx, { params, body }) => startDryFit(ctx, params.visitId, body));
  serve(api.assembly.endDryFit, (ctx, { params }) => endDryFit(ctx, params.visitId, params.fitId));
  serve(api.assembly.addDryTry, (ctx, { params, body }) => addDryTry(ctx, params.visitId, body));
  serve(api.assembly.setDryCure, (ctx, { params, body }) => setDryCure(ctx, params.visitId, params.tryId, body.cure));
  serve(api.assembly.removeDryTry, (ctx, { params }) => asOk(removeDryTry(ctx, params.visitId, params.tryId)));
  serve(api.assembly.askLook, (ctx, { params, body }) => askLook(ctx, params.visitId, body));
  serve(api.assembly.answerLook, (ctx, { params, body }) => answerLook(ctx, params.visitId, params.lookId, body));
  serve(api.assembly.removeLook, (ctx, { params }) => asOk(removeLook(ctx, params.visitId, params.lookId)));
  serve(api.assembly.addClosing, (ctx, { params, body }) => addClosing(ctx, params.visitId, body));
  serve(api.assembly.removeClosing, (ctx, { params }) => asOk(removeClosing(ctx, params.visitId, params.closingId)));
  serve(api.assembly.removeCheck, (ctx, { params }) => asOk(removeCheck(ctx, params.visitId, params.check)));
}
