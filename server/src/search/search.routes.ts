import { api } from '@eclat/contract';
import type { Serve } from '../platform/http/serve.ts';
import { findAnything } from './search.service.ts';

export function serveSearch(serve: Serve): void {
  serve(api.search.anything, (ctx, { query }) => findAnything(ctx, query.q));
}
