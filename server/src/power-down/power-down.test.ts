import { api, type Visit } from '@eclat/contract';
import { cautionsFor } from '@eclat/core/cautions';
import { familyById, holesOf, storedSources } from '@eclat/core/movement';
import { DEPTHS, POWER_STATES, type Depth, type PowerState } from '@eclat/core/workflow';
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
  | { kind: 'allow'; opens: Depth }
  | { kind: 'door'; which: string }
  | { kind: 'step'; opens: Depth | null; reason: string };

type Door = { opens: Depth; send: (hole: string) => [method: string, path: string, body: object] };
const measured = { pivotMm: 1.2, size: { kind: 'measured', holeLongMm: 1.25, holeShortMm: 1.25 } };
const lean = { pivotMm: 1.2, size: { kind: 'lean', leanDeg: 2, plateMm: 2 }, way: 'one-plate' };
const play = { pivotMm: 1.2, size: { kind: 'play', playMm: 0.05, atMm: 20, gapMm: 40 } };
const looked = (hole: object) => (key: string) =>
  ['PUT', `holes/${key}`, { verdict: 'sound', version: 0, ...hole }] as [string, string, object];
const bathed = (name: string) => () =>
  [
    'POST',
    'baths',
    { sequence: 'soapy', bath: 'detergent', minutes: 4, parts: [{ name, materials: ['bare brass'] }] },
  ] as [string, string, object];
const fitted = (kind: string) => () =>
  ['POST', 'parts', { what: kind, kind, source: 'new', oldPart: 'scrapped' }] as [string, string, object];

/** Every door beside the strip log, and how deep a movement is opened before one goes through it. Common practice. */
const DOORS: Record<string, Door> = {
  'a hole by caliper': { opens: 'plates', send: looked(measured) },
  'a hole by lean, one end free': { opens: 'plates', send: looked(lean) },
  'a hole by play, between the plates': { opens: 'hands and dial', send: looked(play) },
  'a hole by feel': { opens: 'hands and dial', send: looked({ pivotMm: null, size: { kind: 'felt' } }) },
  'a pivot turned down': {
    opens: 'plates',
    send: (key) => ['PUT', `parts-looked/pivot.${key}`, { state: 'worn', toMm: 1.1, version: 0 }],
  },
  'a bush': {
    opens: 'plates',
    send: (hole) => ['POST', 'bushes', { hole, pivotMm: 1.2, boreMm: 1.2, outsideMm: 2.5, heightMm: 2 }],
  },
  'a mainspring': { opens: 'barrel', send: fitted('mainspring') },
  'a click': { opens: 'plates', send: fitted('click') },
  'a line on its drum': { opens: 'plates', send: fitted('line') },
  'a glass': { opens: 'hands and dial', send: fitted('glass') },
  'hands into the bath': { opens: 'hands and dial', send: bathed('hands') },
  'motion work into the bath': { opens: 'dial side', send: bathed('motion work') },
  'a balance into the bath': { opens: 'escapement', send: bathed('balance and hairspring') },
  'wheels into the bath': { opens: 'plates', send: bathed('going wheels and arbors') },
  'barrels into the bath': { opens: 'barrel', send: bathed('barrels') },
  'a train together dry': { opens: 'plates', send: () => ['POST', 'dry-fits', { train: null }] },
  'a whole movement into the bath': { opens: 'plates', send: bathed('whole movement, first half') },
  'plates wiped where they are': {
    opens: 'hands and dial',
    send: () => [
      'POST',
      'baths',
      { sequence: 'wipe', bath: null, minutes: 1, parts: [{ name: 'plates', materials: ['lacquered brass'] }] },
    ],
  },
  'a thing that nobody knows, into the bath': { opens: 'plates', send: bathed('the round one') },
  'nothing apart, blotted where it sits': {
    opens: 'hands and dial',
    send: () => ['POST', 'baths', { sequence: 'in-place', bath: null, minutes: 4, parts: [] }],
  },
};

/**
 * What a person can do to a visit, feature by feature. Those that reach into a movement go through the gate above; of
 * the others it is said why they open nothing. A new one has no place here until somebody has said which it is.
 */
