import canonicalize from 'canonicalize';
import { Outside } from '../units/index.ts';

/**
 * Canonical JSON: the same value has the same text, so the same hash, whoever writes it down. Source: RFC 8785.
 * @throws Outside for what JSON cannot say: a number that is not finite, half a letter (a surrogate without its other)
 */
export function canonical(value: unknown): string {
  let text: string | undefined;
  try {
    text = canonicalize(value);
  } catch {
    throw new Outside('record', 'A record holds finite numbers only.');
  }
  // JSON.stringify escapes half a letter, and RFC 8785 forbids it.
  if (text === undefined || HALF_LETTER.test(text)) throw new Outside('record', 'A record holds whole letters only.');
  return text;
}

/** An escape of a surrogate: whole pairs are written as themselves. An even number of backslashes is no escape. */
const HALF_LETTER = /(?<!\\)(?:\\\\)*\\ud[89a-f][0-9a-f]{2}/;
