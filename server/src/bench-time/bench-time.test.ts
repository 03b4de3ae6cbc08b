import { randomUUID } from 'node:crypto';
import type { BenchTime, Visit } from '@eclat/contract';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { openShop, takeIn } from '../../test/shop.ts';

let shop: Awaited<ReturnType<typeof openShop>>;
beforeAll(async () => {
  shop = await openShop();
});
afterAll(() => shop.running.stop());
const times = async (v: Visit) => (await shop.marit.ok<Visit>('GET', `/visits/${v.id}`)).time;
const pass = (minutes: number) => {
  shop.now.at = new Date(shop.now.at.getTime() + minutes * 60_000);
};

describe('bench time', () => {
  it('is in one place at a time for each person, and says what was left', async () => {
    const [a, b] = [await takeIn(shop.marit), await takeIn(shop.marit)];
    await shop.marit.ok('POST', '/people', {
      name: 'Ines Calloway',
      role: 'technician',
      passphrase: 'oak wedge nine pins',
    });
    const ines = shop.browser();
    await ines.ok('PUT', '/session', { name: 'Ines Calloway', passphrase: 'oak wedge nine pins' });
    await shop.marit.ok('POST', `/visits/${a.id}/time`, { stage: 'strip' });
    pass(1);
    await ines.ok('POST', `/visits/${a.id}/time`, { stage: 'clean' });
    pass(29);
    expect(await shop.marit.ok('POST', `/visits/${b.id}/time`, { stage: 'survey' })).toMatchObject({
      left: a.claim,
      endedAt: null,
    });
    pass(15);
    await shop.marit.ok('PUT', `/visits/${b.id}/time/stopped`);
    expect((await times(a)).map((t) => [t.by, t.stage, t.endedAt])).toEqual([
      ['Marit Fennick', 'strip', '2031-05-02T09:30:00.000Z'],
      ['Ines Calloway', 'clean', null],
    ]);
    expect((await times(b))[0]).toMatchObject({
      startedAt: '2031-05-02T09:30:00.000Z',
      endedAt: '2031-05-02T09:45:00.000Z',
    });

    const [mine] = await times(a);
    expect((await ines.send('DELETE', `/visits/${a.id}/time/${mine!.id}`)).body.title).toBe(
      'This is somebody else’s time.',
    );
    await shop.marit.ok('DELETE', `/visits/${a.id}/time/${mine!.id}`);
    const body = { stage: mine!.stage, startedAt: mine!.startedAt, endedAt: mine!.endedAt! };
    expect(await shop.marit.ok<BenchTime>('PUT', `/visits/${a.id}/time/${mine!.id}`, body)).toEqual(mine);
    expect(
      (await shop.marit.send('PUT', `/visits/${a.id}/time/${randomUUID()}`, { ...body, endedAt: body.startedAt })).body
        .fields![0],
    ).toMatchObject({ path: 'endedAt' });
    expect(
      (
        await shop.marit.send('PUT', `/visits/${a.id}/time/${randomUUID()}`, {
          ...body,
          endedAt: '2099-01-01T00:00:00Z',
        })
      ).body.fields![0],
    ).toMatchObject({ path: 'endedAt' });
  });
});