const REACHES: Record<string, string> = {
  strip: 'addStep addTrain changeStep',
  cleaning: 'start setBasket',
  survey: 'setHole setPart',
  fitting: 'addBush addPart',
  // By the states of its springs, in its own order.
  replacement: 'setCheck',
  // Its own spring, in its own order of stages.
  subAssemblies: 'setStage startRun',
  // Together dry, and apart again: its plates close and part.
  assembly: 'startDryFit endDryFit',
  powerDown: 'set open beginStrip',
};
const OPENS_NOTHING: Record<string, string> = {
  strip:
    'moveStep removeStep removeSteps setFate openPass closePass addPhase setPhase removePhase ' +
    'addTemporary endTemporary giveOut takeBack',
  cleaning: 'step stop',
  survey: 'removeHole setRestSound clearRest removePart setSound clearSound setPlatePhoto removePlatePhoto',
  // What was done to a part that stays may be done from outside; what was entered wrong of a bush opens nothing.
  fitting: 'setBush setPart addWork removeWork removeBush removePart',
  replacement: 'fit',
  subAssemblies: 'add endRun remove',
  assembly:
    'startStandRun endStandRun addSetting removeSetting setCheck removeCheck addDryTry setDryCure removeDryTry ' +
    'askLook answerLook removeLook addClosing removeClosing',
  oiling: 'setPoint removePoint',
  strike: 'setHeard hearAnew addRelease removeRelease',
  listening: 'add remove',
  testRun: 'start addReading removeReading addEvent removeEvent setConditions',
  benches: 'add change remove',
  visit: 'change setStage setJob readCaution',
};
const AWAY_FROM_IT =
  'reception assessment diagnosis agreement signing casework conservation houseRules notes photos recordings ' +
  'benchTime workings';

it('leaves no door out: whatever can be done to a visit goes through the gate, or opens nothing', () => {
  const words = (s: string | undefined) => s?.split(' ') ?? [];
  for (const [feature, routes] of Object.entries(api)) {
    const commands = Object.entries<{ method: string; path: string }>(routes)
      .filter(([, r]) => r.method !== 'GET' && r.path.startsWith('/visits/:visitId'))
      .map(([name]) => name);
    if (commands.length === 0 || words(AWAY_FROM_IT).includes(feature)) continue;
    expect(words(REACHES[feature]).concat(words(OPENS_NOTHING[feature])).sort(), feature).toEqual(commands.sort());
  }
});

it('shuts each door for as long as nobody knows how the springs stand, and says so where it was typed', async () => {
  const { id, movement } = await takeIn(shop.marit, { movement: { name: 'd', familyId: 'mantel-barrels' } });
  const through = async () => {
    const replies: [string, string | undefined][] = [];
    for (const [i, [name, { send }]] of Object.entries(DOORS).entries()) {
      const [method, path, body] = send(holesOf(movement.traits)[i]!.key);
      const { status, body: said } = await shop.marit.send(method, `/visits/${id}/${path}`, body);
      replies.push([name, status < 400 ? 'open' : said.fields?.[0]?.message]);
    }
    return Object.fromEntries(replies);
  };
  const shut = 'The going train is not known to be safe, the strike train is not known to be safe. Make it safe first.';
  const deep = (d: Door) => DEPTHS.indexOf(d.opens) >= DEPTHS.indexOf('escapement');
  const expected = Object.fromEntries(Object.entries(DOORS).map(([name, d]) => [name, deep(d) ? shut : 'open']));
  expect(await through()).toEqual(expected);
  // Assembled again: what was measured and fitted is entered afterwards; a bath is no entry.
  await shop.marit.ok('PUT', `/visits/${id}/stages/assemble`, { state: 'left', why: 'Together.' });
  const late = await through();
  for (const [name, said] of Object.entries(late))
    if (/bath/.test(name)) expect(said, name).toBe(expected[name]);
    else expect(said, name).not.toBe(shut);
  // It comes apart again: everything is shut anew, though leave was given before.
  await shop.marit.ok('POST', `/visits/${id}/power-overrides`, { opens: 'barrel', reason: 'Click broken.' });
  now.at = new Date(now.at.getTime() + 60_000);
  await shop.marit.ok('POST', `/visits/${id}/passes`, { reason: 'It stops.', depth: 'plates' });
  const again = await through();
  for (const name of ['a bush', 'a mainspring', 'wheels into the bath']) expect(again[name], name).toBe(shut);
});

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
    weight: 1,
    arbitrary: fc.record({ kind: fc.constant('allow' as const), opens: fc.constantFrom(...DEPTHS) }),
  },
  {
    weight: 5,
    arbitrary: fc.record({
      kind: fc.constant('door' as const),
      which: fc.constantFrom(...Object.keys(DOORS)),
    }),
  },
  {
    weight: 4,
    arbitrary: fc.record({
      kind: fc.constant('step' as const),
      opens: fc.constantFrom(...DEPTHS, null),
      reason: fc.constantFrom('', '', 'Click broken.'),
    }),
  },
);

