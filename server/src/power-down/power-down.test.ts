import type { Visit } from '@eclat/contract';
import { cautionsFor } from '@eclat/core/cautions';
import { familyById, storedSources } from '@eclat/core/movement';
import { DEPTHS, POWER_STATES, type PowerState } from '@eclat/core/workflow';
import fc from 'fast-check';
import { afterAll, beforeAll, expect, it } from 'vitest';
import { openShop, takeIn } from '../../test/shop.ts';

const now = { at: new Date('2031-05-10T09:00:00Z') };
let shop: Awaited<ReturnType<typeof openShop>>;
beforeAll(async () => {
  shop = await openShop(now);
});
afterAll(() => shop.running.stop());

/** Only what is let down or caught in a clamp or barrel is safe (common practice); a tie can burst. */
const isDangerous = (s: PowerState) => s === 'wound' || s === 'unknown' || s === 'tied';

type Press =
  | { kind: 'set'; which: number; state: PowerState }
  | { kind: 'run' | 'wound' | 'begin' | 'stand' }
  | { kind: 'pass'; depth: 'dial side' | 'plates' }
  | { kind: 'step'; opens: (typeof DEPTHS)[number] | null; reason: string };

/** Two springs; one weight that drives two trains; springs of which one is no train's that keeps time. */
const families = fc.constantFrom('mantel-barrels', 'longcase-30-hour', 'riveted-alarm');

const presses: fc.Arbitrary<Press> = fc.oneof(
  {
    weight: 4,
    arbitrary: fc.record({
      kind: fc.constant('set' as const),
      which: fc.nat(1),
      state: fc.constantFrom(...POWER_STATES),
    }),
  },
  {
    weight: 3,
    arbitrary: fc.record({
      kind: fc.constantFrom('run' as const, 'wound' as const, 'begin' as const, 'stand' as const),
    }),
  },
  {
    weight: 2,
    arbitrary: fc.record({
      kind: fc.constant('pass' as const),
      depth: fc.constantFrom('dial side' as const, 'plates' as const),
    }),
  },
  {
    weight: 5,
    arbitrary: fc.record({
      kind: fc.constant('step' as const),
      opens: fc.constantFrom(...DEPTHS, null),
      reason: fc.constantFrom('', '', 'Click broken.'),
    }),
  },
);

it(
  'lets nothing off from the escapement on while a train is wound or unknown, but with a reason; ' +
    'whatever went before',
  async () => {
    await fc.assert(
      fc.asyncProperty(families, fc.array(presses, { minLength: 4, maxLength: 16 }), async (familyId, all) => {
        await shop.marit.ok('PUT', '/session', { name: 'Marit Fennick', passphrase: 'oak wedge nine pins' });
        const { id } = await takeIn(shop.marit, { movement: { name: 'x', familyId } });
        const send = (method: string, path: string, body: object) =>
          shop.marit.send(method, `/visits/${id}/${path}`, body);
        for (const c of cautionsFor(familyById(familyId).traits, 'power'))
          await shop.marit.ok('PUT', `/visits/${id}/cautions/${c.id}`);
        // What an onlooker at the bench knows of the springs.
        const sources = storedSources(familyById(familyId).traits).map((x) => x.id);
        const every = (state: PowerState) => Object.fromEntries(sources.map((x) => [x, state]));
        const spring: Record<string, PowerState> = every('unknown');
        let onTest = false;
        let said: string | null = null;
        for (const press of all) {
          now.at = new Date(now.at.getTime() + 60_000);
          if (press.kind === 'set') {
            const visit = await shop.marit.ok<Visit>('GET', `/visits/${id}`);
            const source = sources[press.which % sources.length]!;
            const { version } = visit.power.find((p) => p.source === source)!;
            await send('PUT', `power/${source}`, { state: press.state, version });
            spring[source] = press.state;
          } else if (press.kind === 'run' && !onTest) {
            await send('POST', 'testrun', { readBy: 'minute hand', place: 'stand' });
            onTest = true;
            Object.assign(spring, every('wound'));
          } else if (press.kind === 'wound' && onTest) {
            await send('POST', 'testrun/events', { kind: 'wound', happenedAt: now.at.toISOString() });
            Object.assign(spring, every('wound'));
          } else if (press.kind === 'stand') {
            const { status } = await send('POST', 'stand-runs', { off: 'dial and hands' });
            if (status === 201) Object.assign(spring, every('wound'));
          } else if (press.kind === 'pass') {
            const { depth } = press;
            await send('POST', 'passes', { reason: 'It stops.', depth });
            said = depth;
          } else if (press.kind === 'begin') await send('POST', 'strip', {});
          else if (press.kind === 'step') {
            const { opens, reason } = press;
            const { status } = await send('POST', 'steps', { what: 'a thing', opens, overrideReason: reason });
            const danger = Object.values(spring).some(isDangerous);
            // A pass under the dial says for its steps how deep they go; a deeper one says nothing.
            const deep = opens ?? (said === 'dial side' ? said : null);
            const shallow = deep === 'hands and dial' || deep === 'dial side';
            expect(status, JSON.stringify({ press, spring })).toBe(danger && !shallow && reason === '' ? 422 : 201);
          }
          const { power, next } = await shop.marit.ok<Visit>('GET', `/visits/${id}`);
          if (Object.values(spring).some(isDangerous)) expect(next.text).not.toMatch(/^Safe/);
          expect(Object.fromEntries(power.map((p) => [p.source, p.state]))).toEqual(spring);
        }
      }),
      { numRuns: 15, seed: 1531, endOnFailure: true },
    );
  },
);

