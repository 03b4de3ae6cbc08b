import { api } from '@eclat/contract';
import type { Request, Response, Router } from 'express';
import type { AppContext } from '../platform/http/app-context.ts';
import type { Context } from '../platform/http/context.ts';
import { limitVisitors } from '../platform/http/limit-visitors.ts';
import { notFound } from '../platform/http/problems.ts';
import { asOk, type Serve } from '../platform/http/serve.ts';
import { digest } from '../platform/sha256.ts';
import { described, isDescribed } from './book-file.ts';
import { BOOK_STYLE } from './book-page.css.ts';
import { bookPage } from './book-page.tsx';
import { publicBook, publicPhoto, publish, unpublish } from './public-book.service.ts';

const STYLE = Buffer.from(digest(Buffer.from(BOOK_STYLE))).toString('base64');

/**
 * A book for whoever has its address: the page of the book file, with the same files beside it. No sign-in; nothing
 * but that book; found by no search.
 */
export function servePublicBooks(serve: Serve, router: Router, appContext: AppContext): void {
  serve(api.movements.publish, (ctx, { params }) => publish(ctx, params.movementId));
  serve(api.movements.unpublish, (ctx, { params }) => asOk(unpublish(ctx, params.movementId)));

  const anybody = (): Context => ({
    em: appContext.orm.em.fork(),
    person: { id: '', name: '', role: 'counter' },
    now: appContext.clock(),
    touched: new Set(),
  });
  const hidden = (res: Response) => res.set({ 'x-robots-tag': 'noindex, nofollow', 'referrer-policy': 'no-referrer' });
  const limited = limitVisitors(appContext);

  router.get('/books/:token', limited, async (req: Request<{ token: string }>, res) => {
    // Links of the page lead to what stands beside it.
    if (!req.path.endsWith('/')) return res.redirect(`/api${req.path}/`);
    const page = bookPage((await publicBook(anybody(), req.params.token)).pages);
    hidden(res)
      .set(
        'content-security-policy',
        `default-src 'none'; img-src 'self'; style-src 'sha256-${STYLE}'; base-uri 'none'; frame-ancestors 'none'`,
      )
      .type('html')
      .send(page);
  });
  router.get('/books/:token/book.json', limited, async (req: Request<{ token: string }>, res) => {
    hidden(res).json((await publicBook(anybody(), req.params.token)).record);
  });
  router.get('/books/:token/schema/:name', limited, async (req: Request<{ token: string; name: string }>, res) => {
    await publicBook(anybody(), req.params.token);
    if (!isDescribed(req.params.name)) throw notFound('file');
    hidden(res)
      .type('text')
      .send(await described(req.params.name));
  });
  // Each is asked for by a page that was counted.
  router.get('/books/:token/photos/:file', async (req: Request<{ token: string; file: string }>, res) => {
    const bytes = await publicPhoto(anybody(), req.params.token, req.params.file.replace(/\.jpg$/, ''));
    hidden(res).set({ 'content-type': 'image/jpeg', 'cache-control': 'private, max-age=3600' }).send(bytes);
  });
}
