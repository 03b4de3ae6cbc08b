import type { Visit } from '@eclat/contract';
import type { Page } from '@playwright/test';
import { answer, asked, expect, makeSafe, openShop, stage, takeIn, test } from './shop.ts';

/** Two trains and an alarm, fifteen arbors. */
const FAMILY = 'Shelf clock, open springs, with alarm';
const HOLES = 30;
const WORN = ['T2.back', 'T3.front', 'T3.back', 'S2.front', 'S2.back', 'S4.back', 'A1.front'];

async function surveyed(page: Page, address: string): Promise<Visit> {
  const [visitId] = /[0-9a-f-]{36}/.exec(page.url())!;
  return JSON.parse(await asked(page, `${address}/api/visits/${visitId}`)) as Visit;
}

test('thirty holes by feel, seven to bush: a press a hole by key and by finger, and no figure comes of it', async ({
  page,
  server,
}) => {
  await openShop(page, server);
  let presses = 0;
  const key = async (k: string) => {
    await page.keyboard.press(k);
    presses++;
  };
  const inHand = (arbor: string, plate: string) =>
    expect(page.getByRole('heading', { name: new RegExp(`^${arbor} .*, ${plate}$`) })).toBeVisible();
  const looked = async () => {
    await expect(answer(page)).toContainText(`All ${HOLES} holes are looked at`);
    await expect(answer(page)).toContainText('7 to bush: 3 front, 4 back');
    const { holes, partConditions } = await surveyed(page, server.address);
    expect(holes).toHaveLength(HOLES);
    expect(
      holes
        .filter((h) => h.verdict === 'bush')
        .map((h) => h.key)
        .sort(),
    ).toEqual([...WORN].sort());
    // What was felt is no figure: no wear a year can come of it.
    expect(holes.every((h) => h.pivotMm === null && h.holeLongMm === null && h.computed === null)).toBe(true);
    expect(holes.every((h) => h.endShakeMm === null)).toBe(true);
    const said = partConditions.map((l) => `${l.key.split('.')[0]} ${l.state}`);
    expect(said.filter((s) => s === 'polish polished')).toHaveLength(HOLES);
    expect(said.filter((s) => s === 'shake right')).toHaveLength(HOLES / 2);
  };

  await test.step('from the keyboard: each hole its own word', async () => {
    await takeIn(page, FAMILY, 'Kitchen clock');
    await makeSafe(page);
    await stage(page, 'Survey');
    await inHand('T1', 'front');
    for (const [train, arbors] of [
      ['T', 6],
      ['S', 6],
      ['A', 3],
    ] as const) {
      for (const all of ['h', 'y']) await key(all);
      for (let n = 1; n <= arbors; n++)
        for (const plate of ['front', 'back']) {
          await inHand(`${train}${n}`, plate);
          await key(WORN.includes(`${train}${n}.${plate}`) ? 'u' : 's');
        }
    }
    await looked();
    expect(presses).toBeLessThanOrEqual(42);
  });

  await test.step('a measured hole is three numbers and Enter, the caliper never put down', async () => {
    await page.getByRole('button', { name: /^T2 .*, front: sound$/ }).click();
    await page.getByRole('button', { name: 'Clear the verdict' }).click();
    await expect(answer(page)).toContainText(`1 of ${HOLES} holes still to look at`);
    await inHand('T2', 'front');
    presses = 0;
    for (const figure of ['1.20', '1.26', '1.25']) {
      // In one breath, as a caliper does: no key waits for the answer to the one before.
      await Promise.all([...figure].map((sign) => page.keyboard.press(sign)));
      await key('Enter');
    }
    await expect(answer(page)).toContainText(`All ${HOLES} holes are looked at`);
    expect(presses).toBe(3);
    const { holes } = await surveyed(page, server.address);
    expect(holes.find((h) => h.key === 'T2.front')).toMatchObject({
      pivotMm: 1.2,
      holeLongMm: 1.26,
      computed: 'sound',
    });
    expect(holes.filter((h) => h.pivotMm !== null)).toHaveLength(1);
  });

  await test.step('with one finger on a phone', async () => {
    await page.setViewportSize({ width: 390, height: 844 });
    await page.goto(server.address);
    await takeIn(page, FAMILY, 'Second kitchen clock', '6439');
    await makeSafe(page);
    await stage(page, 'Survey');
    presses = 0;
    const press = async (name: RegExp | string) => {
      await page.getByRole('button', { name }).click();
      presses++;
    };
    for (const train of ['T', 'S', 'A']) {
      await inHand(`${train}1`, 'front');
      await press(/^Pivots polished/);
      await press(/^End shake right/);
      for (const hole of WORN.filter((h) => h.startsWith(train))) {
        const [arbor, plate] = hole.split('.') as [string, string];
        await press(new RegExp(`^${arbor} .*, ${plate}: not looked at$`));
        await inHand(arbor, plate);
        await page.getByRole('radio', { name: 'bush', exact: true }).click();
        presses++;
      }
      await press(/^The rest is sound/);
    }
    await looked();
    expect(presses).toBeLessThanOrEqual(48);
    // A slip of the thumb: the last train is taken back, and nothing else.
    await page.getByRole('button', { name: 'Undo' }).last().click();
    await expect(answer(page)).toContainText(`5 of ${HOLES} holes still to look at`);
  });
});
