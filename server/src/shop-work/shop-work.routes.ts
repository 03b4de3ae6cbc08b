import { api } from '@eclat/contract';
import type { Serve } from '../platform/http/serve.ts';
import { addShopTask, endShopTask, listShopWork, logShopTask } from './shop-work.service.ts';

export function serveShopWork(serve: Serve): void {
  serve(api.shopWork.list, (ctx) => listShopWork(ctx));
  serve(api.shopWork.add, (ctx, { body }) => addShopTask(ctx, body));
  serve(api.shopWork.log, (ctx, { params, body }) => logShopTask(ctx, params.taskId, body));
  serve(api.shopWork.end, (ctx, { params, body }) => endShopTask(ctx, params.taskId, body));
}
