import type { Entry, Finding, SubAssembly, Visit, WantedThing } from '@eclat/contract';
import { HALVES, usualParts } from '@eclat/core/cleaning';
import { cautionsFor } from '@eclat/core/cautions';
import { allChecks } from '@eclat/core/checks';
import { familyById, holesOf, replacementChecks } from '@eclat/core/movement';
import { oilChart } from '@eclat/core/oiling';
import { UNIT_STAGES, type StageId } from '@eclat/core/workflow';
import { afterAll, beforeAll, expect, it } from 'vitest';
import { JOBS, type Plan } from '../../test/jobs.ts';
import { newClock, openShop, PASS } from '../../test/shop.ts';

const now = { at: new Date('2031-05-02T09:00:00Z') };
let shop: Awaited<ReturnType<typeof openShop>>;
beforeAll(async () => {
  shop = await openShop(now);
  await shop.marit.ok('POST', '/people', { name: 'Ines Calloway', role: 'technician', passphrase: PASS });
});
afterAll(() => shop.running.stop());

const sayNothing = 'Watched over its whole wind on the wall, with the dial off at first.';

/** Numbers that somebody would have had to measure, wherever they stand; counts and versions are none. */
function figures(body: unknown): number[] {
  if (typeof body === 'number') return [body];
  if (typeof body !== 'object' || body === null) return [];
  return Object.entries(body).flatMap(([key, value]) =>
    ['version', 'traits', 'count'].includes(key) ? [] : figures(value),
  );
}

const visitOf = (id: string) => shop.marit.ok<Visit>('GET', `/visits/${id}`);

/** A job as it is played, each command counted and looked through for figures. */
async function played(plan: Plan) {
  const measured: number[] = [];
  let commands = 0;
  const send = async <T = Record<string, unknown>>(method: string, path: string, body: object = {}): Promise<T> => {
    commands++;
    measured.push(...figures(body));
    return shop.marit.ok<T>(method, path, body);
  };
  const { traits } = familyById(plan.family);
  const described = plan.traits?.(traits);
  const movement = {
    ...{ name: plan.what, familyId: plan.family },
    ...(described && { traits: described }),
  };
  const { id } = await send<Visit>('POST', '/visits', {
    ...newClock({ movement, clock: { description: plan.what }, received: [] }),
    ...{ shape: plan.shape, terms: plan.terms ?? 'guaranteed' },
    ...(plan.own && { owner: undefined, ownStock: true }),
  });
  const at = (path: string) => `/visits/${id}/${path}`;
  const visit = () => visitOf(id);
  const units = new Map<string, SubAssembly>();
  for (const name of plan.units ?? []) units.set(name, await send<SubAssembly>('POST', at('units'), { name }));
  await found(plan, send, at);
  for (const stage of plan.bringsIn ?? []) await send('PUT', at(`stages/${stage}`), { state: 'open' });

  let { another } = plan;
  const open = async () => (await visit()).stages.find((s) => s.state === 'open' && s.stage !== 'sign')?.stage;
  for (let stage = await open(); stage; stage = await open()) {
    now.at = new Date(now.at.getTime() + 60_000);
    await WORK[stage]?.(plan, send, at, await visit());
    const why = plan.leaves?.[stage];
    await send('PUT', at(`stages/${stage}`), why ? { state: 'left', why } : { state: 'done' });
    if (stage === 'power' && another) {
      await putIn(send, at, await visit(), another);
      another = undefined;
    }
  }
  for (const [name, unit] of units)
    for (const stage of UNIT_STAGES)
      await send('PUT', at(`units/${unit.id}/stages/${stage}`), { state: 'done', why: name });
  if (plan.prognosis) await send('PATCH', `/visits/${id}`, { ...plan.prognosis, version: (await visit()).version });
  const entry = await send<Entry>('POST', at('signature'), { passphrase: PASS, note: plan.finds, waiver: sayNothing });
  return { entry, measured, commands };
}

