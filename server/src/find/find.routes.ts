import { api } from '@eclat/contract';
import type { Serve } from '../http/serve.ts';
import { findAnything } from './find.service.ts';

export function serveFind(serve: Serve): void {
  serve(api.find.anything, (ctx, { query }) => findAnything(ctx, query.q));
}
