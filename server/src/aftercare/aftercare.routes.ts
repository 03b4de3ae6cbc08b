import { api } from '@eclat/contract';
import type { Serve } from '../platform/http/serve.ts';
import { callbacks, dueList, recall } from './aftercare.service.ts';

export function serveAfter(serve: Serve): void {
  serve(api.after.due, dueList);
  serve(api.after.recall, (ctx, { query }) => recall(ctx, query.q));
  serve(api.after.callbacks, (ctx, { query }) => callbacks(ctx, query.years));
}
