import { randomUUID } from 'node:crypto';
import { addresses } from '@eclat/contract/addresses';
import { inTheWayOf, toSend, wayBack, type WayBack } from '@eclat/contract/way-back';
import type { RouteRef, Visit } from '@eclat/contract';
import { writeWav } from '@eclat/core/sound';
import sharp from 'sharp';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { DAY, REST, type Made } from '../../test/bench-day.ts';
import { letDown, openShop, takeIn } from '../../test/shop.ts';

let shop: Awaited<ReturnType<typeof openShop>>;
let visit: Visit;
let photo: Buffer;
const sound = Buffer.from(writeWav(new Float32Array(8000).fill(0.25), 16_000));
const FILES: Record<string, () => Buffer> = { 'photos.add': () => photo, 'recordings.add': () => sound };
beforeAll(async () => {
  shop = await openShop();
  photo = await sharp({ create: { width: 40, height: 30, channels: 3, background: '#788' } })
    .jpeg()
    .toBuffer();
});
afterAll(() => shop.running.stop());

const api: Record<string, Record<string, RouteRef>> = addresses;
const NAMES = Object.entries(api).flatMap(([f, routes]) => Object.keys(routes).map((r) => `${f}.${r}`));
const routeOf = (name: string): RouteRef => {
  const [feature, command] = name.split('.') as [string, string];
  return api[feature]![command]!;
};
const comesBack = (name: string): boolean => {
  const { path, inverse } = routeOf(name);
  return path.includes(':visitId') && inverse !== undefined && inverse !== 'final';
};
/** They want a visit before this one, a question of the owner’s, a finding that was taken out: not tried here. */
const AFTER_OTHERS = ['reception.linkCallback', 'agreement.answer', 'assessment.restoreFinding'];
/** The first conditions of a run have none before them to go back to. */
const NOTHING_BEFORE = ['testRun.setConditions'];
const now = () => shop.marit.ok<Visit>('GET', `/visits/${visit.id}`);

async function send([name, { params = {}, body, query = {} } = {}]: Made) {
  shop.now.at = new Date(shop.now.at.getTime() + 10_000);
  const { method, path } = routeOf(name);
  const all: Record<string, string> = { visitId: visit.id, ...params };
  const url = path.replace(/:(\w+)/g, (_, n: string) => encodeURIComponent(all[n]!));
  const answer = await shop.marit.send(
    method,
    `${url}?${new URLSearchParams(query as Record<string, string>)}`,
    FILES[name]?.() ?? body,
    { 'idempotency-key': randomUUID() },
  );
  return { method, path, params: all, body, status: answer.status, text: answer.text, reply: answer.body as unknown };
}
async function make(made: Made): Promise<{ before: Visit; way: WayBack | null }> {
  const before = await now();
  const done = await send(made);
  expect.soft(done.status, `${made[0]}: ${done.text}`).toBeLessThan(300);
  return { before, way: done.status < 300 ? wayBack(before, done) : null };
}
async function takeBack(way: WayBack): Promise<void> {
  const stands = await now();
  expect(inTheWayOf(stands, way), way.of.route).toBeNull();
  const { route, params, body } = toSend(stands, way);
  const done = await send([route, { params, ...(body ? { body } : {}) }]);
  expect(done.status, `${route}: ${done.text}`).toBeLessThan(300);
  for (const next of way.then ?? []) {
    const more = await send([
      next.route,
      { params: { [next.param]: (done.reply as { id: string }).id }, body: next.body },
    ]);
    expect(more.status, more.text).toBeLessThan(300);
  }
}

/** What stands, but for whose word it is and when it was given, and what was said before. */
const PASSING = new Set([
  'id',
  'version',
  'by',
  'at',
  'next',
  'log',
  'number',
  'fateBy',
  'fateAt',
  'stepStartedAt',
  'doneAt',
]);
const HISTORY = new Set(['earlierWords', 'earlierChecks', 'earlier', 'stepsDone', 'done']);
const standing = (part: unknown): unknown => {
  if (Array.isArray(part)) return part.map(standing);
  if (typeof part !== 'object' || part === null) return part;
  return Object.fromEntries(
    Object.entries(part)
      .filter(([name]) => !PASSING.has(name) && !HISTORY.has(name))
      .map(([name, value]) => [name, standing(value)]),
  );
};
const sorted = ({ holes, partConditions, places, ...v }: Visit) => ({
  ...(standing(v) as object),
  holes: standing(holes.toSorted((a, b) => a.key.localeCompare(b.key))),
  partConditions: standing(partConditions.toSorted((a, b) => a.key.localeCompare(b.key))),
  places: standing(places.toSorted((a, b) => a.place.localeCompare(b.place))),
});

const tried = new Set<string>();
/** Made, taken back, and made again: what stood before stands again in between. */
async function thereAndBack(made: Made): Promise<void> {
  const { before, way } = await make(made);
  if (!way) return expect.soft(comesBack(made[0]) && !NOTHING_BEFORE.includes(made[0]), made[0]).toBe(false);
  tried.add(made[0]);
  await takeBack(way);
  expect.soft(sorted(await now()), made[0]).toEqual(sorted(before));
}

describe('what is undone', () => {
  it('leaves a visit as it stood before, change by change through a day at the bench', async () => {
    visit = await takeIn(shop.marit, { movement: { name: 'Pinned mantel', familyId: 'mantel-barrels' } });
    for (const made of DAY) {
      await thereAndBack(made(await now()));
      await send(made(await now()));
    }
  });

  it('is every other change that does not say that it is final', async () => {
    visit = await takeIn(shop.marit, { movement: { name: 'Pinned mantel', familyId: 'mantel-barrels' } });
    await letDown(shop.marit, visit);
    await shop.marit.ok('PUT', `/visits/${visit.id}/cautions/wound-spring`);
    await shop.marit.ok('POST', `/visits/${visit.id}/strip`, {});
    for (const made of REST) {
      await thereAndBack(made(await now()));
      await send(made(await now()));
    }
    expect(NAMES.filter((n) => comesBack(n) && !tried.has(n) && !AFTER_OTHERS.includes(n))).toEqual([]);
  });

  it('is not undone once somebody changed it, or something else speaks of it, and that is said', async () => {
    visit = await takeIn(shop.marit, { movement: { name: 'Pinned mantel', familyId: 'mantel-barrels' } });
    const seen = { place: 'back plate', seen: 'Worn hole', severity: 'stops it', effect: 'timekeeping' };
    const { way } = await make(['assessment.addFinding', { body: seen }]);
    const { id, version } = (await now()).findings[0]!;
    expect(inTheWayOf(await now(), way!)).toBeNull();
    const line = { kind: 'labour', what: 'Bush the hole', quantity: '1', price: '40', findingId: id };
    const second = await make(['agreement.addLine', { body: line }]);
    expect(inTheWayOf(await now(), way!)).toBe('“Bush the hole” depends on it.');
    await takeBack(second.way!);
    await make(['assessment.changeFinding', { params: { findingId: id }, body: { hours: 2, version } }]);
    expect(inTheWayOf(await now(), way!)).toBe('it was changed since.');
    await send(['assessment.removeFinding', { params: { findingId: id } }]);
    expect(inTheWayOf(await now(), way!)).toBe('it is not there any more.');
  });

  it('never is a word on power: who undoes it has not let a spring down', async () => {
    const { source, version } = visit.power[0]!;
    const { way } = await make(['powerDown.set', { params: { source }, body: { state: 'let down', version } }]);
    expect(way).toBeNull();
  });
});
