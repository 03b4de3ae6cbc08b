import { randomUUID } from 'node:crypto';
import { addresses } from '@eclat/contract/addresses';
import { foresee, type Waiting } from '@eclat/contract/foreseen';
import { namesGiven } from '@eclat/contract/names-given';
import type { RouteRef, Visit } from '@eclat/contract';
import { walkOf } from '@eclat/core/assess';
import { allChecks } from '@eclat/core/checks';
import { oilChart } from '@eclat/core/oiling';
import { partsToSurvey } from '@eclat/core/pivots';
import sharp from 'sharp';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { openShop, takeIn } from '../../test/shop.ts';

/** Made an hour before the server hears of it. */
const BEGUN = Date.parse('2031-05-02T08:00:00Z');
let made = BEGUN;
let shop: Awaited<ReturnType<typeof openShop>>;
let visit: Visit;
let photo: Buffer;
beforeAll(async () => {
  shop = await openShop();
  visit = await takeIn(shop.marit, { movement: { name: 'Pinned mantel', familyId: 'mantel-barrels' } });
  photo = await sharp({ create: { width: 40, height: 30, channels: 3, background: '#788' } })
    .jpeg()
    .toBuffer();
});
afterAll(() => shop.running.stop());

const api: Record<string, Record<string, RouteRef>> = addresses;
const now = () => shop.marit.ok<Visit>('GET', `/visits/${visit.id}`);

type Made = [route: string, given?: { params?: Record<string, string>; body?: object; query?: object }];

/** What the page shows before the server has answered, and what stands once it has. */
async function both([name, { params = {}, body, query = {} } = {}]: Made) {
  const [feature, command] = name.split('.') as [string, string];
  const { method, path } = api[feature]![command]!;
  const at = new Date((made += 10_000)).toISOString();
  const all: Record<string, string> = { visitId: visit.id, ...params };
  const waiting: Waiting = {
    ...{ method, path, params: all, query, body, key: randomUUID() },
    ...{ by: 'Marit Fennick', at },
  };
  const foreseen = foresee(await now(), waiting);
  if (!foreseen) throw new Error(`${name} is not foreseen`);
  const url = path.replace(/:(\w+)/g, (_, n: string) => encodeURIComponent(all[n]!));
  const answer = await shop.marit.send(
    method,
    `${url}?${new URLSearchParams(query as Record<string, string>)}`,
    name === 'photos.add' ? photo : body,
    { 'idempotency-key': waiting.key, 'eclat-made-at': at },
  );
  expect(answer.status, `${name}: ${answer.text}`).toBeLessThan(300);
  let text = JSON.stringify(foreseen.visit);
  for (const [from, to] of namesGiven(foreseen.reply, answer.body, waiting.key)) text = text.replaceAll(from, to);
  return { foreseen: JSON.parse(text) as Visit, after: await now() };
}

const sorted = ({ next: _reckonedFromTheRestAndNow, ...v }: Visit) => ({
  ...v,
  // Rows without an order of their own.
  holes: v.holes.toSorted((a, b) => a.key.localeCompare(b.key)),
  partConditions: v.partConditions.toSorted((a, b) => a.key.localeCompare(b.key)),
  places: v.places.toSorted((a, b) => a.place.localeCompare(b.place)),
  // Measured and hashed by the server.
  photos: v.photos.map(({ width: _w, height: _h, hash: _x, ...p }) => p),
});

const later = (s: number) => new Date(made + s * 1000).toISOString();
const first = (v: Visit) => allChecks(v.movement.traits)[0]!;

