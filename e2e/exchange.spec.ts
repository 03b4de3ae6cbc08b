import { randomUUID } from 'node:crypto';
import type { Page } from '@playwright/test';
import { introduce } from '../scripts/lib/two-shops.mjs';
import { demoDatabase, expect, freePort, secondDemo, signIn, test, watch } from './shop.ts';

const PASSPHRASE = 'brass-lark-mends-nine';

/** The same addresses as its page uses, by whoever is signed in there. */
const sender =
  (page: Page, address: string) =>
  async <T>(method: string, path: string, data?: unknown): Promise<T> => {
    const headers = { origin: address, 'idempotency-key': randomUUID() };
    const reply = await page.request.fetch(`${address}/api${path}`, { method, headers, ...(data ? { data } : {}) });
    expect([path, reply.ok(), reply.ok() ? '' : await reply.text()]).toEqual([path, true, '']);
    return (await reply.json()) as T;
  };
type Send = ReturnType<typeof sender>;

interface Book {
  movement: { id: string; code: string };
  entries: { id: string; hash: string; kind: string; shop: string; proof: string }[];
  photosAway: string[];
  inTheShop: { visitId: string } | null;
}
const bookOf = (send: Send, id: string) => send<Book>('GET', `/movements/${id}`);

/** What was signed of each entry, whoever holds it. */
async function signedIn(send: Send, id: string): Promise<string[]> {
  const { entries } = await send<{ entries: { signed: string }[] }>('GET', `/movements/${id}/record`);
  return entries.map((e) => e.signed).sort();
}

async function otherShops(page: Page): Promise<void> {
  await page.getByRole('button', { name: 'More', exact: true }).click();
  await page.getByRole('menuitem', { name: 'Other shops' }).click();
}

test('a movement goes to another shop with its file, is served there, comes back, and both hold one history', async ({
  page,
  browser,
  serve,
  errors,
}) => {
  const ports = [await freePort(), await freePort()] as const;
  const near = (port: number) => ({ ECLAT_DEMO: '1', ECLAT_NEAR_SHOPS: `http://127.0.0.1:${port}` });
  const a = await serve(await demoDatabase(), near(ports[1]), ports[0]);
  const b = await serve(await secondDemo(), near(ports[0]), ports[1]);
  await introduce(a.address, b.address);

  await page.setViewportSize({ width: 390, height: 844 });
  await signIn(page, a.address, 'Ines Calloway', PASSPHRASE);
  // The other shop is half a day ahead.
  const elsewhere = await browser.newContext({
    timezoneId: 'Pacific/Auckland',
    viewport: { width: 820, height: 1180 },
  });
  const there = await elsewhere.newPage();
  watch(there, errors);
  await signIn(there, b.address, 'Jonna Pellow', PASSPHRASE);
  const [inA, inB] = [sender(page, a.address), sender(there, b.address)];
  const { items } = await inB<{ items: { id: string }[] }>('GET', '/movements');
  const atB = items[0]!.id;
  const carried = await bookOf(inB, atB);
  const shares = await inA<{ items: { id: string; entries: number }[] }>('GET', '/movements');
  const atA = shares.items.toSorted((x, y) => y.entries - x.entries)[0]!.id;

  // Served there, and signed; meanwhile an entry is amended here.
  const { visitId } = carried.inTheShop!;
  for (const stage of ['intake', 'assess', 'diagnose', 'deliver'])
    await inB('PUT', `/visits/${visitId}/stages/${stage}`, { state: 'done' });
  await inB('POST', `/visits/${visitId}/signature`, { passphrase: PASSPHRASE, note: 'Suspension seen to.' });
  const own = (await bookOf(inA, atA)).entries.find((e) => e.kind === 'inscription')!;
  await inA('POST', `/history/${own.id}/amendments`, { passphrase: PASSPHRASE, text: 'It reads 1893.' });

  await page.goto(`${a.address}/movements/${atA}`);
  await otherShops(page);
  const shop = page.getByRole('listitem').filter({ hasText: 'Mill House Clock Works' });
  await shop.getByRole('button', { name: 'Ask what they have' }).click();
  await expect(shop.getByText('2 entries would come in', { exact: true })).toBeVisible();
  await expect(shop.getByText('Checked: 2 signed by a key known here.')).toBeVisible();
  await shop.getByRole('button', { name: 'Bring it in' }).click();
  await expect(page.getByText('What was written elsewhere stands in this book now.')).toBeVisible();
  await otherShops(page);
  await shop.getByRole('button', { name: 'Send what they lack' }).click();
  await expect(shop.getByText(/^1 entry sent: they look at it there\. \d+ photos? sent\.$/)).toBeVisible();

  await there.goto(`${b.address}/movements/${atB}`);
  await there.getByRole('button', { name: 'Look at it' }).click();
  await expect(there.getByText('1 entry would come in')).toBeVisible();
  await there.getByRole('button', { name: 'Bring it in' }).click();
  await expect(there.getByText('What was written elsewhere stands in this book now.')).toBeVisible();
  await expect(there.getByRole('button', { name: 'Look at it' })).toHaveCount(0);

  const signed = await signedIn(inA, atA);
  expect(signed.length).toBe(carried.entries.length + 2);
  expect(await signedIn(inB, atB)).toEqual(signed);
  const hashes = async (send: Send, id: string) => (await bookOf(send, id)).entries.map((e) => e.hash).sort();
  expect(await hashes(inB, atB)).toEqual(await hashes(inA, atA));
  expect((await bookOf(inB, atB)).photosAway).toEqual([]);

  // Shared no longer, nothing is told; the other shop away, it is said.
  await inB('PUT', `/movements/${atB}/shares`, {
    ...{
      key: (await inB<{ shops: { key: string }[] }>('GET', `/movements/${atB}/shops`)).shops[0]!.key,
      shared: false,
    },
  });
  await shop.getByRole('button', { name: 'Ask what they have' }).click();
  await expect(shop.getByText('shares no book of this movement with this shop')).toBeVisible();
  await b.kill();
  await shop.getByRole('button', { name: 'Ask what they have' }).click();
  await expect(shop.getByText('It does not answer.').last()).toBeVisible();
  await elsewhere.close();
});