/** What is found, what that brought about, what a later look says of it. */
async function found(plan: Plan, send: Send, at: (p: string) => string): Promise<void> {
  const says = { severity: 'harms it', effect: 'none' };
  const first = await send('POST', at('findings'), { ...says, place: 'movement', seen: plan.finds });
  const followsFrom = (first as unknown as Finding).id;
  if (plan.leadsTo) await send('POST', at('findings'), { ...says, place: 'lever', seen: plan.leadsTo, followsFrom });
  if (plan.later) await send('PUT', at(`findings/${followsFrom}/overturned`), { why: plan.later });
}

/** Another movement in the old one's place, each point answered. */
async function putIn(send: Send, at: (p: string) => string, v: Visit, name: string): Promise<void> {
  const early = await shop.marit.send('PUT', at('stages/assemble'), { state: 'done' });
  expect(early.body.detail).toContain('not in yet');
  for (const c of replacementChecks(v.movement.traits, ''))
    await send('PUT', at(`replacement/checks/${c.id}`), { answer: 'yes' });
  const movement = { name, familyId: v.movement.familyId };
  await send('PUT', at('replacement'), { why: 'Not worth an overhaul.', fate: 'kept as a donor', movement });
  expect((await visitOf(v.id)).power.every((p) => p.state === 'unknown')).toBe(true);
}

type Send = (method: string, path: string, body?: object) => Promise<Record<string, unknown>>;
/** What is done at each stage; by feel wherever a person would judge by feel. */
const WORK: Partial<Record<StageId, (plan: Plan, send: Send, at: (p: string) => string, v: Visit) => Promise<void>>> = {
  async power(_, send, at, v) {
    for (const c of cautionsFor(v.movement.traits, 'power')) await shop.marit.ok('PUT', at(`cautions/${c.id}`));
    for (const { source, version } of v.power) await send('PUT', at(`power/${source}`), { state: 'let down', version });
    if (v.stages.some((s) => s.stage === 'strip' && s.state === 'open')) await send('POST', at('strip'));
  },
  async diagnose({ cause, causeBefore }, send, at) {
    if (causeBefore) await send('PUT', at('cause'), { cause: causeBefore.said });
    if (cause && causeBefore) await send('PUT', at('cause'), { cause, why: causeBefore.why });
    else if (cause) await send('PUT', at('cause'), { cause });
  },
  async agree({ asked }, _, at) {
    if (!asked) return;
    // Hours of an estimate are agreed, nothing that anybody measured.
    const line = { kind: 'labour', what: asked, quantity: '6', price: '50' };
    const { id, version } = await shop.marit.ok<{ id: string; version: number }>('POST', at('lines'), line);
    await shop.marit.ok('PUT', at(`lines/${id}/decision`), {
      state: 'accepted',
      version,
      how: 'phone',
      who: 'the owner',
    });
  },
  async clean(plan, _, at, v) {
    const usual = usualParts(v.movement.traits);
    const named = (names: readonly string[]) => {
      const parts = usual.filter((p) => names.includes(p.name));
      expect(parts.map((p) => p.name)).toEqual(names);
      return parts;
    };
    const run = async (body: object) => {
      const { id } = await shop.marit.ok<{ id: string }>('POST', at('baths'), { minutes: 4, ...body });
      await shop.marit.ok('PUT', at(`baths/${id}/stopped`), { after: 'Even and clean.' });
    };
    const whole = usual.find((p) => p.name === 'whole movement')!;
    for (const half of plan.halves ? HALVES.filter((h) => h !== 'all of it') : [])
      await run({ sequence: 'whole', bath: 'detergent', parts: [{ ...whole, name: `${whole.name}, ${half}` }] });
    if (plan.wipes) await run({ sequence: 'wipe', bath: null, parts: named(plan.wipes) });
    if (plan.ownWay) await run({ sequence: await ownWay(), bath: null, parts: named(['plates']) });
    for (const basket of plan.baths ?? []) await run({ sequence: 'soapy', bath: 'detergent', parts: named(basket) });
  },
  async strip(_, send, at) {
    await send('POST', at('steps'), { what: 'hands', opens: 'hands and dial' });
  },
  async survey(_, send, at, v) {
    const felt = { pivotMm: null, size: { kind: 'felt' }, way: 'in-place' };
    for (const [i, h] of holesOf(v.movement.traits).entries())
      await send('PUT', at(`holes/${h.key}`), { ...felt, verdict: i % 9 === 8 ? 'not reached' : 'sound', version: 0 });
  },
  async fit(plan, send, at) {
    for (const { what, steps } of plan.missing ?? []) {
      const { id } = (await send('POST', at('wanted'), { what })) as unknown as WantedThing;
      for (const step of steps) await send('POST', at(`wanted/${id}/steps`), step);
    }
    if (plan.dry) {
      const { id } = await send('POST', at('dry-fits'), { train: null });
      await send('PUT', at(`dry-fits/${String(id)}/end`), {});
    }
    for (const did of plan.work ?? []) await send('POST', at('work'), { part: 'movement', did, reversible: true });
  },
  async assemble({ closes }, send, at, v) {
    if (closes) {
      const { id } = await send('POST', at('second-looks'), { what: 'before the plates close' });
      const ines = shop.browser();
      await ines.ok('PUT', '/session', { name: 'Ines Calloway', passphrase: PASS });
      await ines.ok('PUT', at(`second-looks/${String(id)}`), { word: 'in order' });
      await send('POST', at('closings'), closes);
    }
    for (const s of v.strip.steps) await send('PUT', at(`steps/${s.id}/fate`), { fate: 'on again' });
  },
  async oil(_, send, at, v) {
    for (const p of oilChart(v.movement.traits)) await send('PUT', at(`oil/${p.id}`), { product: '' });
  },
  async run(plan, send, at, v) {
    if (plan.runsWithout) {
      const run = await send('POST', at('stand-runs'), { off: plan.runsWithout });
      await send('PUT', at(`stand-runs/${String(run['id'])}/end`), { found: 'Even.' });
    }
    await send('POST', at('testrun'), { readBy: 'minute hand', place: 'wall' });
    if (plan.leaves?.run) return;
    for (const c of allChecks(v.movement.traits)) await send('PUT', at(`checks/${c.id}`), { result: 'passed' });
  },
};

