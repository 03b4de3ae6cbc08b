import type { Book, ClockBook, Visit } from '@eclat/contract';
import { allChecks } from '@eclat/core/checks';
import { holesOf, replacementChecks } from '@eclat/core/movement';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { openShop, letDown, takeIn } from '../../test/shop.ts';

let shop: Awaited<ReturnType<typeof openShop>>;
beforeAll(async () => {
  shop = await openShop();
});
afterAll(() => shop.running.stop());
const see = (id: string) => shop.marit.ok<Visit>('GET', `/visits/${id}`);
const NEW = {
  movement: {
    name: 'New movement of today',
    familyId: 'lever-platform',
    marks: [{ place: 'back plate', text: '340-20' }],
  },
};

describe('a movement in another’s place', () => {
  it('goes in when every point is answered; both books say so, and the visit goes on with the new one', async () => {
    const visit = await letDown(shop.marit, await takeIn(shop.marit));
    const old = visit.movement;
    const put = (path: string, body: object) => shop.marit.send('PUT', `/visits/${visit.id}/${path}`, body);
    const hole = holesOf(old.traits)[0]!.key;
    await put(`holes/${hole}`, {
      pivotMm: 1.2,
      size: { kind: 'measured', holeLongMm: 1.6, holeShortMm: 1.25 },
      verdict: 'bush',
      version: 0,
    });
    // Of the clock: a finding at the dial, the dial at its restorer's, what came off before the movement was reached.
    const of = (place: string, more: object = {}) => ({
      place,
      seen: `Something at the ${place}`,
      severity: 'looks',
      effect: 'none',
      proposal: '',
      earlierRepair: false,
      doNotDisturb: true,
      hours: null,
      cause: '',
      ...more,
    });
    const post = <T>(path: string, body: object) => shop.marit.ok<T>('POST', `/visits/${visit.id}/${path}`, body);
    await post('findings', of('dial'));
    const worn = await post<{ id: string }>('findings', of('plates'));
    // Let down, nobody is asked what a step opens: its word has to do.
    await post('steps', { what: 'hands', heldBy: 'nut', place: 'tub 1' });
    await post('steps', { what: 'front plate', heldBy: 'nut', place: 'tub 2' });
    await post('steps', { what: 'a shim of tin', heldBy: 'lies loose', place: 'tub 2' });
    await post('steps', { what: 'pendulum', heldBy: 'lies loose', place: 'case shelf' });
    await post('custody', { what: 'dial', withWhom: 'a dial restorer', forWhat: 'the chapter ring' });
    await put('observations/dead', { state: 'present' });
    await put('cause', { cause: 'Plates worn out' });
    await put('stages/intake', { state: 'done' });
    await put('stages/survey', { state: 'left', why: 'Worn out.' });
    const fit = (body: object = NEW) =>
      put('replacement', { why: 'Third wheel and plates worn out', fate: 'kept as a donor', ...body });
    expect((await fit()).body.detail).toContain('points are not answered');
    expect((await put('replacement/checks/moon-stub', { answer: 'yes' })).status).toBe(404);
    // A new one may come wound: its nuts are not reached before somebody has said how its springs stand.
    expect((await put('replacement/checks/one-nut', { answer: 'yes' })).body.detail).toContain('springs stand');
    for (const c of replacementChecks(old.traits, ''))
      await put(`replacement/checks/${c.id}`, { answer: c.id === 'shaft' ? 'no' : 'yes' });
    expect((await fit()).body.detail).toContain('say how it is met');
    await put('replacement/checks/shaft', { answer: 'no', note: 'a collet was turned' });
    expect((await fit({ ...NEW, why: 'Odile Tarrowby wants it new' })).body.detail).toContain('owner');
    expect((await fit({ movementId: old.id })).status).toBe(422);
    expect((await fit()).status).toBe(200);
    expect((await fit()).status).toBe(409);

    const after = await see(visit.id);
    expect(after).toMatchObject({
      movement: { name: 'New movement of today' },
      holes: [],
      replacement: { out: { code: old.code, fate: 'kept as a donor' } },
      next: { stage: 'assess' },
    });
    expect(after.stages.filter((s) => s.state !== 'open').map((s) => s.stage)).toEqual([
      'intake',
      'strip',
      'clean',
      'survey',
      'fit',
    ]);
    expect(after.power.map((p) => p.state)).toEqual(['unknown']);
    // The next book reads nothing of the old one's; what is of the clock is still to be answered for.
    expect(after.findings.map((f) => f.place)).toEqual(['dial']);
    expect(after.strip.steps.map((s) => s.what)).toEqual(['hands', 'pendulum']);
    expect(after.strip.custody.map((c) => [c.what, c.backAt])).toEqual([['dial', null]]);
    expect([after.cause, after.observations]).toEqual(['', {}]);
    const out = await see(after.replacement.out!.visitId);
    expect(out.findings.map((f) => f.id)).toEqual([worn.id]);
    expect(out.strip.steps.map((s) => s.what)).toEqual(['front plate', 'a shim of tin']);
    expect([out.cause, out.observations]).toEqual(['Plates worn out', { dead: 'present' }]);
    expect(out).toMatchObject({
      claim: `${visit.claim}-out`,
      closedAt: expect.any(String),
      movement: { code: old.code },
      holes: [{ key: hole }],
    });
    const [was, now] = [
      await shop.marit.ok<Book>('GET', `/movements/${old.id}`),
      await shop.marit.ok<Book>('GET', `/movements/${after.movement.id}`),
    ];
    expect(was.entries.at(-1)).toMatchObject({
      kind: 'replacement',
      title: 'Taken out of its clock',
      text: expect.stringContaining(after.movement.code),
    });
    expect(was.inTheShop).toBeNull();
    expect(now.entries.at(-1)).toMatchObject({
      kind: 'replacement',
      title: `Put into a clock in place of ${old.code}`,
    });
    expect(JSON.stringify([was, now])).not.toContain('Tarrowby');
    // The clock has the new one in it when it comes again.
    const [clock] = await shop.marit.ok<{ clockId: string; movement: { code: string } }[]>(
      'GET',
      `/owners/${visit.owner.id}/clocks`,
    );
    expect(JSON.stringify(clock)).toContain(after.movement.code);
    const { stays, entries } = await shop.marit.ok<ClockBook>('GET', `/clocks/${visit.clock.id}`);
    expect(stays.map((s) => [s.movement.code, s.until === null])).toEqual([
      [after.movement.code, true],
      [old.code, false],
    ]);
    expect(entries.map((e) => [e.movementId, e.kind, e.proof]).sort()).toEqual(
      [
        [old.id, 'replacement', 'proved'],
        [after.movement.id, 'replacement', 'proved'],
      ].sort(),
    );
  });

  // Practice: the moon dial stays with the clock; the new movement drives it, and it is tried with the new one.
  it('drives the work under the dial that stays, and the book says since when', async () => {
    const visit = await takeIn(shop.marit, {
      movement: { name: 'With a moon', familyId: 'longcase', fittings: ['moon work'] },
    });
    const put = (path: string, body: object) => shop.marit.send('PUT', `/visits/${visit.id}/${path}`, body);
    for (const c of replacementChecks(visit.movement.traits, ''))
      await put(`replacement/checks/${c.id}`, { answer: 'yes' });
    const body = {
      why: 'Worn out',
      fate: 'scrapped',
      dialWork: ['moon work'],
      movement: { name: 'A plain one', familyId: 'longcase' },
    };
    expect((await put('replacement', { ...body, dialWork: ['sundial'] })).status).toBe(422);
    expect((await put('replacement', body)).status).toBe(200);
    const { movement } = await see(visit.id);
    expect(allChecks(movement.traits).some((c) => c.id.startsWith('moon'))).toBe(true);
    const described = await shop.marit.ok<{ reason: string }[]>('GET', `/movements/${movement.id}/descriptions`);
    expect(described[0]!.reason).toContain(`stayed with the dial of ${visit.movement.code}`);
  });
});
