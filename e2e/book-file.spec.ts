import { createWriteStream } from 'node:fs';
import { mkdir, readdir } from 'node:fs/promises';
import { dirname, join } from 'node:path';
import { pipeline } from 'node:stream/promises';
import { pathToFileURL } from 'node:url';
import type { Page } from '@playwright/test';
import { openPromise } from 'yauzl';
import { demoDatabase, expect, signIn, test } from './shop.ts';

/** As any program unpacks it. */
async function unpacked(zipFile: string, into: string): Promise<void> {
  const zip = await openPromise(zipFile, { lazyEntries: true });
  for await (const entry of zip.eachEntry()) {
    const to = join(into, entry.fileName);
    await mkdir(dirname(to), { recursive: true });
    await pipeline(await zip.openReadStreamPromise(entry), createWriteStream(to));
  }
}

/** Photos that are on the page, and have come whole. */
const photosOn = (page: Page) =>
  page.evaluate(async () => {
    const all = Array.from(document.querySelectorAll('img'));
    for (const image of all) image.loading = 'eager';
    await Promise.all(all.map((image) => image.decode().catch(() => undefined)));
    return all.filter((image) => image.naturalWidth > 0).length;
  });

test('a museum’s book file on a phone: refused when changed, joined when whole, and a page for any browser', async ({
  page,
  browser,
  serve,
}, info) => {
  const server = await serve(await demoDatabase(), { ECLAT_DEMO: '1' });
  await page.setViewportSize({ width: 390, height: 844 });
  await signIn(page, server.address, 'Ines Calloway', 'brass-lark-mends-nine');
  const folder = process.env['ECLAT_TRY_FOLDER']!;
  const files = await readdir(folder);
  const file = (end: string) =>
    join(
      folder,
      files.find((name) => name.endsWith(end))!,
    );
  const code = files[0]!.slice(0, 'M-000000'.length);
  const { items } = (await (await page.request.get(`${server.address}/api/movements?q=${code}`)).json()) as {
    items: { id: string }[];
  };
  await page.goto(`${server.address}/movements/${items[0]!.id}`);
  await expect(page.getByRole('heading', { name: '8 entries' })).toBeVisible();
  const before = await photosOn(page);

  await page.getByRole('button', { name: 'Bring a record' }).click();
  const chooser = page.locator('input[type=file]');
  await chooser.setInputFiles(file('changed.json'));
  await expect(page.getByRole('alert').filter({ hasText: 'Not what was signed' })).toBeVisible();
  await expect(page.getByRole('button', { name: 'Bring it in' })).toHaveCount(0);
  await chooser.setInputFiles(file('museum.zip'));
  await expect(page.getByText('2 photos come with it.')).toBeVisible();
  await page.getByRole('button', { name: 'Bring it in' }).click();
  await expect(page.getByRole('heading', { name: '9 entries' })).toBeVisible();
  await expect(page.getByText('2 photos of the record are here now.')).toBeVisible();
  // The book is read anew when they are here.
  await expect.poll(() => photosOn(page)).toBe(before + 2);

  const download = page.waitForEvent('download');
  await page.getByRole('link', { name: 'Book file' }).click();
  const zip = info.outputPath('book.zip');
  await (await download).saveAs(zip);
  await unpacked(zip, info.outputPath('book'));
  const elsewhere = await browser.newContext({ javaScriptEnabled: false, offline: true });
  const reader = await elsewhere.newPage();
  const asked: string[] = [];
  reader.on('request', (request) => asked.push(request.url()));
  await reader.goto(pathToFileURL(info.outputPath('book/index.html')).href);
  await expect(reader.getByRole('heading', { name: 'Looked at for a loan: nothing done' })).toBeVisible();
  await expect(reader.getByText('Cleaned, J. Ockham Aldermere, 189[…]')).toHaveCount(2);
  await reader.getByRole('img', { name: 'On loan' }).scrollIntoViewIfNeeded();
  await expect.poll(() => asked.filter((url) => url.endsWith('.jpg')).length).toBeGreaterThan(0);
  expect(asked.filter((url) => !url.startsWith('file:'))).toEqual([]);
  await elsewhere.close();

  await page.getByRole('button', { name: 'Bring a record' }).click();
  await chooser.setInputFiles(zip);
  await expect(page.getByText('All of it is here already')).toBeVisible();
});
