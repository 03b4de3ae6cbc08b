import { api } from '@eclat/contract';
import type { Router } from 'express';
import type { Context } from '../platform/http/context.ts';
import { notFound } from '../platform/http/problems.ts';
import { limitVisitors } from '../platform/http/limit-visitors.ts';
import { sql, type AppContext } from '../platform/http/app-context.ts';
import type { Serve } from '../platform/http/serve.ts';
import {
  askByLink,
  chooseByLink,
  decideByLink,
  guestOf,
  logUse,
  viewOwnerPage,
  markedPhotos,
} from './owner-page.service.ts';

/** The owner's page: no sign-in, one visit, every use logged, so many requests in ten minutes. */
export function serveOwnerPage(serve: Serve, router: Router, appContext: AppContext): void {
  router.use('/for-owner', limitVisitors(appContext));
  serve(api.ownerPage.page, async (ctx, { params }) => {
    const guest = await guestOf(ctx, params.token);
    await logUse(ctx, guest, 'opened');
    return viewOwnerPage(ctx, guest);
  });
  const change = async (
    ctx: Context,
    token: string,
    work: (guest: Awaited<ReturnType<typeof guestOf>>) => Promise<void>,
  ) => {
    const guest = await guestOf(ctx, token);
    await work(guest);
    await ctx.em.flush();
    return viewOwnerPage(ctx, guest);
  };
  serve(api.ownerPage.decide, (ctx, { params, body }) =>
    change(ctx, params.token, (guest) => decideByLink(ctx, guest, params.lineId, body)),
  );
  serve(api.ownerPage.choose, (ctx, { params, body }) =>
    change(ctx, params.token, (guest) => chooseByLink(ctx, guest, body)),
  );
  serve(api.ownerPage.ask, (ctx, { params, body }) =>
    change(ctx, params.token, (guest) => askByLink(ctx, guest, params.questionId, body.text)),
  );

  router.get('/for-owner/:token/photos/:photoId', async (req, res) => {
    const ctx: Context = {
      em: appContext.orm.em.fork(),
      person: { id: '', name: '', role: 'counter' },
      now: appContext.clock(),
      touched: new Set(),
    };
    const { visit } = await guestOf(ctx, req.params.token);
    if (!(await markedPhotos(ctx, visit.id)).some((p) => p.id === req.params.photoId)) throw notFound('photo');
    const [row] = await sql<{ bytes: Buffer }>(ctx.em, 'select medium as bytes from photo where id = ?', [
      req.params.photoId,
    ]);
    res.set({ 'content-type': 'image/jpeg', 'cache-control': 'private, no-store' }).send(row!.bytes);
  });
}