it('says at the field which train it is, and what to do', async () => {
  const { id } = await takeIn(shop.marit, { movement: { name: 'z', familyId: 'mantel-barrels' } });
  await shop.marit.ok('PUT', `/visits/${id}/power/going`, { state: 'let down', version: 1 });
  const step = (more: object) => shop.marit.send('POST', `/visits/${id}/steps`, { what: 'front plate', ...more });
  const message = async (more: object) => (await step(more)).body.fields![0];
  expect(await message({})).toEqual({
    path: 'opens',
    message: 'The strike train is not known to be safe. Say what this opens.',
  });
  expect((await message({ opens: 'plates' }))!.message).toBe(
    'The strike train is not known to be safe. Make it safe first.',
  );
  const hands = await step({ what: 'hands', opens: 'hands and dial' });
  expect(hands.status).toBe(201);
  // Nor by a correction afterwards.
  const later = await shop.marit.send('PATCH', `/visits/${id}/steps/${String(hands.body['id'])}`, {
    opens: 'plates',
    version: 1,
  });
  expect(later.status).toBe(422);
});

it('takes a declared run with parts off for what it is, until it is ended or the power is taken off', async () => {
  const { id } = await takeIn(shop.marit, { movement: { name: 's', familyId: 'fusee' } });
  const ok = (method: string, path: string, body: object = {}) =>
    shop.marit.ok<{ id: string }>(method, `/visits/${id}/${path}`, body);
  const stands = async () => {
    const { next, power, standRuns } = await shop.marit.ok<Visit>('GET', `/visits/${id}`);
    return { urgency: next.urgency, text: next.text, state: power[0]!.state, found: standRuns.at(-1)?.found };
  };
  for (const c of cautionsFor(familyById('fusee').traits, 'power'))
    await shop.marit.ok('PUT', `/visits/${id}/cautions/${c.id}`);
  await ok('PUT', 'power/going', { state: 'let down', version: 1 });
  await ok('POST', 'strip');
  const run = await ok('POST', 'stand-runs', { off: 'dial and hands', watched: 'the beat' });
  expect(await stands()).toMatchObject({
    urgency: 'wait',
    text: 'Runs on the stand, off: dial and hands',
    state: 'wound',
  });
  // Going is no leave to open it.
  const step = await shop.marit.send('POST', `/visits/${id}/steps`, { what: 'platform', opens: 'escapement' });
  expect(step.status).toBe(422);
  expect((await shop.marit.send('POST', `/visits/${id}/stand-runs`, { off: 'case' })).status).toBe(409);
  await ok('PUT', `stand-runs/${run.id}/end`, { found: 'Beat even over a night.' });
  // It is wound still, and nobody says any more that it should be.
  expect(await stands()).toMatchObject({ urgency: 'danger', state: 'wound', found: 'Beat even over a night.' });
  await ok('POST', 'stand-runs', { off: 'case' });
  await ok('PUT', 'power/going', { state: 'let down', version: 3 });
  expect(await stands()).toMatchObject({ urgency: 'next', state: 'let down', found: 'The power was taken off.' });
});
