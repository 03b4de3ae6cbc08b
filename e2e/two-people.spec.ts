import { expect, makeSafe, openShop, PASS, signIn, stage, stageDone, takeIn, test, watch } from './shop.ts';

test('two server processes serve one shop: timers, live notices, and a choice when two change one thing', async ({
  page,
  server,
  serve,
  browser,
  errors,
}) => {
  const second = await serve(server.databaseUrl);
  await openShop(page, server);
  await page.getByRole('button', { name: 'Marit Fennick' }).click();
  await page.getByRole('menuitem', { name: 'People' }).click();
  await page.getByLabel('Name', { exact: true }).fill('Ines Calloway');
  await page.getByLabel('Passphrase', { exact: true }).fill(PASS);
  await page.getByRole('button', { name: 'Add', exact: true }).click();
  await expect(page.getByText('Ines Calloway can sign in now.')).toBeVisible();
  await takeIn(page, 'Longcase clock', 'Tall clock');

  const other = await (await browser.newContext({ viewport: { width: 820, height: 1180 } })).newPage();
  watch(other, errors);
  await signIn(other, second.address, 'Ines Calloway');
  // She sees the clock, and what becomes of it, without a reload, from the other process.
  await other.getByRole('link', { name: /Tall clock/ }).click();
  await stageDone(page, 'Intake');
  await expect(other.getByText('Done by Marit Fennick')).toBeVisible();

  await test.step('a bath that one starts counts down for both', async () => {
    await makeSafe(page);
    await stage(page, 'Clean');
    await page.getByRole('button', { name: /^plates/ }).click();
    await page.getByLabel('Minutes').fill('12');
    await page.getByRole('button', { name: 'Begin the run' }).click();
    await page.getByRole('button', { name: 'On to: In the bath' }).click();
    await expect(other.getByRole('list', { name: 'Running timers' })).toContainText(/1[12]:\d\d/);
    await other.getByRole('list', { name: 'Running timers' }).getByRole('link').click();
    await other.getByRole('button', { name: /it ends here/ }).click();
    await other.getByRole('button', { name: 'End it here' }).click();
    await expect(page.getByRole('list', { name: 'Running timers' })).toBeHidden();
  });

  await test.step('two who correct one finding are asked; nothing is overwritten in silence', async () => {
    await stage(page, 'Assess');
    await page.getByRole('button', { name: 'Add a finding' }).click();
    await page.getByLabel('Place', { exact: true }).fill('hood');
    await page.getByLabel('What was seen').fill('Door sags.');
    await page.getByRole('button', { name: 'Record it' }).click();
    await stage(other, 'Assess');
    await other.getByRole('button', { name: 'Correct: hood' }).click();
    await page.getByRole('button', { name: 'Correct: hood' }).click();
    await page.getByLabel('What was seen').fill('Door sags on its lower hinge.');
    await page.getByRole('button', { name: 'Save changes' }).click();
    await expect(page.getByText('Door sags on its lower hinge.')).toBeVisible();

    await other.getByLabel('What was seen').fill('Door binds at the top.');
    await other.getByRole('button', { name: 'Save changes' }).click();
    const choice = other.getByRole('dialog', { name: 'Somebody changed this while you were typing' });
    await expect(choice).toContainText('Door sags on its lower hinge.');
    await expect(choice).toContainText('Door binds at the top.');
    await choice.getByRole('button', { name: 'Keep mine' }).click();
    await expect(other.getByText('Door binds at the top.')).toBeVisible();
    await expect(page.getByText('Door binds at the top.')).toBeVisible();
  });

  await test.step('when one process dies, the other goes on', async () => {
    await server.kill();
    await stage(other, 'Intake');
    await other.getByLabel('Wanted', { exact: true }).fill('A full service');
    await other.getByRole('button', { name: 'Save changes' }).click();
    await expect(other.getByText('Kept.')).toBeVisible();
    await expect(page.getByText('Server away')).toBeVisible();
  });
});
