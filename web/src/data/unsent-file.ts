import { BlobReader, BlobWriter, configure, TextReader, ZipWriter } from '@zip.js/zip.js/lib/zip-core-external.js';
import type { Unsent } from './app-state.ts';

// In this thread, with the browser’s own means: nothing else is loaded.
configure({ useWebWorkers: false });

const ENDINGS: Readonly<Record<string, string>> = { 'image/jpeg': 'jpg', 'image/png': 'png', 'image/webp': 'webp' };
const endingOf = ({ type }: Blob): string => ENDINGS[type] ?? (type.startsWith('audio/') ? 'wav' : 'bin');

/** All that waits, as a ZIP to be kept elsewhere: `changes.json`, and each photo and sound beside it. */
export async function fileOf(unsent: readonly Unsent[]): Promise<Blob> {
  const zip = new ZipWriter(new BlobWriter('application/zip'), { level: 0 });
  const changes = [];
  for (const [i, { body, madeAt, stored: _stored, expects: _expects, current: _current, ...u }] of unsent.entries()) {
    const file = body instanceof Blob ? `${String(i + 1).padStart(3, '0')}.${endingOf(body)}` : undefined;
    if (body instanceof Blob) await zip.add(file!, new BlobReader(body));
    changes.push({ ...u, at: u.at ?? new Date(madeAt).toISOString(), ...(file ? { file } : { body }) });
  }
  await zip.add('changes.json', new TextReader(JSON.stringify(changes, null, 2)));
  return zip.close();
}
