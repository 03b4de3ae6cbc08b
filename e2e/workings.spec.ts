import { expect, openShop, takeIn, test } from './house.ts';

test('a lost wheel is searched, sorted, sent as an address, and kept with a visit', async ({ page, server }) => {
  await openShop(page, server.address);
  await takeIn(page, 'Longcase clock', 'Tall clock');
  const visit = page.url().replace('/intake', '');

  await test.step('found by a word, from the keyboard', async () => {
    await page.goto(server.address);
    await expect(page.getByRole('heading', { level: 1 })).toBeVisible();
    await page.keyboard.press('w');
    await page.getByLabel('Search the workings').fill('lost wheel');
    await page.getByRole('link', { name: /A missing wheel or pinion/ }).click();
    await expect(page.getByRole('status').filter({ hasText: 'Most usual: 60/8' })).toBeVisible();
  });

  await test.step('two unknown pairs are searched away from the page, and the list is sorted', async () => {
    await page.getByRole('radio', { name: '2', exact: true }).click();
    await page.getByLabel('Departure allowed, %').fill('0,5');
    await expect(page.getByText(/other sets do it too/)).toBeVisible();
    await page.getByRole('button', { name: 'Wheel', exact: true }).click();
    const first = page.getByRole('region', { name: 'Counts, most usual first' }).locator('tbody td').first();
    const least = Number(await first.textContent());
    await page.getByRole('button', { name: 'Wheel', exact: true }).click();
    await expect.poll(async () => Number(await first.textContent())).toBeGreaterThan(least);
  });

  await test.step('the address holds the figures', async () => {
    await page.getByLabel('Beats an hour wanted').fill('4320');
    await expect(page).toHaveURL(/beats=4320/);
    const other = await page.context().newPage();
    await other.goto(page.url());
    await expect(other.getByLabel('Beats an hour wanted')).toHaveValue('4320');
    await expect(other.getByRole('radio', { name: '2', exact: true })).toBeChecked();
    await other.close();
  });

  await test.step('a figure that cannot be is refused at its field', async () => {
    await page.getByLabel('Wheels to').fill('900');
    await expect(page.getByText('Between 12 and 400.').first()).toBeVisible();
    await page.getByLabel('Wheels to').fill('120');
  });

  await test.step('kept with the visit, seen there, and taken back with a way to undo', async () => {
    await page.getByRole('button', { name: 'Use in a visit' }).click();
    await page.getByRole('dialog').getByRole('button', { name: /Tall clock/ }).click();
    await expect(page).toHaveURL(new RegExp(`${visit}/(survey|fit)`));
    const kept = page.locator('section', { has: page.getByRole('heading', { name: 'Workings' }) });
    await expect(kept.getByText(/Most usual: /)).toBeVisible();
    await page.reload();
    await expect(kept.getByText(/Most usual: /)).toBeVisible();
    await kept.getByRole('button', { name: 'Take back: A missing wheel or pinion' }).click();
    await expect(kept.getByText(/Most usual: /)).toHaveCount(0);
    await page.getByRole('button', { name: 'Undo' }).click();
    await expect(kept.getByText(/Most usual: /)).toBeVisible();
  });

  await test.step('and one is done inside a stage', async () => {
    await page.goto(`${visit}/run`);
    await page.getByRole('button', { name: 'Beat error' }).click();
    const sheet = page.getByRole('dialog');
    await sheet.getByLabel('Tick to tock, ms').fill('450');
    await sheet.getByLabel('Tock to tick, ms').fill('550');
    await expect(sheet.getByText(/Out of beat by 10.0 %/)).toBeVisible();
    await sheet.getByRole('button', { name: 'Keep with this visit' }).click();
    await expect(sheet).toHaveCount(0);
    await expect(page.getByText(/Out of beat by 10.0 %/)).toBeVisible();
  });
});
