import type { BenchRow, Visit } from '@eclat/contract';
import { SYMPTOM_IDS } from '@eclat/core/faults';
import { familyById, holesOf, storedSources } from '@eclat/core/movement';
import { oilChart } from '@eclat/core/oiling';
import { visitFacts } from '@eclat/core/visit';
import { DEPTHS, SHAPE_IDS, STAGE_IDS, STAGE_STATES, POWER_STATES } from '@eclat/core/workflow';
import fc from 'fast-check';
import { afterAll, beforeAll, expect, it } from 'vitest';
import { openShop, takeIn } from '../../test/shop.ts';
import { benchFacts } from './bench-list.ts';

const now = { at: new Date('2031-05-02T09:00:00Z') };
let shop: Awaited<ReturnType<typeof openShop>>;
beforeAll(async () => {
  shop = await openShop(now);
});
afterAll(() => shop.running.stop());

type Press = readonly [method: string, path: string, body?: object];
const LINE = { kind: 'labour', what: 'Clean', quantity: '1', price: '10' };
const RUN = {
  sequence: 'soapy',
  bath: 'detergent',
  parts: [{ name: 'plates', materials: ['bare brass'] }],
  minutes: 5,
};
const HOLE = { pivotMm: 1.2, size: { kind: 'measured', holeLongMm: 1.6, holeShortMm: 1.25 } };
const BUSH = { pivotMm: 1.2, boreMm: 1.25, outsideMm: 2.5, heightMm: 2 };
const ROUTES = ['cure', 'overhaul'];
const TRIAL = { expected: 'strikes for a week', reviewOn: '2031-05-12' };
const GIVEN = { how: 'phone', who: 'the owner' };

/** Any press that the bench may depend on. Many are refused in many states: what they leave is what counts. */
function presses(visit: Visit): fc.Arbitrary<Press> {
  const { traits } = visit.movement;
  const holes = holesOf(traits).slice(0, 4);
  const of = (path: string) => `/visits/${visit.id}/${path}`;
  const flag = fc.boolean();
  const hole = fc.constantFrom(...holes.map((h) => h.key));
  return fc.oneof(
    fc
      .tuple(fc.constantFrom(...STAGE_IDS.filter((s) => s !== 'sign')), fc.constantFrom(...STAGE_STATES))
      .map(([s, state]): Press => ['PUT', of(`stages/${s}`), { state, why: 'not wanted' }]),
    fc
      .tuple(fc.constantFrom(...SHAPE_IDS), fc.constantFrom(null, TRIAL), fc.constantFrom('the same', 'the shop'))
      .map(([shape, trial, is]): Press => {
        const terms = trial ? 'trial' : 'free';
        return ['POST', of('job'), { shape, terms, trial, reason: 'asked for', whose: { is } }];
      }),
    fc.constant<Press>(['POST', of('findings'), { place: 'case', seen: 'loose', severity: 'looks', effect: 'looks' }]),
    fc
      .tuple(fc.constantFrom(...SYMPTOM_IDS.slice(0, 3)), fc.constantFrom('present', 'absent', null))
      .map(([s, state]): Press => ['PUT', of(`observations/${s}`), { state }]),
    fc
      .tuple(fc.subarray(ROUTES), flag)
      .map(([routes, optional]): Press => ['POST', of('lines'), { ...LINE, routes, optional }]),
    fc.constantFrom(...ROUTES, null).map((route): Press => ['PUT', of('route'), { route, ...GIVEN }]),
    fc
      .tuple(hole, fc.constantFrom('bush', 'sound'), fc.nat(2))
      .map(([h, verdict, version]): Press => ['PUT', of(`holes/${h}`), { ...HOLE, verdict, version }]),
    fc.tuple(hole, flag).map(([h, off]): Press => ['POST', of('bushes'), { ...BUSH, hole: h, off }]),
    fc.constant<Press>(['POST', of('baths'), RUN]),
    fc.constant<Press>(['POST', of('casework'), { place: 'case', what: 'Coat', waitHours: 2 }]),
    fc.constantFrom(...oilChart(traits).slice(0, 3)).map((p): Press => ['PUT', of(`oil/${p.id}`), {}]),
    fc.constant<Press>(['POST', of('testrun'), { readBy: 'seconds hand', place: 'stand' }]),
    fc
      .integer({ min: -100, max: 100 })
      .map((errorS): Press => ['POST', of('testrun/readings'), { readAt: now.at.toISOString(), errorS }]),
    fc
      .constantFrom('stopped', 'wound', 'set')
      .map((kind): Press => ['POST', of('testrun/events'), { kind, happenedAt: now.at.toISOString() }]),
    fc.constantFrom(...DEPTHS).map((depth): Press => ['POST', of('passes'), { reason: 'it stops', depth }]),
    fc.constant<Press>(['POST', of('steps'), { what: 'hands', opens: 'hands and dial' }]),
    fc.constant<Press>(['POST', of('stand-runs'), { off: 'dial' }]),
    fc.constantFrom('alarm', 'dial work').map((name): Press => ['POST', of('units'), { name }]),
    ...visit.units.map((u) => fc.constant<Press>(['POST', of(`units/${u.id}/runs`), { driven: 'by hand' }])),
    ...visit.units.map((u) => fc.constant<Press>(['DELETE', of(`units/${u.id}`)])),
    fc
      .tuple(fc.constantFrom(...storedSources(traits)), fc.constantFrom(...POWER_STATES))
      .map(([s, state]): Press => ['PUT', of(`power/${s.id}`), { state, version: 1 }]),
    fc.constantFrom(longcase, oneChain).map((t): Press => ['POST', description(visit), { ...t, version: 1 }]),
  );
}

const longcase = { traits: familyById('longcase').traits, familyId: 'longcase', reason: 'found so' };
const oneChain = { ...longcase, traits: familyById('longcase-30-hour').traits };
const description = (visit: Visit) => `/movements/${visit.movement.id}/descriptions`;

it('the bench, from its one quick question, finds what the whole visit comes to, whatever was pressed', async () => {
  await fc.assert(
    fc.asyncProperty(fc.constantFrom('mantel-barrels', 'torsion', 'longcase'), fc.gen(), async (familyId, gen) => {
      const { id } = await takeIn(shop.marit, { movement: { name: 'x', familyId } });
      for (const name of ['platform', 'chime block']) await shop.marit.ok('POST', `/visits/${id}/units`, { name });
      const visit = await shop.marit.ok<Visit>('GET', `/visits/${id}`);
      for (const press of gen(fc.array, presses(visit), { minLength: 5, maxLength: 25 })) {
        now.at = new Date(now.at.getTime() + 3 * 3_600_000);
        await shop.marit.ok('PUT', '/session', { name: 'Marit Fennick', passphrase: 'oak wedge nine pins' });
        await shop.marit.send(...press);
      }
      const view = await shop.marit.ok<Visit>('GET', `/visits/${id}`);
      const at = now.at.getTime();
      const quick = (await benchFacts(shop.running.appContext.orm.em.fork())).find((f) => f.id === id)!;
      const comparable = (f: ReturnType<typeof visitFacts>) => ({
        ...f,
        power: [...f.power].sort(),
      });
      expect(comparable(visitFacts(quick, at))).toEqual(comparable(visitFacts(view, at)));
      const row = (await shop.marit.ok<BenchRow[]>('GET', '/bench')).find((r) => r.visitId === id)!;
      expect(row.next).toEqual(view.next);
    }),
    { numRuns: 12, seed: 20311, endOnFailure: true },
  );
});
