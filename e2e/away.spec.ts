import { expect, lookAtPhotos, openShop, stage, stageDone, takeIn, test, warmedUp } from './shop.ts';

test('what is done while the server is away is kept through a closed page: photos, words, words half typed', async ({
  page,
  server,
  errors: _watched,
}) => {
  await openShop(page, server);
  await takeIn(page, 'Longcase clock', 'Tall clock');
  await stageDone(page, 'Intake');
  await stage(page, 'Assess');
  const here = page.url();
  await page.getByRole('button', { name: 'Photo', exact: true }).click(); // loaded while the server is there
  await expect(page.getByRole('button', { name: 'Take it' })).toBeVisible();
  await page.keyboard.press('Escape');
  await warmedUp(page);
  await server.kill();

  await page.getByRole('button', { name: 'Photo', exact: true }).click();
  await page.getByRole('button', { name: 'Take it' }).click();
  await page.getByRole('button', { name: 'Take it' }).click();
  await page.keyboard.press('Escape');
  await lookAtPhotos(page);
  await expect(page.getByRole('list', { name: 'On this device alone' }).getByRole('img')).toHaveCount(2);
  await page.keyboard.press('Escape');
  await page.getByRole('button', { name: 'Add a finding' }).click();
  await page.getByLabel('Place', { exact: true }).fill('hood');
  await page.getByLabel('What was seen').fill('Door sags.');
  await page.getByRole('button', { name: 'Record it' }).click();
  await expect(page.getByRole('button', { name: 'Server away: 3 changes kept here' })).toBeVisible();
  await page.getByRole('button', { name: 'Add a finding' }).click();
  await page.getByLabel('Place', { exact: true }).fill('plinth');
  await page.getByLabel('What was seen').fill('Woodworm, and');

  const context = page.context();
  await page.close();
  await server.start();
  const next = await context.newPage();
  await next.goto(here);
  await lookAtPhotos(next);
  await expect(next.getByRole('heading', { name: 'Photos (2)' })).toBeVisible();
  await next.keyboard.press('Escape');
  await expect(next.getByText('Door sags.')).toBeVisible();
  await expect(next.getByText('kept here')).toBeHidden();
  await next.getByRole('button', { name: 'Add a finding' }).click();
  await expect(next.getByLabel('What was seen')).toHaveValue('Woodworm, and');
  await next.reload();
  await lookAtPhotos(next);
  await expect(next.getByRole('heading', { name: 'Photos (2)' })).toBeVisible();
  await next.keyboard.press('Escape');
  await expect(next.getByText('Door sags.')).toHaveCount(1);
});
