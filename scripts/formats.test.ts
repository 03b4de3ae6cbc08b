import { readFileSync } from 'node:fs';
import { expect, it } from 'vitest';
import { DOORS_FILE, doorsModule, FORMATS, formatPath, written } from './formats.ts';

it.each(Object.keys(FORMATS))('docs/formats/%s is what the contract says; if not: npm run formats', (name) => {
  expect(readFileSync(formatPath(name), 'utf8')).toBe(written(name));
});

it('the table of doors is what the contract says', () => expect(readFileSync(DOORS_FILE, 'utf8')).toBe(doorsModule()));