describe('what a page without its server shows is what the server makes of it', () => {
  const felt = { size: { kind: 'felt' }, pivotMm: null };
  const caliper = { kind: 'measured', holeLongMm: 1.31, holeShortMm: 1.25 };
  const DAY: ((v: Visit) => Made)[] = [
    () => ['notes.add', { body: { text: 'Bell loose on its stand.' } }],
    (v) => ['notes.remove', { params: { noteId: v.notes[0]!.id } }],
    () => ['visit.readCaution', { params: { caution: 'wound-spring' } }],
    ...[0, 1].map((n) => (v: Visit): Made => [
      'powerDown.set',
      {
        params: { source: v.power[n]!.source },
        body: { state: 'let down', turns: 3.5, version: v.power[n]!.version },
      },
    ]),
    (v) => [
      'powerDown.set',
      { params: { source: v.power[0]!.source }, body: { state: 'contained', version: v.power[0]!.version } },
    ],
    () => ['powerDown.beginStrip', { body: {} }],
    () => [
      'assessment.addFinding',
      {
        body: {
          ...{ place: 'back plate', seen: 'Punched round the third hole', severity: 'stops it', effect: 'striking' },
          hours: 1.5,
        },
      },
    ],
    (v) => [
      'assessment.changeFinding',
      { params: { findingId: v.findings[0]!.id }, body: { hours: null, version: v.findings[0]!.version } },
    ],
    (v) => [
      'assessment.overturnFinding',
      { params: { findingId: v.findings[0]!.id }, body: { why: 'A factory bush.' } },
    ],
    (v) => ['assessment.removeFinding', { params: { findingId: v.findings[0]!.id } }],
    () => ['photos.add', { query: { stage: 'strip', caption: 'Strike side' } }],
    (v) => [
      'strip.addStep',
      { body: { what: 'hands', place: 'tub 1', photoId: v.photos[0]!.id, opens: 'hands and dial' } },
    ],
    (v) => [
      'strip.changeStep',
      { params: { stepId: v.strip.steps[0]!.id }, body: { note: 'bent', version: v.strip.steps[0]!.version } },
    ],
    (v) => [
      'strip.setFate',
      { params: { stepId: v.strip.steps[0]!.id }, body: { fate: 'replaced', note: 'new pair' } },
    ],
    (v) => ['strip.setFate', { params: { stepId: v.strip.steps[0]!.id }, body: { fate: 'apart' } }],
    () => ['strip.addStep', { body: { what: 'dial' } }],
    (v) => ['strip.moveStep', { params: { stepId: v.strip.steps[1]!.id }, body: { position: 0 } }],
    (v) => ['strip.removeStep', { params: { stepId: v.strip.steps[0]!.id } }],
    () => ['strip.addPhase', { body: { what: 'Strike warning', when: 'outside' } }],
    (v) => ['strip.setPhase', { params: { phaseId: v.strip.phases[0]!.id }, body: { set: true } }],
    () => ['strip.addTemporary', { body: { what: 'tie round the spring' } }],
    (v) => ['strip.endTemporary', { params: { temporaryId: v.strip.temporary[0]!.id }, body: { ended: 'taken out' } }],
    () => ['strip.giveOut', { body: { what: 'fly', withWhom: 'the turner' } }],
    (v) => ['strip.takeBack', { params: { custodyId: v.strip.custody[0]!.id }, body: { back: true, state: 'turned' } }],
    () => ['strip.addStep', { body: { what: 'front plate', opens: 'plates' } }],
    () => ['survey.setHole', { params: { hole: 'T2.front' }, body: { ...felt, verdict: 'sound', version: 0 } }],
    () => [
      'survey.setHole',
      { params: { hole: 'T2.front' }, body: { pivotMm: 1.2, size: caliper, verdict: 'bush', version: 1 } },
    ],
    () => ['survey.setRestSound', { body: { holes: ['T2.front', 'T2.back', 'T3.front', 'T3.back'], way: 'train' } }],
    () => ['survey.clearRest', { body: { holes: ['T3.front', 'T2.front'] } }],
    () => ['survey.removeHole', { params: { hole: 'T2.back' } }],
    (v) => ['photos.change', { params: { photoId: v.photos[0]!.id }, body: { caption: 'The strike side' } }],
    (v) => [
      'assembly.setCheck',
      { params: { check: first(v).id }, body: { result: 'failed', note: 'Tight at the barrel.' } },
    ],
    (v) => ['assembly.addSetting', { params: { check: first(v).id }, body: { what: 'front plate' } }],
    (v) => ['assembly.setCheck', { params: { check: first(v).id }, body: { result: 'passed' } }],
    (v) => ['assembly.removeCheck', { params: { check: first(v).id } }],
    (v) => [
      'oiling.setPoint',
      { params: { point: oilChart(v.movement.traits)[0]!.id }, body: { product: 'clock oil' } },
    ],
    (v) => [
      'oiling.setPoint',
      { params: { point: oilChart(v.movement.traits)[0]!.id }, body: { dry: true, differs: 'A sealed hole.' } },
    ],
    (v) => ['oiling.removePoint', { params: { point: oilChart(v.movement.traits)[0]!.id } }],
    (v) => ['survey.setSound', { body: { parts: partsToSurvey(v.movement.traits).map((p) => p.key) } }],
    (v) => {
      const part = v.partConditions.find((p) => p.key.startsWith('pivot'))!;
      return ['survey.setPart', { params: { part: part.key }, body: { state: 'scored', version: part.version } }];
    },
    (v) => [
      'assessment.setPlace',
      { params: { place: walkOf(v.movement.traits)[0]!.place }, body: { state: 'in order' } },
    ],
    (v) => ['assessment.setPlace', { params: { place: walkOf(v.movement.traits)[0]!.place }, body: { state: null } }],
    () => [
      'cleaning.start',
      {
        body: {
          sequence: 'ultrasonic',
          bath: 'ammoniated water',
          parts: [{ name: 'plates', materials: ['bare brass'] }],
          minutes: 5,
        },
      },
    ],
    (v) => [
      'cleaning.step',
      { params: { bathId: v.baths[0]!.id }, body: { to: 'next', version: v.baths[0]!.version } },
    ],
    (v) => ['cleaning.stop', { params: { bathId: v.baths[0]!.id }, body: { after: 'Bright.' } }],
    (v) => ['strip.addTrain', { body: { train: v.movement.traits.trains[0]!.id, place: 'wire 1' } }],
    (v) => ['strip.removeSteps', { body: { steps: v.strip.steps.slice(-2).map((s) => s.id) } }],
    () => ['visit.setStage', { params: { stage: 'strip' }, body: { state: 'left', why: 'As agreed.' } }],
    () => ['testRun.start', { body: { readBy: 'seconds hand', place: 'shelf 2' } }],
    () => ['testRun.addReading', { body: { readAt: later(3), errorS: 2 } }],
    () => ['testRun.addReading', { body: { readAt: later(1), errorS: -3.5, celsius: 19 } }],
    (v) => ['testRun.removeReading', { params: { readingId: v.testRun!.readings[0]!.id } }],
    () => ['testRun.addEvent', { body: { kind: 'wound', happenedAt: later(2) } }],
    () => ['testRun.setConditions', { body: { stands: 'in its case', level: true, setter: null } }],
  ];

  it('in a day at the bench, change by change, times and versions with it', async () => {
    for (const make of DAY) {
      const change = make(await now());
      const { foreseen, after } = await both(change);
      expect.soft(sorted(foreseen), change[0]).toEqual(sorted(after));
    }
  });
});
