import { PASS, expect, openShop, place, signIn, takeIn, test } from './shop.ts';

test('people: a wrong passphrase, the counter’s role, a theme that stays, and the way out', async ({
  page,
  server,
  browser,
}) => {
  await openShop(page, server);
  await page.getByRole('button', { name: 'Marit Fennick' }).click();
  await page.getByRole('menuitem', { name: 'People' }).click();
  await page.getByLabel('Name', { exact: true }).fill('Wilf Arden');
  await page.getByLabel('Role', { exact: true }).selectOption('counter');
  await page.getByLabel('Passphrase', { exact: true }).fill('short');
  await page.getByRole('button', { name: 'Add', exact: true }).click();
  await expect(page.getByText('At least 12 characters')).toBeVisible();
  await page.getByLabel('Passphrase', { exact: true }).fill(PASS);
  await page.getByRole('button', { name: 'Add', exact: true }).click();
  await expect(page.getByText('Wilf Arden can sign in now.')).toBeVisible();
  await page.getByLabel('Name', { exact: true }).fill('wilf arden');
  await page.getByLabel('Passphrase', { exact: true }).fill(PASS);
  await page.getByRole('button', { name: 'Add', exact: true }).click();
  await expect(page.getByText('Somebody has this name already.')).toBeVisible();
  await test.step('the card of the shop is shown as a code, and read from a photo', async () => {
    await page.getByRole('button', { name: 'Shop card' }).click();
    const photo = await page.getByRole('img', { name: 'Code of the shop card' }).screenshot();
    await page.keyboard.press('Escape');
    await page.getByRole('button', { name: 'Know a shop by its card' }).click();
    await page.getByRole('button', { name: 'Scan its code' }).click();
    const card = { name: 'card.png', mimeType: 'image/png', buffer: photo };
    await page.getByLabel('Photo of a card').setInputFiles(card);
    await page.getByRole('button', { name: 'It is theirs' }).click();
    await expect(page.getByText('This is the key of this shop itself.')).toBeVisible();
    await page.keyboard.press('Escape');
    await page.getByRole('button', { name: 'Know a shop by its card' }).click();
    await page.getByLabel('Or its web address').fill(server.address);
    await page.keyboard.press('Enter');
    await expect(page.getByText('nothing is sent in the clear')).toBeVisible();
    await page.getByLabel('Or its web address').fill('http://clocks.example');
    await page.keyboard.press('Enter');
    await expect(page.getByText('An address like https://clocks.example')).toBeVisible();
    await page.keyboard.press('Escape');
  });
  await takeIn(page, 'Longcase clock', 'Tall clock');
  const visit = page.url().replace('/intake', '');

  const counter = await (await browser.newContext()).newPage();
  await counter.goto(server.address);
  await counter.getByLabel('Name', { exact: true }).fill('Wilf Arden');
  await counter.getByLabel('Passphrase', { exact: true }).fill('not this one at all');
  await counter.getByRole('button', { name: 'Sign in' }).click();
  await expect(counter.getByText('The name or the passphrase is wrong.')).toBeVisible();
  await expect(counter.getByLabel('Name', { exact: true })).toHaveValue('Wilf Arden');
  await signIn(counter, server.address, 'Wilf Arden');

  await test.step('the counter sees the power state and may not set it', async () => {
    await counter.goto(`${visit}/power`);
    await counter.getByRole('radio', { name: 'Let down' }).first().click();
    await expect(counter.getByText('Your role may not do this.')).toBeVisible();
    await expect(counter.getByRole('button', { name: 'going unknown' })).toBeVisible();
    await counter.getByRole('button', { name: 'Wilf Arden' }).click();
    await expect(counter.getByRole('menuitem', { name: 'People' })).toHaveCount(0);
  });

  await test.step('a theme stays over a reload', async () => {
    await counter.getByRole('menuitemradio', { name: 'Dark' }).click();
    await counter.keyboard.press('Escape');
    await counter.reload();
    await expect(counter.locator('html')).toHaveAttribute('data-theme', 'dark');
  });

  await test.step('changes the own passphrase; a wrong one is said at its field', async () => {
    await counter.getByRole('button', { name: 'Wilf Arden' }).click();
    await counter.getByRole('menuitem', { name: 'My account' }).click();
    await counter.getByLabel('Passphrase of today').fill('not this one');
    await counter.getByLabel('New passphrase').fill('four herons keep a ledger');
    await counter.getByRole('button', { name: 'Change it' }).click();
    await expect(counter.getByText('This is not your passphrase.')).toBeVisible();
    await counter.getByLabel('Passphrase of today').fill(PASS);
    await counter.getByRole('button', { name: 'Change it' }).click();
    await expect(counter.getByText('Changed. Other devices are signed out.')).toBeVisible();
  });

  await test.step('is locked out while the page is open, let in again, and given a passphrase', async () => {
    await page.getByRole('button', { name: 'Marit Fennick' }).click();
    await page.getByRole('menuitem', { name: 'People' }).click();
    await page.getByRole('button', { name: 'Lock out: Wilf Arden' }).click();
    await expect(counter.getByLabel('Passphrase', { exact: true })).toBeVisible(); // without a press
    await page.getByRole('button', { name: 'Let in again: Wilf Arden' }).click();
    await page.getByRole('button', { name: 'New passphrase for Wilf Arden' }).click();
    await page.getByRole('dialog').getByLabel('Passphrase', { exact: true }).fill(PASS);
    await page.keyboard.press('Enter');
    await expect(page.getByText('Wilf Arden signs in with the new passphrase')).toBeVisible();
    await signIn(counter, server.address, 'Wilf Arden');
  });

  await test.step('after signing out nothing of the shop can be seen', async () => {
    await counter.getByRole('button', { name: 'Wilf Arden' }).click();
    await counter.getByRole('menuitem', { name: 'Sign out' }).click();
    await expect(counter.getByRole('heading', { name: 'Fennick Row Clock Room' })).toBeVisible();
    await counter.goto(`${visit}/intake`);
    await expect(counter.getByLabel('Passphrase', { exact: true })).toBeVisible();
    await expect(counter.getByText('Tall clock')).toHaveCount(0);
  });
});

