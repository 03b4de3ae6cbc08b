/** npm run formats: writes docs/formats from the contract. A test holds them to it. */
import { writeFileSync } from 'node:fs';
import {
  api,
  askBody,
  askReply,
  carriedBook,
  exchangeReply,
  exchangeRequest,
  photoBodyOf,
  sendReply,
  whichBody,
  whichReply,
  movementBook,
  recordSections,
  serviceRecord,
  signedEntry,
  type Route,
} from '@eclat/contract';
import { openApi } from '@eclat/server/platform/http/openapi';
import { fileURLToPath } from 'node:url';
import { SAMPLE, sampleText } from './sample-book.ts';
import { format, resolveConfig } from 'prettier';
import { z } from 'zod';

/** Each route without its schemas, as a module. */
export async function addressesModule(): Promise<string> {
  const bare = ({ method, path, reads, changes, inverse, visit, row }: Route) => ({
    method,
    path,
    ...(reads ? { reads } : { changes, inverse, visit, row }),
  });
  const groups = Object.entries(api).map(([feature, routes]) => [
    feature,
    Object.fromEntries(Object.entries(routes as Record<string, Route>).map(([name, route]) => [name, bare(route)])),
  ]);
  const text = `/**
 * Every route without its schemas: a screen that only asks needs no validator, and loads without it.
 * Written by \`npm run formats\` from the contract; a test holds it to it.
 */
export const addresses = ${JSON.stringify(Object.fromEntries(groups))} as const;\n`;
  const file = fileURLToPath(ADDRESSES_FILE);
  return format(text, { ...(await resolveConfig(file)), filepath: file });
}
export const ADDRESSES_FILE = new URL('../contract/src/addresses.ts', import.meta.url);

/** What two shops say to each other, by the names of docs/formats. */
const EXCHANGE = z.object({
  ...{ request: exchangeRequest, reply: exchangeReply },
  ...{ ask: askBody, askReply, which: whichBody, whichReply, book: carriedBook, sendReply, photo: photoBodyOf },
});

export const FORMATS: Record<string, () => object> = {
  'service-record.schema.json': () => z.toJSONSchema(serviceRecord),
  'record-sections.schema.json': () => z.toJSONSchema(recordSections),
  'movement-book.schema.json': () => z.toJSONSchema(movementBook),
  'signed-entry.schema.json': () => z.toJSONSchema(signedEntry),
  'exchange.schema.json': () => z.toJSONSchema(EXCHANGE),
  'openapi.json': openApi,
};
export const formatPath = (name: string) => new URL(`../docs/formats/${name}`, import.meta.url);
/** Schemas are read by people, so they are laid out; the whole API is read by programs. */
export const written = (name: string) => `${JSON.stringify(FORMATS[name]!(), null, name === 'openapi.json' ? 0 : 2)}\n`;

if (process.argv[1] === import.meta.filename) {
  for (const name of Object.keys(FORMATS)) writeFileSync(formatPath(name), written(name));
  writeFileSync(formatPath(SAMPLE), await sampleText());
  writeFileSync(ADDRESSES_FILE, await addressesModule());
}
