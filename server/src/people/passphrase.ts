import { ZxcvbnFactory } from '@zxcvbn-ts/core';
import * as common from '@zxcvbn-ts/language-common';
import { badField } from '../platform/http/problems.ts';

const zxcvbn = new ZxcvbnFactory({ dictionary: common.dictionary, graphs: common.adjacencyGraphs });
/** Guesses, as powers of ten: fewer fall within days to whoever stole the database. From memory: zxcvbn's grade 2. */
const LEAST_GUESSES_LOG10 = 8;

/** @throws 422 at the field when it holds the person's or the shop's name, or is among those that are tried first */
export function checkPassphrase(passphrase: string, names: readonly string[], field = 'passphrase'): void {
  const plain = passphrase.toLowerCase();
  const words = names
    .flatMap((n) => [n, ...n.split(/\s+/)])
    .map((n) => n.toLowerCase())
    .filter((n) => n.length > 2);
  if (words.some((w) => w.length > 3 && plain.replaceAll(w, '').length < 8))
    throw badField(field, 'Not a name: choose a few words that nobody connects with you.');
  if (zxcvbn.check(passphrase.slice(0, 100), words).guessesLog10 < LEAST_GUESSES_LOG10)
    throw badField(field, 'This one is guessed first. A few words that have nothing to do with each other are best.');
}
