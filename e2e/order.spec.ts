import { clockIn, expect, photograph, stage, test } from './shop.ts';
import type { Locator, Page } from '@playwright/test';

/** Takes hold of one, and lets go on another. */
async function drag(page: Page, from: Locator, to: Locator): Promise<void> {
  const middle = async (at: Locator) => {
    const box = (await at.boundingBox())!;
    return [box.x + box.width / 2, box.y + box.height / 2] as const;
  };
  await page.mouse.move(...(await middle(from)));
  await page.mouse.down();
  await page.mouse.move(...(await middle(to)), { steps: 12 });
  await page.mouse.up();
}

test('photos, steps and tasks are put in their order by mouse and by keyboard, and back by undo', async ({
  page,
  server,
}) => {
  const { visitId, now } = await clockIn(page, server);
  const send = (path: string, body: unknown) =>
    page.evaluate(
      ([url, said]) =>
        fetch(url!, {
          method: 'POST',
          headers: { 'content-type': 'application/json', 'idempotency-key': crypto.randomUUID() },
          body: said!,
        }).then((reply) => reply.status),
      [`/api/visits/${visitId}/${path}`, JSON.stringify(body)],
    );
  const grip = (name: string) => page.getByRole('button', { name: `Move ${name}`, exact: true });

  const heard = (words: string) => expect(page.getByRole('status').filter({ hasText: words })).toBeAttached();

  await test.step('what came off: the last one stands first', async () => {
    for (const what of ['hands', 'dial', 'bell'])
      expect(await send('steps', { opens: 'hands and dial', what, heldBy: 'pin', place: 'tray' })).toBe(201);
    const steps = async () => (await now()).strip.steps.map((s) => s.what);
    await stage(page, 'Strip');
    await drag(page, grip('bell'), grip('hands'));
    await expect.poll(steps).toEqual(['bell', 'hands', 'dial']);
    await heard('bell: put at 3 of 3.');
    await grip('dial').focus();
    for (const [key, says] of [
      ['Space', 'dial: 1 of 3.'],
      ['ArrowDown', 'dial: 2 of 3.'],
      ['Space', 'dial: put at 2 of 3.'],
    ] as const) {
      await page.keyboard.press(key);
      await heard(says);
    }
    await expect.poll(steps).toEqual(['bell', 'dial', 'hands']);
    await page.keyboard.press('Control+Z');
    await expect.poll(steps).toEqual(['bell', 'hands', 'dial']);
    expect((await now()).strip.steps.map((s) => s.version)).toEqual([1, 1, 1]);
  });

  await test.step('tasks that are still to do', async () => {
    for (const what of ['Door hung', 'Lock eased', 'Plinth glued'])
      expect(await send('casework', { place: 'case', what })).toBe(201);
    const tasks = async () => (await now()).casework.map((t) => t.what);
    await page.goto(page.url().replace(/strip$/, 'case'));
    await page.getByRole('button', { name: 'Later: Door hung' }).click();
    await expect.poll(tasks).toEqual(['Lock eased', 'Door hung', 'Plinth glued']);
    await drag(page, grip('Plinth glued'), grip('Lock eased'));
    await expect.poll(tasks).toEqual(['Plinth glued', 'Lock eased', 'Door hung']);
    await expect(page.locator('li b')).toContainText(['to do', 'Plinth glued']);
  });

  await test.step('photos', async () => {
    await page.keyboard.press('l');
    for (const name of ['one', 'two', 'three'])
      await page
        .getByRole('dialog')
        .getByLabel('Choose photos')
        .setInputFiles({ name: `${name}.jpg`, mimeType: 'image/jpeg', buffer: await photograph() });
    const ids = async () => (await now()).photos.map((p) => p.id);
    await expect.poll(async () => (await ids()).length).toBe(3);
    const [a, b, c] = await ids();
    const grips = page.getByRole('button', { name: /^Move photo/ });
    await expect(grips).toHaveCount(3);
    await drag(page, grips.nth(2), grips.nth(0));
    await expect.poll(ids).toEqual([c, a, b]);
  });
});

