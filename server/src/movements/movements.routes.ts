import { api } from '@eclat/contract';
import type { Serve } from '../http/serve.ts';
import { amend } from '../history/history.service.ts';
import { inscribe, movementBook, searchMovements } from './movements.service.ts';

export function serveMovements(serve: Serve): void {
  serve(api.movements.search, (ctx, { query }) => searchMovements(ctx, query.q, query.after));
  serve(api.movements.book, (ctx, { params }) => movementBook(ctx, params.movementId));
  serve(api.movements.inscribe, (ctx, { params, body }) => inscribe(ctx, params.movementId, body));
  serve(api.movements.amend, (ctx, { params, body }) => amend(ctx, params.entryId, body.text));
}
