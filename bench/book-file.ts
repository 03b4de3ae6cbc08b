import { createHash, randomUUID } from 'node:crypto';
import { createWriteStream, openAsBlob, readFileSync, rmSync, statSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { Readable } from 'node:stream';
import { pipeline } from 'node:stream/promises';
import type { Book, TravelledEntry, Visit } from '@eclat/contract';
import sharp from 'sharp';
import { writtenElsewhere } from '../server/test/forge.ts';
import { openBookZip } from '../web/src/features/movements/book-zip.ts';
import { signIn } from './sign-in.ts';

/** A book of many photos: brought in, written out as one file, and that file looked through; time and memory. */
const PHOTOS = Number(process.argv[2] ?? 500);
const AN_ENTRY = 25;
const address = process.env['ECLAT_ADDRESS']!;
const pid = process.env['ECLAT_PID']!;
const cookie = await signIn(address);
const headers = { origin: address, cookie: `${cookie.name}=${cookie.value}` };

async function send<T>(method: string, path: string, body: unknown): Promise<T> {
  const raw = body instanceof Uint8Array;
  const res = await fetch(`${address}/api${path}`, {
    method,
    headers: {
      ...{ ...headers, 'idempotency-key': randomUUID() },
      'content-type': raw ? 'image/jpeg' : 'application/json',
    },
    body: raw ? new Blob([body as Uint8Array<ArrayBuffer>]) : JSON.stringify(body),
  });
  if (!res.ok) throw new Error(`${method} ${path}: ${res.status} ${await res.text()}`);
  return (await res.json()) as T;
}
const megabytes = (bytes: number) => `${Math.round(bytes / 1e6)} MB`;
/** The most memory that the server has held since it was last asked (Linux, proc(5)). */
function peak(): string {
  const [, kb] = /VmHWM:\s+(\d+)/.exec(readFileSync(`/proc/${pid}/status`, 'utf8'))!;
  return megabytes(Number(kb) * 1024);
}
const seconds = (since: number) => `${((performance.now() - since) / 1000).toFixed(1)} s`;

/** Grain as a camera has it, so that nothing packs it further. */
const photo = (i: number) =>
  sharp({
    create: {
      ...{ width: 1600, height: 1200, channels: 3, background: { r: i % 255, g: 120, b: 90 } },
      noise: { type: 'gaussian', mean: 128, sigma: 12 },
    },
  })
    .jpeg({ quality: 86 })
    .toBuffer();

const { movement } = await send<Visit>('POST', '/visits', {
  clock: { description: 'Bracket clock', marks: [] },
  owner: { name: 'Odile Tarrowby', phone: '', email: '', address: '' },
  movement: { name: 'Long book', familyId: 'fusee', maker: '', marks: [] },
  ...{ complaint: 'Stops.', received: [] },
});
const of = { id: movement.id, code: movement.code, name: movement.name };
const photos: Buffer[] = [];
for (let i = 0; i < PHOTOS; i++) photos.push(await photo(i));
const hashes = photos.map((p) => createHash('sha256').update(p).digest('hex'));
const history: TravelledEntry[] = [];
for (let i = 0; i < PHOTOS; i += AN_ENTRY) {
  const named = hashes.slice(i, i + AN_ENTRY).map((hash) => ({ hash, caption: 'Front plate', stage: 'assess' }));
  history.push(await writtenElsewhere(of, { sections: { photos: { version: 1, photos: named } } }));
}
console.log(`\nA book of ${PHOTOS} photos, ${megabytes(photos.reduce((n, p) => n + p.length, 0))}`);
console.log(`  server before   ${peak()} at most`);
let begun = performance.now();
await send<Book>('POST', `/movements/${movement.id}/record`, { history, logs: [], historyFrom: 'bench' });
const waiting = [...hashes.entries()];
const sendAll = async () => {
  for (let next = waiting.shift(); next; next = waiting.shift())
    await send('PUT', `/movements/${movement.id}/photos/${next[1]}`, photos[next[0]]);
};
// As the page does: two at a time.
await Promise.all([sendAll(), sendAll()]);
console.log(`  brought in      ${seconds(begun)}, server ${peak()} at most`);

begun = performance.now();
const file = join(tmpdir(), `eclat-book-${process.pid}.zip`);
const reply = await fetch(`${address}/api/movements/${movement.id}/book.zip`, { headers });
await pipeline(Readable.fromWeb(reply.body as never), createWriteStream(file));
console.log(`  written out     ${seconds(begun)}, ${megabytes(statSync(file).size)}, server ${peak()} at most`);

begun = performance.now();
photos.length = 0;
const before = process.memoryUsage().rss;
const zip = await openBookZip(await openAsBlob(file));
const found = await zip.photosOf(hashes, () => undefined);
const more = process.memoryUsage().rss - before;
console.log(`  looked through  ${seconds(begun)}, ${found.good.length} good, ${megabytes(more)} more memory`);
rmSync(file);
if (found.good.length !== PHOTOS || found.troubles.length > 0) process.exitCode = 1;
