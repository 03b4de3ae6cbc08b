import { expect, lookAtPhotos, openShop, stage, takeIn, test } from './shop.ts';

const NAME = 'bench.example';
// A name that is not this machine’s own: what a browser takes for a page from elsewhere, on plain HTTP.
test.use({
  launchOptions: async ({ launchOptions }, use) =>
    use({ ...launchOptions, args: [...launchOptions.args!, `--host-resolver-rules=MAP ${NAME} 127.0.0.1`] }),
});

test('on the network of the shop, over plain HTTP, all but the devices works, and it says what they want', async ({
  page,
  server,
  errors,
}) => {
  await openShop(page, server, server.address.replace('127.0.0.1', NAME));
  expect(await page.evaluate(() => window.isSecureContext)).toBe(false);
  await takeIn(page, 'Longcase clock', 'Tall clock');
  await stage(page, 'Assess');
  await page.getByRole('button', { name: 'Photo', exact: true }).click();
  await expect(page.getByText('gives a camera only to pages on HTTPS')).toBeVisible();
  await page.getByRole('button', { name: 'Take it' }).click();
  await page.keyboard.press('Escape');
  await lookAtPhotos(page);
  await expect(page.getByRole('heading', { name: 'Photos (1)' })).toBeVisible();
  await page.keyboard.press('Escape');
  await stage(page, 'Listen');
  await page.getByRole('button', { name: 'Listen', exact: true }).click();
  await expect(page.getByText('gives a microphone only to pages on HTTPS')).toBeVisible();
  await page.getByRole('button', { name: 'Marit Fennick' }).click();
  await page.getByRole('menuitem', { name: 'Calendar' }).click();
  await page.getByRole('button', { name: 'Make an address' }).click();
  await page.getByRole('button', { name: 'Copy' }).click();
  await expect(page.getByText('does not let Eclat copy')).toBeVisible();
  // The browser says that it leaves out a protection that HTTPS would have.
  const others = errors.filter((e) => !e.includes('Cross-Origin-Opener-Policy'));
  errors.splice(0, errors.length, ...others);
});
