import { api } from '@eclat/contract';
import type { Serve } from '../platform/http/serve.ts';
import { changeOwner, clocksOf, searchOwners } from './owners.service.ts';

export function serveOwners(serve: Serve): void {
  serve(api.owners.search, (ctx, { query }) => searchOwners(ctx, query.q, query.after));
  serve(api.owners.clocks, (ctx, { params }) => clocksOf(ctx, params.ownerId));
  serve(api.owners.change, (ctx, { params, body }) => changeOwner(ctx, params.ownerId, body));
}
