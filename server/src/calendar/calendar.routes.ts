import { api } from '@eclat/contract';
import type { Router } from 'express';
import { limitVisitors } from '../platform/http/limit-visitors.ts';
import type { AppContext } from '../platform/http/app-context.ts';
import { asOk, type Serve } from '../platform/http/serve.ts';
import { removeFeed, feed, feedState, makeFeed } from './calendar.service.ts';

/**
 * The feed itself needs no sign-in: calendar programs have none. Its address is secret, can be ended, and is knocked at
 * only so often.
 */
export function serveCalendar(serve: Serve, router: Router, appContext: AppContext): void {
  serve(api.calendar.state, (ctx) => feedState(ctx));
  serve(api.calendar.make, (ctx) => makeFeed(ctx));
  serve(api.calendar.remove, (ctx) => asOk(removeFeed(ctx)));
  router.get('/calendar/:token', limitVisitors(appContext), async (req, res) => {
    const text = await feed(
      { em: appContext.orm.em.fork(), now: appContext.clock() },
      String(req.params['token']).replace(/\.ics$/, ''),
      `${req.protocol}://${req.get('host')}`,
    );
    res.set({ 'content-type': 'text/calendar; charset=utf-8', 'cache-control': 'private, no-store' }).send(text);
  });
}
