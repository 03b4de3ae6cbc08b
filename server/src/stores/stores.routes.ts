import { api } from '@eclat/contract';
import { writeStockTable } from '@eclat/core/stores';
import type { Router } from 'express';
import { HttpProblem } from '../platform/http/problems.ts';
import type { AppContext } from '../platform/http/app-context.ts';
import type { Serve } from '../platform/http/serve.ts';
import { personOf } from '../platform/http/session.ts';
import {
  addItem,
  arrived,
  changeItem,
  countItem,
  keepItem,
  listStores,
  movesOf,
  openBook,
  orderItem,
  previewTable,
  importTable,
  removeOrder,
} from './stores.service.ts';

export function serveStores(serve: Serve, router: Router, appContext: AppContext): void {
  serve(api.stores.list, (ctx) => listStores(ctx));
  serve(api.stores.add, (ctx, { body }) => addItem(ctx, body));
  serve(api.stores.change, (ctx, { params, body }) => changeItem(ctx, params.itemId, body));
  serve(api.stores.keep, (ctx, { params, body }) => keepItem(ctx, params.itemId, body.kept));
  serve(api.stores.openBook, (ctx, { params, body }) => openBook(ctx, params.itemId, body));
  serve(api.stores.count, (ctx, { params, body }) => countItem(ctx, params.itemId, body.onHand));
  serve(api.stores.moves, (ctx, { params }) => movesOf(ctx, params.itemId));
  serve(api.stores.addOrder, (ctx, { params, body }) => orderItem(ctx, params.itemId, body));
  serve(api.stores.setArrived, (ctx, { params, body }) => arrived(ctx, params.itemId, params.orderId, body.arrived));
  serve(api.stores.removeOrder, (ctx, { params }) => removeOrder(ctx, params.itemId, params.orderId));
  serve(api.stores.previewTable, (ctx, { body }) => previewTable(ctx, body.csv));
  serve(api.stores.importTable, (ctx, { body }) => importTable(ctx, body.csv));
  router.get('/stores-table', async (req, res) => {
    if (!personOf(req)) throw new HttpProblem(401, 'Sign in to go on.');
    const items = await listStores({ em: appContext.orm.em.fork() });
    res
      .set({ 'content-type': 'text/csv; charset=utf-8', 'content-disposition': 'attachment; filename="stores.csv"' })
      .send(writeStockTable(items.filter((i) => i.kept)));
  });
}
