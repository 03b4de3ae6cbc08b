import { answer, expect, makeSafe, openShop, opensPass, stage, stageDone, takeIn, test } from './shop.ts';

test('a house rule is set once, holds from then on, and one clock may differ from it', async ({ page, server }) => {
  await openShop(page, server);
  await page.goto(`${server.address}/rules`);
  await expect(answer(page)).toContainText('Nothing is set');
  await page.getByRole('button', { name: /^Oil .*questions, none set$/ }).click();
  const rack = page.getByRole('radiogroup', { name: 'Rack, snail, lifting pieces?' });
  await rack.getByRole('radio', { name: /a trace of oil/ }).click();
  await page.getByLabel('Why here').fill('Ours are steel on steel.');
  await page.getByRole('button', { name: 'Set as version 1' }).click();
  await expect(answer(page)).toContainText('set by this shop');
  await page.reload();
  await expect(page.getByLabel('Why here')).toHaveValue('Ours are steel on steel.');

  await takeIn(page, 'Mantel or bracket clock, going barrels', 'Slate mantel clock');
  await stage(page, 'Oil');
  const point = page.getByRole('listitem').filter({ hasText: 'Rack, snail and lifting pieces' }).first();
  await expect(point).toContainText('a trace, by house rule');
  await page.keyboard.press('l');
  await page.getByRole('tab', { name: 'House rules' }).click();
  await page.getByRole('button', { name: 'Set for this clock: Rack, snail, lifting pieces?' }).click();
  const sheet = page.getByRole('dialog', { name: 'For this clock only' });
  await sheet.getByRole('radio', { name: /^dry/ }).click();
  await sheet.getByLabel('The reason').fill('It was oiled to death.');
  await sheet.getByRole('button', { name: 'Set for this clock' }).click();
  await expect(page.getByText('differs here: It was oiled to death.')).toBeVisible();
  await page.keyboard.press('Escape');
  await expect(point).toContainText('dry, or the rack stops falling');
});

test('a riveted movement stays whole; one that strikes wrong comes apart again as a pass of its own', async ({
  page,
  server,
}) => {
  await openShop(page, server);
  await takeIn(page, 'Riveted alarm clock', 'Twin-bell alarm clock');
  await makeSafe(page);
  await expect(answer(page)).toContainText('does not come apart');
  await expect(page.getByRole('group', { name: 'Usually next' })).not.toContainText('front plate');

  await takeIn(page, 'Mantel or bracket clock, going barrels', 'Slate mantel clock', '655');
  await makeSafe(page);
  await page.getByRole('group', { name: 'Usually next' }).getByRole('button', { name: 'hands' }).click();
  await page.getByRole('button', { name: 'Log it' }).click();
  await page.getByRole('button', { name: 'A phase or mark' }).click();
  await page.getByLabel('Phase or mark').fill('Warning wheel');
  await page.getByRole('button', { name: 'Note it' }).first().click();
  await expect(page.getByText('before the plates close')).toBeVisible();
  await stageDone(page, 'Strip');

  await stage(page, 'Assemble');
  await expect(answer(page)).toContainText('Before the plates close: Warning wheel');
  await page.getByRole('checkbox', { name: 'Warning wheel' }).click();
  await expect(answer(page)).toContainText('Next on: hands');
  await page.getByRole('button', { name: 'On again: hands' }).click();
  await stageDone(page, 'Assemble');

  await opensPass(page);
  await expect(answer(page)).toContainText('2 things are off, pass 2');
  await page.getByLabel('Cure of pass 2').fill('Warning wheel one tooth on');
  await page.getByLabel('Hours', { exact: true }).fill('1,5');
  await page.getByRole('button', { name: 'Save', exact: true }).click();
  await expect(page.getByRole('heading', { name: '2 passes, 1.5 h lost' })).toBeVisible();
});

test('on test it is opened under the dial wound as it is; through the plates only when it is safe', async ({
  page,
  server,
}) => {
  await openShop(page, server);
  await takeIn(page, 'Mantel or bracket clock, going barrels', 'Slate mantel clock');
  await makeSafe(page);
  const [visitId] = /[0-9a-f-]{36}/.exec(page.url())!;
  for (const s of ['intake', 'assess', 'diagnose', 'agree', 'strip', 'clean', 'survey', 'fit', 'assemble', 'oil'])
    await page.request.put(`${server.address}/api/visits/${visitId}/stages/${s}`, {
      data: { state: 'done' },
      headers: { origin: server.address, 'idempotency-key': crypto.randomUUID() },
    });
  const next = async () => {
    await page.goto(server.address);
    return page.getByRole('link', { name: /Slate mantel clock/ });
  };
  await page.goto(`${server.address}/visits/${visitId}/run`);
  await page.getByLabel('Where it runs').fill('stand 1');
  await page.getByRole('button', { name: 'Start', exact: true }).click();
  await expect(page.getByRole('button', { name: /going wound/i })).toBeVisible();

  await test.step('a reading by the keyboard alone: what is pressed next is in hand again', async () => {
    const now = page.getByRole('button', { name: /^Now/ });
    await now.focus();
    await page.keyboard.press('Enter');
    await expect(page.getByLabel('What the hands showed')).toBeFocused();
    await page.keyboard.press('Enter');
    await expect(page.getByText('Reading taken.')).toBeVisible();
    await expect(now).toBeFocused();
  });

  await test.step('a check that fails is set here, and checked again', async () => {
    await page.getByRole('button', { name: 'Failed: Strike right for twelve hours' }).click();
    await page.keyboard.type('silent at four');
    await page.keyboard.press('Enter');
    await page.getByLabel('What was moved').fill('rack tail');
    await page.keyboard.press('Enter');
    await expect(page.getByText('Try 1: rack tail')).toBeVisible();
    await page.getByRole('button', { name: 'Passed: Strike right for twelve hours' }).click();
    // What is answered is folded away, with what it was before.
    await page.getByRole('button', { name: '1 answered' }).click();
    await expect(page.getByText(/^Before: failed, silent at four/)).toBeVisible();
  });

  await test.step('the dial side comes apart under power, and nothing is called unsafe', async () => {
    await stage(page, 'Strip');
    await page.getByLabel('It has to come apart again, because').fill('Rack catches the post');
    await page.getByRole('radiogroup', { name: 'How deep' }).getByRole('radio', { name: 'dial side' }).click();
    await page.getByRole('button', { name: 'Open a pass' }).click();
    await expect(page.getByText('Pass 2, dial side: the trains may stay wound.')).toBeVisible();
    await expect(await next()).not.toContainText('make it safe');
  });

  await test.step('the plates do not', async () => {
    await page.goto(`${server.address}/visits/${visitId}/strip`);
    await page.getByLabel('It has to come apart again, because').fill('A wheel to true');
    await page.getByRole('button', { name: 'Open a pass' }).click();
    await expect(page.getByText('Pass 3: power down comes first again.')).toBeVisible();
    await expect(await next()).toContainText('make it safe');
  });
});
