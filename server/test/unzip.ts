import { buffer } from 'node:stream/consumers';
import { expect } from 'vitest';
import { fromBufferPromise } from 'yauzl';
import type { openShop } from './shop.ts';

/** Files of a ZIP, by a reader that did not write it. */
async function filesIn(zipped: Buffer): Promise<Map<string, Buffer>> {
  const zip = await fromBufferPromise(zipped, { lazyEntries: true });
  const files = new Map<string, Buffer>();
  for await (const entry of zip.eachEntry())
    files.set(entry.fileName, await buffer(await zip.openReadStreamPromise(entry)));
  return files;
}

/** A file that the shop makes, unpacked. */
export async function unzipped(
  { running, marit }: Awaited<ReturnType<typeof openShop>>,
  path: string,
): Promise<{ zipped: Buffer; files: Map<string, Buffer> }> {
  const res = await fetch(`${running.address}/api${path}`, { headers: marit.cookies });
  expect(res.headers.get('content-type')).toBe('application/zip');
  const zipped = Buffer.from(await res.arrayBuffer());
  return { zipped, files: await filesIn(zipped) };
}