/** Petroleum spirit, hot water, a dewatering fluid, warm air once the vapour has gone. */
async function ownWay(): Promise<string> {
  const step = (what: string, bath: string | null, more: object = {}) => ({
    what,
    bath,
    minutes: 2,
    celsius: null,
    times: 1,
    ...more,
  });
  const steps = [
    step('Spirit, brush', 'petroleum solvent'),
    step('Hot water', 'water', { celsius: 60, times: 2 }),
    step('Into the fluid', 'dewatering fluid'),
    step('Warm air', null, { celsius: 40, minutes: null }),
  ];
  const body = { name: 'Spirit and hot water', steps };
  return (await shop.marit.ok<{ id: string }>('POST', '/sequences', body)).id;
}

/** What of the plan stands in the record. */
function toldIn({ record }: Entry, plan: Plan): void {
  const { condition, job, cleaned } = record!;
  const runs = (plan.baths?.length ?? 0) + (plan.halves ? 2 : 0) + (plan.wipes ? 1 : 0) + (plan.ownWay ? 1 : 0);
  expect(cleaned).toHaveLength(runs);
  const seen = condition.map((c) => c.seen).join(' ');
  if (plan.leadsTo) expect(seen).toContain(`${plan.leadsTo} Because of movement: ${plan.finds}`);
  if (plan.later) expect(seen).toContain(`${plan.finds} Later look: ${plan.later}`);
  if (plan.prognosis) expect(job!.trial).toContain(plan.prognosis.prognosis.replace(/\.$/, ''));
}

it.each(JOBS)('$what: opened, described, worked and signed with no figure that nobody measured', async (plan) => {
  await shop.marit.ok('PUT', '/session', { name: 'Marit Fennick', passphrase: PASS });
  const { entry, measured, commands } = await played(plan);
  expect(measured).toEqual([]);
  expect(entry.title).toMatch(plan.title);
  const { notDone = [], job } = entry.record!;
  toldIn(entry, plan);
  expect(job!.shape).not.toBe('');
  // What the shape goes without is said, with why; a full overhaul has nothing to say.
  expect(notDone.length > 0, JSON.stringify(notDone)).toBe(plan.shape !== 'overhaul' || plan.own === true);
  if (process.env['ECLAT_PRINT']) console.info([plan.what, plan.shape, commands, notDone.join(' | ')].join('\t'));
});
