import { api } from '@eclat/contract';
import type { Serve } from '../platform/http/serve.ts';
import { callbacks, duePage, recall } from './aftercare.service.ts';

export function serveAftercare(serve: Serve): void {
  serve(api.aftercare.due, (ctx, { query }) => duePage(ctx, query));
  serve(api.aftercare.recall, (ctx, { query }) => recall(ctx, query.q));
  serve(api.aftercare.callbacks, (ctx, { query }) => callbacks(ctx, query.years));
}
