import { api, ok } from '@eclat/contract';
import { beginSession, removeCookie, endSession, personOf } from '../platform/http/session.ts';
import type { AppContext } from '../platform/http/app-context.ts';
import type { Serve } from '../platform/http/serve.ts';
import { Person } from './people.entity.ts';
import { setShop, shopSettings } from './shop.service.ts';
import { addPerson, foundShop, recognise, sessionState, who } from './people.service.ts';

export function servePeople(serve: Serve, appContext: AppContext): void {
  serve(api.people.session, (ctx, { req }) => sessionState(ctx.em, personOf(req), ctx.now, appContext.demo));
  serve(api.people.signIn, async (ctx, { body, req, res }) => {
    // A failure is written outside the transaction that it ends.
    const person = await recognise(appContext.orm.em.fork(), body, req.ip ?? '', ctx.now);
    await endSession(ctx.em, req);
    await beginSession(ctx.em, person, ctx.now, req, res);
    return sessionState(ctx.em, person, ctx.now, appContext.demo);
  });
  serve(api.people.signOut, async (ctx, { req, res }) => {
    await endSession(ctx.em, req);
    removeCookie(res);
    return ok;
  });
  serve(api.people.firstRun, async (ctx, { body, req, res }) => {
    const person = await foundShop(ctx.em, body, ctx.now);
    await beginSession(ctx.em, person, ctx.now, req, res);
    return sessionState(ctx.em, person, ctx.now, appContext.demo);
  });
  serve(api.people.shop, (ctx) => shopSettings(ctx));
  serve(api.people.setShop, (ctx, { body }) => setShop(ctx, body));
  serve(api.people.list, async (ctx) =>
    (await ctx.em.find(Person, { active: true }, { orderBy: { name: 'asc' } })).map(who),
  );
  serve(api.people.add, (ctx, { body }) => addPerson(ctx.em, body));
}
