import { expect, openShop, takeIn, test } from './house.ts';

test('at the counter: what is in the shop is found by a slip of the pen, and diagnosed to the first look', async ({ page, server }) => {
  await openShop(page, server.address);
  await takeIn(page, 'Mantel or bracket clock, going barrels', 'Slate mantel clock');
  const visit = page.url().replace('/intake', '');

  await test.step('found again by a word spelt wrong', async () => {
    await page.goto(`${server.address}/intake`);
    await page.getByLabel(/Has it been here/).fill('slat mantel');
    await page.getByRole('link', { name: /Slate mantel clock.*In the shop now/ }).click();
    await expect(page).toHaveURL(new RegExp(visit));
  });

  await test.step('symptoms lead to a look that costs nothing to reach', async () => {
    await page.goto(`${visit}/diagnose`);
    await page.getByRole('radiogroup', { name: 'Stops after hours' }).getByRole('radio', { name: 'Yes' }).click();
    await page.getByRole('radiogroup', { name: 'Uneven beat' }).getByRole('radio', { name: 'Yes' }).click();
    await expect(page.getByRole('status').filter({ hasText: 'Likeliest: out of beat' })).toContainText('Look next:');
    const first = page.getByRole('listitem').filter({ has: page.getByRole('group', { name: /Out of beat|Not level/ }) }).first();
    await expect(first).toContainText('1 min, watch and listen');
  });

  await test.step('what the look finds changes the order, is kept, and can be taken back', async () => {
    await page.getByRole('group', { name: 'Out of beat' }).getByRole('button', { name: 'Not there' }).click();
    await expect(page.getByRole('status').filter({ hasText: 'Likeliest: not level' })).toBeVisible();
    await page.reload();
    await expect(page.getByText('Out of beat: nothing there')).toBeVisible();
    await page.getByRole('button', { name: 'Take back the look: Out of beat' }).click();
    await expect(page.getByRole('status').filter({ hasText: 'Likeliest: out of beat' })).toBeVisible();
  });
});
