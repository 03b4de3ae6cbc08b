import { answer, demoDatabase, expect, test } from './shop.ts';

test('the first hour leads to twelve things that can be done where it leads, and is left at any of them', async ({
  page,
  serve,
}) => {
  const server = await serve(await demoDatabase(), { ECLAT_DEMO: '1' });
  await page.goto(server.address);
  await page.getByLabel('Begin with the first hour').check();
  await page.getByLabel('Name', { exact: true }).fill('Ines Calloway');
  await page.getByLabel('Passphrase', { exact: true }).fill('brass-lark-mends-nine');
  await page.getByRole('button', { name: 'Sign in' }).click();
  const tour = page.getByRole('region', { name: 'First hour' });
  const main = page.getByRole('main');
  const step = async (n: number, title: string) => {
    await expect(tour).toContainText(`${title}:`);
    await expect(tour).toContainText(`${n} of 12`);
  };
  const next = () => tour.getByRole('button', { name: 'Next step' }).click();

  await step(1, 'Look at the bench');
  await page.keyboard.press('v');
  await expect(main.getByRole('table')).toBeVisible();
  await next();
  await step(2, 'Find anything');
  await page.keyboard.press('Control+K');
  await expect(page.getByRole('combobox', { name: 'Find' })).toBeFocused();
  await page.keyboard.type('6438');
  await expect(page.getByRole('option').first()).toBeVisible();
  await page.keyboard.press('Escape');
  await next();
  await step(3, 'Take a clock in');
  await main.getByLabel('Name', { exact: true }).fill('Odile Tarrowby');
  await main.getByLabel('The clock').fill('Tall clock');
  await main.getByLabel('The movement').fill('Square-plate movement');
  await main.getByLabel('Family').selectOption({ label: 'Longcase clock' });
  await main.getByLabel('What the owner says is wrong').fill('Stops after two days.');
  await main.getByRole('button', { name: 'Take it in' }).click();
  await expect(page.getByRole('heading', { name: 'Tall clock' })).toBeVisible();
  await next();
  await step(4, 'Make it safe');
  await main.getByRole('radio', { name: 'Let down' }).first().click();
  await expect(page.getByText('All let down').first()).toBeVisible();
  await next();
  await step(5, 'Find the cause');
  await main.getByRole('radio', { name: 'Yes' }).first().click();
  await expect(main.getByText(/^Likeliest:/)).toBeVisible();
  await next();
  await step(6, 'Ask the owner');
  await expect(main.getByText('nine times in ten by')).toBeVisible();
  await main.getByRole('button', { name: /Create the page|A new address/ }).click();
  await expect(main.getByText('Send this address now')).toBeVisible();
  await next();
  await step(7, 'Take it apart');
  await main.getByRole('button', { name: 'front plate', exact: true }).click();
  await main.getByRole('button', { name: 'screw', exact: true }).click();
  await page.getByRole('button', { name: 'Log it' }).click();
  await expect(answer(page)).toContainText('9 things are off');
  await next();
  await step(8, 'Judge the holes');
  await expect(answer(page)).toContainText('7 of 38');
  await page.keyboard.press('s');
  await expect(answer(page)).toContainText('6 of 38');
  await next();
  await step(9, 'Oil it');
  await main.getByRole('checkbox').first().click();
  await expect(answer(page)).toContainText('6 of 14');
  await next();
  await step(10, 'Listen to it');
  await main.getByRole('radio', { name: 'Simulated clock' }).click();
  await main.getByRole('button', { name: 'Listen', exact: true }).click();
  await expect(main.getByRole('button', { name: 'Stop listening' })).toBeVisible();
  await main.getByRole('button', { name: 'Stop listening' }).click();
  await next();
  await step(11, 'Take a reading');
  await main.getByRole('button', { name: /^Now/ }).click();
  await expect(main.getByText(/second|minute/).first()).toBeVisible();

  // It stands where it was when the page is opened anew, and is gone for good when it is left.
  await page.reload();
  await step(11, 'Take a reading');
  await next();
  await step(12, 'Open a movement’s book');
  await main.getByRole('link', { name: /Round-plate movement/ }).click();
  await expect(main.getByRole('group', { name: /^History by decades/ })).toBeVisible();
  await tour.getByRole('button', { name: 'Done' }).click();
  await expect(tour).toBeHidden();
  await page.reload();
  await expect(main.getByRole('heading', { level: 1 })).toBeVisible();
  await expect(tour).toBeHidden();

  await page.getByRole('button', { name: /Ines Calloway/ }).click();
  await page.getByRole('menuitem', { name: 'First hour, step by step' }).click();
  await step(1, 'Look at the bench');
  await tour.getByRole('button', { name: 'Leave the tour' }).click();
  await expect(tour).toBeHidden();
});
