import { api } from '@eclat/contract';
import { asOk, type Serve } from '../platform/http/serve.ts';
import { addTask, changeTask, didTask, setTaskDone, moveTask, removeTask } from './casework.service.ts';

export function serveCasework(serve: Serve): void {
  serve(api.casework.add, (ctx, { params, body }) => addTask(ctx, params.visitId, body));
  serve(api.casework.change, (ctx, { params, body }) => changeTask(ctx, params.visitId, params.taskId, body));
  serve(api.casework.setTime, (ctx, { params, body }) => didTask(ctx, params.visitId, params.taskId, body));
  serve(api.casework.setDone, (ctx, { params, body }) => setTaskDone(ctx, params.visitId, params.taskId, body.done));
  serve(api.casework.move, (ctx, { params, body }) =>
    asOk(moveTask(ctx, params.visitId, params.taskId, body.position)),
  );
  serve(api.casework.remove, (ctx, { params }) => asOk(removeTask(ctx, params.visitId, params.taskId)));
}