test('a photo takes points, arrows and outlines, with the keyboard alone too; two are laid over each other', async ({
  page,
  server,
}) => {
  const { now } = await clockIn(page, server);
  const marks = async () => (await now()).photos[0]!.marks.map(({ shape, x, y, to }) => ({ shape, x, y, to }));
  await page.keyboard.press('l');
  // The screen of the intake takes photos as well.
  const choose = page.getByRole('dialog').getByLabel('Choose photos');
  for (const name of ['before', 'after'])
    await choose.setInputFiles({ name: `${name}.jpg`, mimeType: 'image/jpeg', buffer: await photograph() });
  await expect(page.getByRole('button', { name: /^Photo / })).toHaveCount(2);
  await page
    .getByRole('button', { name: /^Photo / })
    .first()
    .click();
  const sheet = page.getByRole('dialog').last();

  await test.step('a point, from the keyboard', async () => {
    const board = sheet.getByRole('button', { name: /^Press where the point goes/ });
    await board.focus();
    for (const key of ['ArrowRight', 'Enter']) await page.keyboard.press(key);
    await expect.poll(marks).toHaveLength(1);
    const [point] = await marks();
    expect(point).toMatchObject({ shape: 'point', y: 0.5, to: null });
    expect(point!.x).toBeGreaterThan(0.5);
  });
  await test.step('an arrow in one stroke, and taken back', async () => {
    await sheet.getByRole('radio', { name: 'Arrow' }).click();
    const box = (await sheet.getByRole('button', { name: /^Press where the arrow begins/ }).boundingBox())!;
    await page.mouse.move(box.x + box.width * 0.2, box.y + box.height * 0.2);
    await page.mouse.down();
    await page.mouse.move(box.x + box.width * 0.6, box.y + box.height * 0.7, { steps: 5 });
    await page.mouse.up();
    await expect.poll(marks).toHaveLength(2);
    const arrow = (await marks())[1]!;
    expect(arrow.shape).toBe('arrow');
    expect(arrow.to!.x).toBeCloseTo(0.6, 1);
    await sheet.getByRole('button', { name: 'Take away: Arrow 2' }).click();
    await expect.poll(marks).toHaveLength(1);
  });
  await test.step('an outline from the keyboard, half of it given up first without closing the photo', async () => {
    await sheet.getByRole('radio', { name: 'Outline' }).click();
    await sheet.getByRole('button', { name: /^Press one corner/ }).focus();
    for (const key of ['Enter', 'Escape', 'Enter', 'ArrowRight', 'ArrowDown', 'Enter']) await page.keyboard.press(key);
    await expect.poll(marks).toHaveLength(2);
    expect((await marks())[1]).toMatchObject({ shape: 'outline', x: 0.5, y: 0.5 });
  });

  await test.step('over each other: two spots of each, by keyboard, and the line between them', async () => {
    await sheet.getByRole('link', { name: 'Compare' }).click();
    await page.getByRole('radio', { name: 'Over each other' }).click();
    await page.getByRole('button', { name: 'Align by two spots' }).click();
    for (const [asks, moves] of [
      [/^Press spot 1 on the first/, 0],
      [/^Press the same spot on the second/, 0],
      [/^Press spot 2 on the first/, 6],
      [/^Press the same spot on the second/, 3],
    ] as const) {
      // The hand is where the next press belongs.
      await expect(page.getByRole('button', { name: asks })).toBeFocused();
      for (let i = 0; i < moves; i++) await page.keyboard.press('ArrowRight');
      await page.keyboard.press('Enter');
    }
    // Half as far apart on the second: it is laid twice as large.
    const laid = page.locator('svg image').nth(1);
    await expect(laid).toHaveAttribute('transform', /^matrix\((1\.99|2|2\.0\d*)/);
    const line = page.getByRole('slider', { name: 'How much of the first photo is seen' });
    await expect(line).toBeFocused();
    await page.keyboard.press('Home');
    await expect(line).toHaveAttribute('aria-valuetext', '0 %');
    await page.reload();
    await expect(laid).toHaveAttribute('transform', /^matrix\((1\.99|2|2\.0\d*)/);
  });
});
