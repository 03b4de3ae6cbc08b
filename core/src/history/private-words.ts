import { bare } from '../units/index.ts';
import type { PrivateWords } from './record.ts';

/** Words that a person typed and that go into the record, with where they stand. */
export interface Typed {
  where: string;
  text: string;
}

/** A word of the owner that stands in the record. */
export interface PrivateHit {
  word: string;
  where: string;
}

/** Titles and little words that are no sign of a person. */
const PLAIN = new Set([
  'the',
  'and',
  'van',
  'von',
  'der',
  'den',
  'mrs',
  'miss',
  'mister',
  'sir',
  'estate',
  'club',
  'society',
  'church',
  'school',
  'museum',
  'hall',
  'town',
  'clock',
  'clocks',
  'guild',
  'trust',
  'company',
  'mr',
  'ms',
  'dr',
  'de',
  'di',
  'da',
  'la',
  'le',
  'of',
  'st',
  'co',
]);

const wordsOf = (text: string): string[] => text.split(/[^\p{L}\p{M}]+/u).filter((w) => w !== '');
/** Scripts that put no space between words. */
const UNSPACED = /[\p{Script=Han}\p{Script=Hiragana}\p{Script=Katakana}\p{Script=Thai}\p{Script=Lao}\p{Script=Khmer}]/u;
/** Scripts whose names are inflected: what follows the stem may be so long. */
const INFLECTED = /^[\p{Script=Cyrillic}\p{Script=Greek}]{4,}$/u;
const LONGEST_ENDING = 3;

/**
 * Whether a name stands in a text: as a word, in the plural, as whose something is; without its accents; inflected
 * where its script is; anywhere in a script without spaces. A name of two letters counts only as it is written, since
 * in small letters it is a word of many languages.
 */
function namedIn(text: string): (name: string) => boolean {
  const asTyped = bare(text);
  const words = wordsOf(asTyped);
  const small = words.map((w) => w.toLowerCase());
  return (written) => {
    const name = bare(written);
    if (UNSPACED.test(name)) return asTyped.includes(name);
    if (name.length < 3) return words.includes(name);
    const lower = name.toLowerCase();
    const stem = INFLECTED.test(lower) ? lower.replace(/[аяоеийьыηοας]+$/u, '') : '';
    return small.some(
      (w) =>
        [lower, `${lower}s`, `${lower}es`, lower.replace(/y$/, 'ies')].includes(w) ||
        (stem.length >= 4 && w.startsWith(stem) && w.length - stem.length <= LONGEST_ENDING),
    );
  };
}

/** Digits by which a telephone is known, however its country, its zeros and its gaps are written. */
const LEAST_DIGITS = 6,
  OWN_DIGITS = 7;
const tailOf = (digits: string): string => digits.slice(-OWN_DIGITS);

function phoneIn(text: string, phone: string): boolean {
  const own = phone.replace(/\D/g, '');
  if (own.length < LEAST_DIGITS) return false;
  // Runs of digits with gaps between them: figures of a bench have points, units and words between.
  const runs = text.match(/\+?\d[\d\s()/-]{4,}\d/g) ?? [];
  return runs.map((r) => r.replace(/\D/g, '')).some((r) => r.length >= LEAST_DIGITS && tailOf(r) === tailOf(own));
}

/**
 * Where the owner's own words stand in what was typed: a name, phone, address or e-mail that slipped into a finding.
 * The signer takes them out, or keeps one that means something else: nothing is cut by guess. Each word once a place.
 */
export function privateWordsIn(typed: readonly Typed[], owner: PrivateWords): PrivateHit[] {
  const names = wordsOf(owner.name)
    .map((w) => (w.length < 3 || UNSPACED.test(w) ? w : w.toLowerCase()))
    .filter((w) => w.length >= 2 && !PLAIN.has(w.toLowerCase()));
  const wholes = [owner.email, owner.address?.split('\n')[0]]
    .map((w) => w?.trim().toLowerCase())
    .filter((w): w is string => Boolean(w && w.length >= 5));
  const hits = typed.flatMap(({ where, text }) => {
    const isNamed = namedIn(text);
    const lower = bare(text).toLowerCase();
    const found = [
      ...names.filter(isNamed),
      ...wholes.filter((w) => lower.includes(bare(w))),
      ...(phoneIn(text, owner.phone ?? '') ? [owner.phone!] : []),
    ];
    return found.map((word) => ({ word, where }));
  });
  return hits.filter((h, i) => hits.findIndex((x) => x.word === h.word && x.where === h.where) === i);
}
