import { randomUUID } from 'node:crypto';
import { api, ROLES, type Role, type Route } from '@eclat/contract';
import type { Router } from 'express';
import { pino } from 'pino';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { openShop, PASS, type Browser } from '../../../test/shop.ts';
import { createApp } from '../../app.ts';

type Who = Role | 'stranger';
const WHO: readonly Who[] = ['stranger', ...ROLES];

/** Files and streams, which are no JSON: they stand beside the contract, and here. */
const BESIDE: readonly (readonly [method: string, path: string, roles: readonly Role[] | 'public'])[] = [
  ['GET', '/live', ROLES],
  ['GET', '/openapi.json', ROLES],
  ['GET', '/stores-table', ROLES],
  ['GET', '/photos/:photoId/:size', ROLES],
  ['GET', '/recordings/:recordingId/sound', ROLES],
  ['GET', '/visits/:visitId/papers/:file', ROLES],
  ['GET', '/movements/:id/book.zip', ROLES],
  ['GET', '/clocks/:id/book.zip', ROLES],
  ['GET', '/exchange/card', 'public'],
  ['POST', '/exchange/:want', 'public'],
  ['GET', '/calendar/:token', 'public'],
  ['GET', '/books/:token', 'public'],
  ['GET', '/books/:token/book.json', 'public'],
  ['GET', '/books/:token/schema/:name', 'public'],
  ['GET', '/books/:token/photos/:file', 'public'],
  ['GET', '/for-owner/:token/photos/:photoId', 'public'],
];
const CONTRACT = Object.values(api).flatMap((routes) =>
  Object.values(routes as unknown as Record<string, Route>).map((r) => [r.method as string, r.path, r.roles] as const),
);
const DOORS = [...CONTRACT, ...BESIDE];
/** Their effect on whoever sends: here only those are sent who are refused. */
const ENDS_THE_SENDER = ['DELETE /session', 'DELETE /sessions', 'GET /live'];

let shop: Awaited<ReturnType<typeof openShop>>;
const seats = new Map<Who, Browser>();
beforeAll(async () => {
  shop = await openShop();
  seats.set('stranger', shop.browser());
  seats.set('owner-of-shop', shop.marit);
  for (const role of ['counter', 'technician'] as const) {
    await shop.marit.ok('POST', '/people', { name: `Somebody, ${role}`, role, passphrase: PASS });
    const browser = shop.browser();
    await browser.ok('PUT', '/session', { name: `Somebody, ${role}`, passphrase: PASS });
    seats.set(role, browser);
  }
});
afterAll(() => shop.running.stop());

describe('who may', () => {
  it('is said of every door that the server has', () => {
    const app = createApp(shop.running.appContext, {
      live: {} as never,
      log: pino({ level: 'silent' }),
      web: '/nowhere',
      proxies: 0,
    });
    interface Layer {
      route?: { path: string; methods: Record<string, boolean> };
      handle: { stack?: Layer[] };
    }
    const within = (stack: Layer[]): string[] =>
      stack.flatMap(({ route, handle }) =>
        route ? Object.keys(route.methods).map((m) => `${m.toUpperCase()} ${route.path}`) : within(handle.stack ?? []),
      );
    const served = within((app.router as Router).stack as unknown as Layer[]);
    const said = DOORS.map(([method, path]) => `${method} ${path}`);
    expect(served.length).toBeGreaterThan(200);
    expect(served.filter((d) => d !== 'GET /healthz' && !said.includes(d))).toEqual([]);
    expect(said.filter((d) => !served.includes(d))).toEqual([]);
  });

  it.each(WHO)('holds for %s at every door', async (who) => {
    const wrong: string[] = [];
    for (const [method, path, roles] of DOORS) {
      const may = roles === 'public' || (who !== 'stranger' && roles.includes(who));
      if (may && ENDS_THE_SENDER.includes(`${method} ${path}`)) continue;
      const address = path.replace(/:\w+/g, () => randomUUID());
      // A body that no door takes: whoever may is told so, and nothing is done.
      const body = method === 'GET' ? undefined : { nothing: 'of this' };
      const { status } = await seats.get(who)!.send(method, address, body);
      const refused = who === 'stranger' ? 401 : 403;
      // Signing in is everybody's, and says 401 of a wrong pair, never 403.
      if (may ? status === 401 || status === 403 : status !== refused) wrong.push(`${method} ${path}: ${status}`);
    }
    expect(wrong).toEqual([]);
  });
});
