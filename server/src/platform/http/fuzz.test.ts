import { afterAll, beforeAll, expect, it } from 'vitest';
import { fuzz } from '../../../test/fuzz.ts';
import { ends, letDown, openShop, PASS, takeIn } from '../../../test/shop.ts';

let shop: Awaited<ReturnType<typeof openShop>>;
beforeAll(async () => {
  shop = await openShop();
});
afterAll(() => shop.running.stop());

it('no door falls over what is sent to it', async () => {
  const seat = async (role: string) => {
    await shop.marit.ok('POST', '/people', { name: `Somebody, ${role}`, role, passphrase: PASS });
    const browser = shop.browser();
    await browser.ok('PUT', '/session', { name: `Somebody, ${role}`, passphrase: PASS });
    return browser;
  };
  const visit = await letDown(shop.marit, await takeIn(shop.marit));
  await ends(shop.marit, visit.id, ['intake', 'assess']);
  await takeIn(shop.marit, { movement: { name: 'Musical movement', familyId: 'fusee' }, complaint: 'Loses.' });
  const seats = { counter: await seat('counter'), technician: await seat('technician'), 'owner-of-shop': shop.marit };
  const { failures, statuses } = await fuzz(seats, { requests: 2_000, seed: 15 });
  expect(failures.slice(0, 5)).toEqual([]);
  // It went in: a fuzz whose every request is refused at the door tests nothing.
  expect(statuses[200]! + statuses[201]!).toBeGreaterThan(200);
});
