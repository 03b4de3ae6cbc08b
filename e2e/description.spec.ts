import { expect, makeSafe, openShop, place, stage, test, unfold } from './shop.ts';

test('a movement unlike its template is described at intake, and again when it is open', async ({ page, server }) => {
  await openShop(page, server);

  await test.step('one endless chain for two trains, found at the counter', async () => {
    await place(page, 'Take in');
    await page.getByLabel('Name', { exact: true }).fill('Wilmot Hask');
    await page.getByLabel('Phone').fill('0555 017 266');
    await page.getByLabel('The clock').fill('Tall clock with one hand');
    await page.getByLabel('The movement').fill('Thirty-hour movement');
    await page.getByLabel('Family').selectOption({ label: 'Longcase clock' });
    await page.getByLabel("No maker's name").check();
    await page.getByRole('button', { name: 'Describe it as found' }).click();
    const sheet = page.getByRole('dialog', { name: 'The movement as found' });
    const strike = sheet.getByRole('listitem', { name: 'strike train' });
    await strike.getByLabel('Driven by').selectOption({ label: 'going: weight on line' });
    await sheet
      .getByRole('listitem', { name: /^Power: / })
      .getByLabel('Kind')
      .selectOption('weight on endless chain');
    await sheet.getByLabel('A full wind lasts, hours').fill('30');
    // An eight-day strike has an arbor more.
    await strike.getByText('5 arbors').click();
    await strike.getByRole('button', { name: 'Take out S2' }).click();
    await sheet.getByRole('button', { name: 'Use this description' }).click();
    await expect(page.getByText(/As found: .*weight on line, now weight on endless chain/)).toBeVisible();
    await page.getByLabel('What the owner says is wrong').fill('The weight drops by itself.');
    await expect(page.getByRole('button', { name: 'Small ring or weight of the chain' })).toBeVisible();
    await page.getByRole('button', { name: 'Take it in' }).click();
    await expect(page.getByRole('heading', { name: 'Tall clock with one hand' })).toBeVisible();
  });

  await test.step('one power, which both trains wait for', async () => {
    await stage(page, 'Power down');
    await expect(page.getByRole('status').first()).toContainText('Going and strike trains are not known to be safe');
    await makeSafe(page);
    await expect(page.getByRole('radiogroup', { name: /^State of the/ })).toHaveCount(0);
    await stage(page, 'Power down');
    await expect(page.getByRole('radiogroup', { name: 'State of the going and strike trains' })).toHaveCount(1);
  });

  await test.step('a hole is judged; then the strike train proves to be none, and is not there any more', async () => {
    await stage(page, 'Survey');
    await page.getByRole('button', { name: /^S3 .*back/ }).click();
    await page.keyboard.press('u');
    await expect(page.getByRole('button', { name: /^S3 .*back.*bush/ })).toBeVisible();
    await stage(page, 'The movement');
    await page.getByRole('button', { name: 'Take out the strike train' }).click();
    await page.getByRole('button', { name: 'alarm', exact: true }).click();
    await expect(page.getByRole('list', { name: 'What changes' })).toContainText('strike train taken out');
    await page.reload();
    await page.getByLabel('Why it changes').fill('The count wheel was a dummy: it is an alarm');
    await page.keyboard.press('Enter');
    await expect(page.getByText('The count wheel was a dummy: it is an alarm')).toBeVisible();
    await stage(page, 'Survey');
    const gone = page.getByRole('heading', { name: 'No longer in the description' }).locator('xpath=../..');
    await expect(gone).toContainText('S3');
    await expect(gone).toContainText('bush');
    await expect(page.getByRole('button', { name: /^A1 .*back/ })).toBeVisible();
  });

  await test.step('its book says what was looked for in vain, and describes it from there too', async () => {
    await page.getByRole('button', { name: /^Stages/ }).click();
    await page.getByRole('link', { name: /^M-/ }).click();
    await expect(page.getByText("Looked for and not there: maker's name.")).toBeVisible();
    await page.getByRole('link', { name: 'Description' }).click();
    await expect(page.getByRole('heading', { name: 'How it was described' })).toBeVisible();
    await unfold(page);
    await expect(page.getByText(/alarm train added/)).toBeVisible();
  });
});