test('the bench is searched, shown by stage, and worked from the keyboard; where I was is in the address', async ({
  page,
  server,
}) => {
  await openShop(page, server);
  await takeIn(page, 'Longcase clock', 'Tall clock');
  await takeIn(page, 'Fusee clock', 'Round dial clock', '655');
  await page.getByRole('button', { name: 'Intake is done' }).click();
  await expect(page.getByRole('heading', { name: /^The walk/ })).toBeVisible();
  await page.getByRole('heading', { name: 'Round dial clock' }).click(); // out of any field
  await page.keyboard.press('b');
  await expect(page.getByText('2 clocks in the shop')).toBeVisible();

  await page.getByRole('button', { name: 'Assess: 1 clock' }).click();
  await expect(page).toHaveURL(/stage=assess/);
  await expect(page.getByRole('link', { name: /Tall clock/ })).toHaveCount(0);
  await page.reload();
  await expect(page.getByRole('link', { name: /Round dial clock/ })).toBeVisible();
  await expect(page.getByRole('link', { name: /Tall clock/ })).toHaveCount(0);
  await page.getByRole('button', { name: 'Assess: 1 clock' }).click();
  await page.getByLabel('Search the bench').fill('tall tarrow');
  await expect(page.getByRole('link', { name: /Round dial clock/ })).toHaveCount(0);
  await page.getByLabel('Search the bench').fill('nothing like it');
  await page.getByRole('button', { name: 'Show all' }).click();
  await expect(page.getByRole('link', { name: /Round dial clock/ })).toBeVisible();

  await page.getByRole('heading', { level: 1 }).click(); // out of the field
  await page.keyboard.press('v');
  await page.getByLabel('Stage', { exact: true }).selectOption('Assess');
  const table = page.getByRole('table', { name: 'The bench' });
  await expect(table.getByRole('link')).toHaveText([/Round dial clock/]);
  await page.getByRole('link', { name: 'Stores' }).click();
  await page.getByRole('link', { name: 'Bench', exact: true }).click();
  await expect(table.getByRole('link')).toHaveText([/Round dial clock/]); // it was left so
  await table.getByRole('link').click();
  await page.getByRole('heading', { name: 'Round dial clock' }).click();
  await page.keyboard.press('5');
  await expect(page).toHaveURL(/\/power$/);
  await page.keyboard.press('?');
  await expect(page.getByRole('dialog', { name: 'Keys' })).toBeVisible();
  await page.keyboard.press('Escape');
  await expect(page.getByRole('dialog')).toHaveCount(0);
  await page.keyboard.press('Escape');
  await expect(table.getByRole('link')).toHaveText([/Round dial clock/]); // one step out: the bench, as it was left
  await page.goto(`${server.address}/no/such/place`);
  await expect(page.getByText('There is nothing at this address')).toBeVisible();
});

test.describe('before the page is kept on a device, or where a browser keeps none', () => {
  test.use({ serviceWorkers: 'block' });
  test('a page that was open while the server was updated says so, and loads again', async ({ page, server }) => {
    await openShop(page, server);
    await page.route('**/assets/MovementsScreen-*.js', (route) => route.fulfill({ status: 404, body: '' }));
    await place(page, 'Movement books');
    await expect(page.getByText('Eclat was updated while this page was open')).toBeVisible();
    await page.unroute('**/assets/MovementsScreen-*.js');
    await page.getByRole('button', { name: 'Load again' }).click();
    await expect(page.getByRole('heading', { name: 'Movement books' })).toBeVisible();
    await expect(page.getByText('A movement’s book begins when its clock is taken in.')).toBeVisible();
  });
});
