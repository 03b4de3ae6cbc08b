import { readFileSync } from 'node:fs';
import { expect, it } from 'vitest';
import { SAMPLE, sampleText } from './sample-book.ts';
import { ADDRESSES_FILE, addressesModule, FORMATS, formatPath, written } from './formats.ts';

it(`docs/formats/${SAMPLE} is what Eclat signs; if not: npm run formats`, async () => {
  expect(readFileSync(formatPath(SAMPLE), 'utf8')).toBe(await sampleText());
});

it.each(Object.keys(FORMATS))('docs/formats/%s is what the contract says; if not: npm run formats', (name) => {
  expect(readFileSync(formatPath(name), 'utf8')).toBe(written(name));
});

it('the table of addresses is what the contract says', async () =>
  expect(readFileSync(ADDRESSES_FILE, 'utf8')).toBe(await addressesModule()));
