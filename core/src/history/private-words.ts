import { typedAtBench } from '../benches/index.ts';
import { TASKS } from '../casework/index.ts';
import { usualParts } from '../cleaning/index.ts';
import { DRIVEN_BY, USUAL_UNITS } from '../workflow/index.ts';
import { bare } from '../units/index.ts';
import type { VisitSource } from './fromVisit.ts';
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

/** What was typed for the record of this visit: what Eclat says of its own accord, or offers to be pressed, is none. */
export function typedWords(visit: VisitSource, waiver = '', note = ''): Typed[] {
  const offered = new Set<string>([
    ...usualParts(visit.movement.traits).map((p) => p.name),
    ...TASKS.map((t) => t.what),
    ...USUAL_UNITS,
    ...DRIVEN_BY,
  ]);
  const out: Typed[] = [];
  const take = (where: string, ...texts: (string | null | undefined)[]) => {
    for (const text of texts) if (text && !offered.has(text)) out.push({ where, text });
  };
  for (const f of visit.findings) take('a finding', f.place, f.seen, f.proposal, f.overturned?.why);
  take('a cause', visit.cause);
  for (const b of visit.baths) take('a cleaning run', ...b.parts.map((p) => p.name));
  for (const w of visit.work) take('work on a part', w.part, w.did, w.before, w.after);
  for (const l of visit.partConditions) take('the survey of parts', l.note);
  for (const { test, of } of visit.benchTests) if (of === 'visit') take('a bench', ...typedAtBench(test));
  for (const p of visit.parts) take('a part', p.what, p.size);
  for (const o of visit.oiled) take('an oil point', o.product, o.batch, o.differs);
  for (const t of visit.casework) if (t.doneAt !== null) take('work on the case', t.what, t.product, t.donorName);
  for (const l of visit.agreement.lines) if (l.state === 'declined') take('declined work', l.what);
  for (const s of [...visit.stages, ...visit.units.flatMap((u) => u.stages)]) take('what was not done', s.why);
  const { trial } = visit.job;
  take('the prognosis', visit.prognosis);
  if (trial) take('the job', trial.expected, trial.outcome, trial.offer);
  for (const r of visit.standRuns) take('a run with parts off', r.off, r.watched, r.found);
  for (const u of visit.units) take('a sub-assembly', u.name, ...u.runs.flatMap((r) => [r.driven, r.found]));
  take('the waiver', waiver);
  take('the note', note);
  return out;
}

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