it(
  'lets nothing be done from the escapement on, by any door, while a train is wound or unknown, but with a reason; ' +
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
        // As deep as somebody gave leave since that spring last changed or it came apart again.
        const leave: Record<string, number> = {};
        const allow = (depth: Depth) => {
          for (const x of sources) leave[x] = Math.max(leave[x] ?? -1, DEPTHS.indexOf(depth));
        };
        const noLeave = () => sources.forEach((x) => delete leave[x]);
        const opened = (depth: Depth, unless = false) =>
          unless ||
          DEPTHS.indexOf(depth) < 2 ||
          sources.every((x) => !isDangerous(spring[x]!) || DEPTHS.indexOf(depth) <= (leave[x] ?? -1));
        let n = 0;
        for (const press of all) {
          now.at = new Date(now.at.getTime() + 60_000);
          if (press.kind === 'set') {
            const visit = await shop.marit.ok<Visit>('GET', `/visits/${id}`);
            const source = sources[press.which % sources.length]!;
            const { version } = visit.power.find((p) => p.source === source)!;
            await send('PUT', `power/${source}`, { state: press.state, version });
            spring[source] = press.state;
            delete leave[source];
          } else if (press.kind === 'run' && !onTest) {
            await send('POST', 'testrun', { readBy: 'minute hand', place: 'stand' });
            onTest = true;
            noLeave();
            Object.assign(spring, every('wound'));
          } else if (press.kind === 'wound' && onTest) {
            await send('POST', 'testrun/events', { kind: 'wound', happenedAt: now.at.toISOString() });
            noLeave();
            Object.assign(spring, every('wound'));
          } else if (press.kind === 'stand') {
            const { status } = await send('POST', 'stand-runs', { off: 'dial and hands' });
            if (status === 201) {
              Object.assign(spring, every('wound'));
              noLeave();
            }
          } else if (press.kind === 'pass') {
            const { depth } = press;
            await send('POST', 'passes', { reason: 'It stops.', depth });
            said = depth;
            noLeave();
          } else if (press.kind === 'begin') await send('POST', 'strip', {});
          else if (press.kind === 'step') {
            const { opens, reason } = press;
            const { status } = await send('POST', 'steps', { what: 'a thing', opens, overrideReason: reason });
            // A pass under the dial says for its steps how deep they go; a deeper one says nothing.
            const deep = opens ?? (said === 'dial side' ? said : 'plates');
            const may = opened(deep, reason !== '');
            expect(status, JSON.stringify({ press, spring, leave })).toBe(may ? 201 : 422);
            if (!opened(deep)) allow(deep);
          } else if (press.kind === 'allow') {
            await shop.marit.ok('POST', `/visits/${id}/power-overrides`, {
              opens: press.opens,
              reason: 'Click broken.',
            });
            allow(press.opens);
          } else if (press.kind === 'door') {
            const { opens, send: through } = DOORS[press.which]!;
            const { status } = await send(...through(holesOf(familyById(familyId).traits)[n++]!.key));
            expect(status < 400, JSON.stringify({ press, spring, leave, status })).toBe(opened(opens));
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
