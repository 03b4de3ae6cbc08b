import type { Person as Who } from '@eclat/contract';
import { api, ok } from '@eclat/contract';
import { beginSession, endSession, personOf, removeCookie, sessionOf, whereFrom } from '../platform/http/session.ts';
import type { AppContext } from '../platform/http/app-context.ts';
import { asOk, type Serve } from '../platform/http/serve.ts';
import {
  accounts,
  changePassphrase,
  resetPassphrase,
  setActive,
  setRole,
  signOutEverywhere,
} from './accounts.service.ts';
import { Person } from './people.entity.ts';
import { addPerson, foundShop, sessionState } from './people.service.ts';
import { setShop, shopSettings } from './shop.service.ts';
import { recognise, who } from './sign-in.service.ts';

export function servePeople(serve: Serve, appContext: AppContext): void {
  serve(api.people.session, (ctx, { req }) => sessionState(ctx.em, personOf(req), ctx.now, appContext.demo));
  serve<typeof api.people.signIn, Who>(
    api.people.signIn,
    async (ctx, { req, res, before: person }) => {
      await endSession(ctx.em, req);
      await beginSession(ctx.em, person, ctx.now, req, res);
      return sessionState(ctx.em, person, ctx.now, appContext.demo);
    },
    (ctx, { body, req }) => recognise(ctx.em, { ...body, ...whereFrom(req) }, ctx.now),
  );
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
  serve(api.people.accounts, (ctx) => accounts(ctx));
  serve(api.people.setRole, (ctx, { params, body }) => setRole(ctx, params.personId, body.role));
  serve(api.people.setActive, (ctx, { params, body }) => setActive(ctx, params.personId, body.active));
  serve(api.people.resetPassphrase, (ctx, { params, body }) => resetPassphrase(ctx, params.personId, body.passphrase));
  serve(api.people.changePassphrase, (ctx, { body, req }) => asOk(changePassphrase(ctx, body, sessionOf(req)!)));
  serve(api.people.signOutEverywhere, async (ctx, { res }) => {
    await signOutEverywhere(ctx);
    removeCookie(res);
    return ok;
  });
}
