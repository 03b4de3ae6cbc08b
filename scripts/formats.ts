/** npm run formats: writes docs/formats from the contract. A test holds them to it. */
import { writeFileSync } from 'node:fs';
import { api, movementBook, serviceRecord, type Route } from '@eclat/contract';
import { openApi } from '@eclat/server/platform/http/openapi';
import { z } from 'zod';

/** Method and path of every door, as a module without the schemas. */
export function doorsModule(): string {
  const groups = Object.entries(api).map(([group, doors]) => {
    const lines = Object.entries(doors as Record<string, Route>).map(
      ([name, { method, path }]) => `    ${name}: { method: '${method}', path: '${path}' },`,
    );
    return `  ${group}: {\n${lines.join('\n')}\n  },`;
  });
  return `/**
 * Method and path of every door, without the schemas: a screen that only asks needs no validator, and loads without it.
 * Written by \`npm run formats\` from the contract; a test holds it to it.
 */
export const doors = {\n${groups.join('\n')}\n} as const;\n`;
}
export const DOORS_FILE = new URL('../contract/src/doors.ts', import.meta.url);

export const FORMATS: Record<string, () => object> = {
  'service-record.schema.json': () => z.toJSONSchema(serviceRecord),
  'movement-book.schema.json': () => z.toJSONSchema(movementBook),
  'openapi.json': openApi,
};
export const formatPath = (name: string) => new URL(`../docs/formats/${name}`, import.meta.url);
/** Schemas are read by people, so they are laid out; the whole API is read by programs. */
export const written = (name: string) => `${JSON.stringify(FORMATS[name]!(), null, name === 'openapi.json' ? 0 : 2)}\n`;

if (process.argv[1] === import.meta.filename) {
  for (const name of Object.keys(FORMATS)) writeFileSync(formatPath(name), written(name));
  writeFileSync(DOORS_FILE, doorsModule());
}
